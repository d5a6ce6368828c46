"""Begin a production."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from django.contrib.auth.base_user import AbstractBaseUser
from django.db import transaction

from dearhost.hosts import CAST, base_of
from dearhost.production import Production as StagedProduction
from dearhost.production import production_to_json
from dearhost.script import Line, Scene, Script, new_id
from server.hosts.models import OwnHost
from server.productions.models import Production, Revision
from server.studio import studio
from server.voices.belonging import refuse_foreign_voices


def create_production(owner: AbstractBaseUser, script: Script, title: str = "", **parts: Any) -> Production:
    """A new production of ``script`` with everybody cast; an empty script gets a scene with a line."""
    title = title.strip() or script.title.strip() or _first_words(script) or "Untitled"
    return _keep(owner, StagedProduction(replace(script, title=title), **parts), title)


def adopt_production(owner: AbstractBaseUser, staged: StagedProduction, title: str) -> Production:
    """A production that comes whole, with all its choices and made hosts; ``title`` where it has none."""
    for base in {base_of(entry.host) for entry in staged.cast.values() if entry.host not in CAST}:
        OwnHost.objects.get_or_create(base=base, defaults={"owner": owner})
    return _keep(owner, staged, staged.script.title.strip() or title)


def _keep(owner: AbstractBaseUser, staged: StagedProduction, title: str) -> Production:
    if not staged.script.scenes:
        empty = (Scene(new_id(), "", (Line(new_id(), "", ""),)),)
        staged = replace(staged, script=replace(staged.script, scenes=empty))
    document = production_to_json(staged.checked(studio()))
    refuse_foreign_voices(owner.pk, (entry["voice"] for entry in document["cast"].values()))
    with transaction.atomic():
        production = Production.objects.create(owner=owner, title=title[:200], document=document)
        Revision.objects.create(production=production, number=1, title=production.title, document=document)
    return production


def _first_words(script: Script) -> str:
    heading = next((s.heading for s in script.scenes if s.heading), "")
    line = next((line.text for _, _, line in script.lines()), "")
    return heading or " ".join(line.split()[:6])
