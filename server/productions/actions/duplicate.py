"""Copies of a production: to change without touching the first, to begin others with, begun with one of these."""

from __future__ import annotations

from django.db import transaction

from server.productions.actions.put_away import put_away
from server.productions.beside import packed_beside, take_beside
from server.productions.models import Production, Revision, Take


def keep_as_pattern(production: Production, title: str) -> Production:
    """A copy that is not worked on: others are begun with it. One of the same title gives way to it."""
    title = title.strip()[:200] or production.title
    with transaction.atomic():
        patterns = Production.objects.filter(owner_id=production.owner_id, is_pattern=True)
        for older in patterns.filter(title=title):
            put_away(older)
        return _copy(production, title, is_pattern=True)


def begin_with_pattern(pattern: Production) -> Production:
    """A production that begins as a pattern of one's own."""
    with transaction.atomic():
        return _copy(pattern, pattern.title)


def _copy(production: Production, title: str, *, is_pattern: bool = False) -> Production:
    """The same document, its revisions starting over."""
    copy = Production.objects.create(
        owner_id=production.owner_id, title=title, document=production.document, is_pattern=is_pattern
    )
    Revision.objects.create(production=copy, number=1, title=title, document=copy.document)
    return copy


def duplicate(production: Production) -> Production:
    """The same document under another title, with the takes of its lines and what is kept beside it."""
    title = _free_title(production)
    with transaction.atomic():
        copy = _copy(production, title)
        take_beside(copy, packed_beside(production))
        takes = list(production.takes.all())
        for take in takes:
            take.pk = Take._meta.pk.get_default()
            take.production = copy
            take._state.adding = True
        Take.objects.bulk_create(takes)
    return copy


def _free_title(production: Production) -> str:
    taken = set(Production.objects.filter(owner_id=production.owner_id).values_list("title", flat=True))
    names = (f"{production.title[:180]}, copy{'' if number == 1 else f' {number}'}" for number in range(1, 10_000))
    return next((name for name in names if name not in taken), f"{production.title[:180]}, copy")
