"""``manage.py demo``: the demo account with the productions of the Quillhaven Tide Museum."""

from __future__ import annotations

import json
from dataclasses import replace
from typing import Any

from django.conf import settings
from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand

from dearhost.production import CastEntry, Choices, open_script, own_choices_from_json
from dearhost.script import Brief
from dearhost.script.staging import staging_from_json
from server.accounts.demo_account import DEMO_ACCOUNT
from server.productions.actions.create import create_production
from server.productions.models import Production
from server.studio import studio

USERNAME, PASSWORD = DEMO_ACCOUNT


class Command(BaseCommand):
    """Adds what is missing; what is there stays as it is."""

    help = "Create the demo account and its productions where they are missing."

    def handle(self, *args: Any, **options: Any) -> None:
        """Fill the demo account."""
        users = get_user_model().objects
        user, created = users.get_or_create(username=USERNAME, defaults={"first_name": "Ines"})
        if created:
            user.set_password(PASSWORD)
            user.save()
        folder = settings.BASE_DIR / "demo"
        for entry in json.loads((folder / "productions.json").read_text(encoding="utf-8")):
            script = open_script(folder / entry["script"])
            if Production.objects.filter(owner=user, title=script.title).exists():
                continue
            staged = entry.get("staging", {})
            scenes = tuple(
                replace(scene, staging=staging_from_json(staged.get(str(number)), own_choices_from_json))
                for number, scene in enumerate(script.scenes, 1)
            )
            script = replace(script, scenes=scenes)
            cast = {s: CastEntry(e["host"], studio().voices.usual(e["voice"])) for s, e in entry["cast"].items()}
            brief = Brief(**{**entry["brief"], "points": tuple(entry["brief"].get("points", ()))})
            create_production(user, script, script.title, cast=cast, brief=brief, choices=Choices(**entry["choices"]))
            self.stdout.write(f"Added '{script.title}'.")
