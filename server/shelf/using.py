"""Where things of the shelf are used, and what a production's film owes for them."""

from __future__ import annotations

from collections.abc import Collection

from django.db.models import QuerySet, TextField
from django.db.models.functions import Cast

from dearhost.assets.shelf.licences import Credit, credit_lines, rights_problem
from dearhost.production import Production as Staged
from dearhost.production.uses import SHELF, uses_of
from server.assets.ownership import keys_of
from server.productions.models import Production
from server.shelf.actions.enter import enter
from server.shelf.models import ShelfEntry
from server.studio import studio


def entered(owner_id: int) -> None:
    """Enter on the shelf what came to the account another way, as in a production's file."""
    known = set(ShelfEntry.with_deleted.filter(owner_id=owner_id).values_list("item", flat=True))
    for item in sorted(keys_of(owner_id, SHELF) - known):
        if kept := studio().shelf.item(item):
            enter(owner_id, kept)


def productions_using(entry: ShelfEntry) -> QuerySet[Production]:
    """The account's productions that name the thing."""
    rows = Production.objects.filter(owner_id=entry.owner_id).annotate(named=Cast("document", TextField()))
    return rows.filter(named__contains=entry.item)


def titles_using(entry: ShelfEntry) -> list[str]:
    """Their titles."""
    return list(productions_using(entry).values_list("title", flat=True))


def uses_by_item(owner_id: int, items: Collection[str]) -> dict[str, list[tuple[str, str]]]:
    """By thing, (id, title) of the account's productions that name it: every document is looked through once."""
    found: dict[str, list[tuple[str, str]]] = {item: [] for item in items}
    rows = Production.objects.filter(owner_id=owner_id).annotate(named=Cast("document", TextField()))
    for pk, title, text in rows.values_list("pk", "title", "named").iterator() if items else ():
        for item in items:
            if item in text:
                found[item].append((str(pk), title))
    return found


def entries_used(owner_id: int, staged: Staged) -> list[ShelfEntry]:
    """The entries of what a production shows and sounds like."""
    entered(owner_id)
    items = sorted(use.id for use in uses_of(staged) if use.kind == SHELF)
    mine = {entry.item: entry for entry in ShelfEntry.with_deleted.filter(owner_id=owner_id, item__in=items)}
    others = {e.item: e for e in ShelfEntry.objects.filter(shared=True, item__in=items).exclude(owner_id=owner_id)}
    return [entry for item in items if (entry := mine.get(item) or others.get(item))]


def rights_missing(owner_id: int, staged: Staged) -> list[str]:
    """What must be said before the film may be rendered, a sentence for each thing."""
    return [
        f"“{entry.title}” on the shelf: {problem}."
        for entry in entries_used(owner_id, staged)
        if (problem := rights_problem(entry.licence, entry.author))
    ]


def credits_of(owner_id: int, staged: Staged) -> list[str]:
    """The lines of credits of a production's film."""
    return credit_lines(
        Credit(entry.kind, entry.title, entry.author, entry.licence) for entry in entries_used(owner_id, staged)
    )
