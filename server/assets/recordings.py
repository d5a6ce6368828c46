"""Recordings are kept once by their content, whoever sent them: one goes when nobody holds it any more, not before."""

from __future__ import annotations

from collections.abc import Collection
from functools import reduce
from operator import or_

from django.apps import apps
from django.conf import settings
from django.db.models import Q, TextField
from django.db.models.functions import Cast

from dearhost.production.uses import RECORDING
from server.assets.models import Belonging
from server.studio import studio


def held(recordings: Collection[str]) -> set[str]:
    """Those of ``recordings`` that a take, a sample, a document or one of its revisions still names: all that
    ``settings.RECORDING_HOLDERS`` lists is looked through once."""
    asked = set(filter(None, recordings))
    found: set[str] = set()
    for model, field in settings.RECORDING_HOLDERS if asked else ():
        rows = apps.get_model(model)._base_manager.annotate(named=Cast(field, TextField()))
        naming = rows.filter(reduce(or_, (Q(named__contains=recording) for recording in asked)))
        for text in naming.values_list("named", flat=True).iterator():
            found |= {recording for recording in asked if recording in text}
    return found


def forget_unheld(recordings: Collection[str]) -> int:
    """Remove those of ``recordings`` that nothing holds, for good; returns how many."""
    unheld = set(filter(None, recordings)) - held(recordings)
    for recording in unheld:
        studio().speaker.recordings.remove(recording)
    Belonging.objects.filter(kind=RECORDING, key__in=unheld).delete()
    return len(unheld)
