"""Put another thing in the place of one, everywhere it is used."""

from __future__ import annotations

import json

from django.db import transaction

from dearhost.errors import HostError
from dearhost.production.uses import SHELF, Use
from server.assets.ownership import may_use
from server.productions.actions.save import save_production
from server.productions.models import Production
from server.shelf.models import ShelfEntry
from server.shelf.using import productions_using

_EXCHANGEABLE = ({"picture", "clip"}, {"sound"})


def replace_everywhere(entry: ShelfEntry, other: ShelfEntry) -> int:
    """Every production of the account that uses the thing uses the other from now on, as a revision of its own that
    can be undone there; returns how many. Raises HostError for a picture in the place of a sound."""
    if not any({entry.kind, other.kind} <= kinds for kinds in _EXCHANGEABLE):
        raise HostError(f"A {other.kind} cannot stand in for a {entry.kind}. Choose another.")
    if not may_use(entry.owner_id, Use(SHELF, other.item)):
        raise HostError("There is no such thing on the shelf.")
    count = 0
    for found in productions_using(entry):
        with transaction.atomic():
            current = Production.objects.select_for_update().get(pk=found.pk)
            document = json.loads(json.dumps(current.document).replace(entry.item, other.item))
            save_production(current, document, current.title, current.revision)
        count += 1
    return count
