"""``manage.py demo``: the demo account with the shelf and the productions of the Quillhaven Tide Museum."""

from __future__ import annotations

import json
from dataclasses import replace
from pathlib import Path
from typing import Any

from django.conf import settings
from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand

from dearhost.assets.shelf import KeySettings
from dearhost.production import CastEntry, Choices, open_script, own_choices_from_json, with_named_files
from dearhost.production.production import Production as Staged
from dearhost.script import Brief
from dearhost.script.staging import staging_from_json
from server.accounts.demo_account import DEMO_ACCOUNT
from server.productions.actions.create import create_production
from server.productions.models import Production
from server.shelf.actions.enter import enter
from server.shelf.models import ShelfEntry
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
        self._fill_shelf(user.pk, folder / "shelf")
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
            staged, _ = with_named_files(
                Staged(script, cast, Choices(**entry["choices"]), brief), studio(), folder / "shelf"
            )
            create_production(
                user, staged.script, script.title, cast=cast, brief=brief, choices=staged.choices
            )  # fmt: skip
            self.stdout.write(f"Added '{script.title}'.")

    def _fill_shelf(self, owner_id: int, folder: Path) -> None:
        """Take in what lies in the demo's folder, where the account's shelf has nothing of it yet."""
        known = set(ShelfEntry.with_deleted.filter(owner_id=owner_id).values_list("item", flat=True))
        for row in json.loads((folder / "shelf.json").read_text(encoding="utf-8")):
            item = studio().shelf.take(folder / row["file"], row["file"])
            if "said" in row and studio().speaker.clips.known(item.id) is None:
                studio().speaker.clips.hear(item.id, text=row["said"])
            if row.get("cut_out"):
                item = studio().shelf.key(item.id, KeySettings())
            if item.id in known:
                continue
            entry = enter(owner_id, item)
            entry.licence, entry.author = row["licence"], row["author"]
            entry.title = row.get("title", entry.title)
            entry.save()
