"""A copy of a production, to change without touching the first."""

from __future__ import annotations

from django.db import transaction

from server.productions.models import Production, Revision, Take


def duplicate(production: Production) -> Production:
    """The same document under another title, with the takes of its lines; its revisions start over."""
    title = _free_title(production)
    with transaction.atomic():
        copy = Production.objects.create(owner_id=production.owner_id, title=title, document=production.document)
        Revision.objects.create(production=copy, number=1, title=title, document=copy.document)
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
