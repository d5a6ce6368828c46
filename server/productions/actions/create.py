"""Begin a production."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction

from dearhost.production import OpenedProduction, production_to_json
from dearhost.production import Production as StagedProduction
from dearhost.script import Line, Scene, Script, new_id
from server.assets.ownership import belongs_to
from server.productions.documents import fitted_for
from server.productions.models import Production, Revision
from server.studio import studio


def create_production(owner: User, script: Script, title: str = "", **parts: Any) -> Production:
    """A new production of ``script`` with everybody cast; an empty script gets a scene with a line."""
    title = title.strip() or script.title.strip() or _first_words(script) or "Untitled"
    return _keep(owner, StagedProduction(replace(script, title=title), **parts), title)


def adopt_production(owner: User, opened: OpenedProduction, title: str) -> tuple[Production, tuple[str, ...]]:
    """A production that comes whole, with all its choices, made hosts and pictures; ``title`` where it has none.

    The notes say what had to be replaced, for this machine or for this account.
    """
    for use in opened.brought:
        belongs_to(owner.pk, use)
    fitting = fitted_for(owner.pk, opened.production)
    staged = fitting.production
    kept = _keep(owner, staged, staged.script.title.strip() or title)
    return kept, (*opened.notes, *fitting.notes)


def _keep(owner: User, staged: StagedProduction, title: str) -> Production:
    if not staged.script.scenes:
        empty = (Scene(new_id(), "", (Line(new_id(), "", ""),)),)
        staged = replace(staged, script=replace(staged.script, scenes=empty))
    document = production_to_json(staged.checked(studio()))
    with transaction.atomic():
        production = Production.objects.create(owner=owner, title=title[:200], document=document)
        Revision.objects.create(production=production, number=1, title=production.title, document=document)
    return production


def _first_words(script: Script) -> str:
    heading = next((s.heading for s in script.scenes if s.heading), "")
    line = next((line.text for _, _, line in script.lines()), "")
    return heading or " ".join(line.split()[:6])
