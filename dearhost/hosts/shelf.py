"""Hosts that were made here: model sheets in a folder, one file a version. A version never changes once it is saved."""

from __future__ import annotations

import json
import re
import threading
import uuid
from pathlib import Path

from dearhost.errors import HostError
from dearhost.hosts.host import Card
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.sheet_file import host_from_json, host_to_json
from dearhost.json_data import read_json
from dearhost.storage import write_whole

_ID = re.compile(r"(own-[0-9a-f]{10})-v(\d{1,4})")
_LARGEST = 400_000


class HostShelf:
    """The hosts of a folder. Ids are ``own-…-v3``: a host and the version of its sheet."""

    def __init__(self, folder: Path | None) -> None:
        self.folder = folder
        self._known: dict[str, Person] = {}
        self._lock = threading.Lock()

    def find(self, host_id: str) -> Person | None:
        """The host with this id, or None."""
        with self._lock:
            known = self._known.get(host_id)
        if known is not None:
            return known
        if self.folder is None or not _ID.fullmatch(host_id):
            return None
        try:
            made = self._load(host_id, self._path(host_id))
        except (OSError, ValueError, HostError):
            return None
        with self._lock:
            return self._known.setdefault(host_id, made)

    def latest(self) -> list[Person]:
        """The newest version of every host, by name."""
        newest: dict[str, int] = {}
        for path in self.folder.glob("own-*-v*.json") if self.folder else ():
            if match := _ID.fullmatch(path.stem):
                newest[match[1]] = max(newest.get(match[1], 0), int(match[2]))
        found = [self.find(f"{base}-v{version}") for base, version in newest.items()]
        return sorted((h for h in found if h), key=lambda h: (h.name.casefold(), h.id))

    def keep(self, name: str, card: Card, sheet: ModelSheet, changes: str = "") -> Person:
        """Save a new host, or the next version of the one ``changes`` is an id of. Raises StorageFull."""
        if self.folder is None:
            raise HostError("There is no folder to keep hosts in.")
        match = _ID.fullmatch(changes)
        base = match[1] if match else f"own-{uuid.uuid4().hex[:10]}"
        versions = [int(m[2]) for p in self.folder.glob(f"{base}-v*.json") if (m := _ID.fullmatch(p.stem))]
        host_id = f"{base}-v{max(versions, default=0) + 1}"
        self._write(host_id, name, card, sheet)
        return Person(host_id, name, card, sheet)

    def adopt(self, host_id: str, data: object) -> bool:
        """Take in a version from elsewhere under its own id, unless there is one; whether there is one now."""
        if self.folder is None or not _ID.fullmatch(host_id):
            return False
        if self.find(host_id) is None:
            try:
                name, card, sheet, _ = host_from_json(data)
            except HostError:
                return False
            self._write(host_id, name, card, sheet)
        return self.find(host_id) is not None

    def remove(self, host_id: str) -> None:
        """Take a host away, with all its versions."""
        match = _ID.fullmatch(host_id)
        for path in self.folder.glob(f"{match[1]}-v*.json") if match and self.folder else ():
            path.unlink(missing_ok=True)
            with self._lock:
                self._known.pop(path.stem, None)

    def _write(self, host_id: str, name: str, card: Card, sheet: ModelSheet) -> None:
        text = json.dumps(host_to_json(name, card, sheet), ensure_ascii=False, indent=1)

        def write(part: Path) -> None:
            part.write_text(text, encoding="utf-8")

        write_whole(self._path(host_id), write)

    def _path(self, host_id: str) -> Path:
        assert self.folder is not None
        return self.folder / f"{host_id}.json"

    @staticmethod
    def _load(host_id: str, path: Path) -> Person:
        if path.stat().st_size > _LARGEST:
            raise HostError("This file is too big for a host.")
        name, card, sheet, _ = host_from_json(read_json(path.read_bytes()))
        return Person(host_id, name, card, sheet)


def base_of(host_id: str) -> str:
    """A made host's id without its version; any other id as it is."""
    match = _ID.fullmatch(host_id)
    return match[1] if match else host_id
