"""Begin a production."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction

from dearhost.production import OpenedProduction, production_to_json
from dearhost.production import Production as StagedProduction
from dearhost.production.uses import RECORDING, uses_of, without
from dearhost.script import Line, Scene, Script, ensure_workable, new_id
from server.assets.ownership import belongs_to, usable
from server.productions.beside import take_beside
from server.productions.documents import fitted_for
from server.productions.models import Production, Revision
from server.studio import studio

_STAYED = "Recordings stay on the machine they were made on: {} of them are spoken by the voice here."


def create_production(owner: User, script: Script, title: str = "", **parts: Any) -> Production:
    """A new production of ``script`` with everybody cast; an empty script gets a scene with a line.

    Raises UnreadableScript where it is too long to be worked on.
    """
    title = title.strip() or script.known_as or "Untitled"
    return _keep(owner, StagedProduction(replace(script, title=title), **parts), title)


def adopt_production(owner: User, opened: OpenedProduction, title: str) -> tuple[Production, tuple[str, ...]]:
    """A production that comes whole, with all its choices, made hosts and pictures; ``title`` where it has none.

    The notes say what had to be replaced, for this machine or for this account.
    """
    for use in opened.brought:
        belongs_to(owner.pk, use)
    recorded = frozenset(use for use in uses_of(opened.production) if use.kind == RECORDING)
    elsewhere = recorded - usable(owner.pk, recorded)
    fitting = fitted_for(owner.pk, without(opened.production, elsewhere.__contains__))
    staged = fitting.production
    kept = _keep(owner, staged, staged.script.title.strip() or title)
    left_out = take_beside(kept, opened.beside)
    stayed = (_STAYED.format(len(elsewhere)),) if elsewhere else ()
    return kept, (*opened.notes, *fitting.notes, *stayed, *left_out)


def _keep(owner: User, staged: StagedProduction, title: str) -> Production:
    if not staged.script.scenes:
        empty = (Scene(new_id(), "", (Line(new_id(), "", ""),)),)
        staged = replace(staged, script=replace(staged.script, scenes=empty))
    ensure_workable(staged.script)
    document = production_to_json(staged.checked(studio()))
    with transaction.atomic():
        production = Production.objects.create(owner=owner, title=title[:200], document=document)
        Revision.objects.create(production=production, number=1, title=production.title, document=document)
    return production
