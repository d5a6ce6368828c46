"""Save a production: compare-and-set on its revision number."""

from __future__ import annotations

from typing import Any

from django.db import transaction

from server.productions.documents import checked_document
from server.productions.models import Production, Revision
from server.productions.revisions import THIN_EVERY, forget_refused, thin


class StaleSave(Exception):
    """Somebody saved in between. Both versions are kept; ``current`` is the one that counts."""

    def __init__(self, current: Production) -> None:
        super().__init__("The production was changed in another window.")
        self.current = current


def rename_production(production: Production, title: str) -> Production:
    """Give the current revision another title, as a revision of its own, whoever saved meanwhile."""
    with transaction.atomic():
        current = Production.objects.select_for_update().get(pk=production.pk)
        return save_production(current, current.document, title, current.revision)


def save_production(production: Production, document: Any, title: str, revision: int) -> Production:
    """Save ``document`` as the revision after ``revision``.

    Raises StaleSave when that is not the current one: nothing is overwritten, and the refused document
    is kept among the revisions. Raises ScriptError when it is no production document.
    """
    checked = checked_document(document)
    title = title.strip()[:200] or "Untitled"
    with transaction.atomic():
        current = Production.objects.select_for_update().get(pk=production.pk)
        if current.revision == revision:
            current.title, current.document, current.revision = title, checked, revision + 1
            current.save()
            Revision.objects.create(production=current, number=current.revision, title=title, document=checked)
            if current.revision % THIN_EVERY == 0:
                thin(current)
            return current
        if not (current.document == checked and current.title == title):
            Revision.objects.create(
                production=current, number=revision + 1, title=title, document=checked, refused=True
            )
            forget_refused(current)
        else:
            return current
    raise StaleSave(current)
