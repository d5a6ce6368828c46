"""All hosts that can play: the cast that comes with the product, and those made here."""

from __future__ import annotations

import json
from dataclasses import replace
from functools import lru_cache
from typing import Any

from dearhost.errors import UnknownHost
from dearhost.hosts.cast import CAST
from dearhost.hosts.host import Host
from dearhost.hosts.people.model_sheet import OUTFITS, Outfit
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.sheet_file import LOOK_MARK, host_to_json
from dearhost.hosts.shelf import HostShelf


class HostLibrary:
    """Hosts by their ids; an id may name a look of the host's wardrobe too."""

    def __init__(self, shelf: HostShelf) -> None:
        self.shelf = shelf

    def host(self, host_id: str) -> Host:
        """The host with this id, of the cast or made here. Raises UnknownHost, naming those there are."""
        base, _, look = host_id.partition(LOOK_MARK)
        host = self._find(base)
        if isinstance(host, Person) and look in wardrobe(host):
            return in_look_of(host, look)
        if host is None:
            raise UnknownHost(f"There is no host '{host_id}'. Choose one of: {', '.join(CAST)}.")
        return host

    def is_known(self, host_id: str) -> bool:
        """Whether there is such a host."""
        return self._find(host_id.partition(LOOK_MARK)[0]) is not None

    def _find(self, base: str) -> Host | None:
        return CAST.get(base) or self.shelf.find(base)

    def in_look(self, host_id: str, look: str) -> str:
        """The id of a host in a look of the wardrobe; the host's own id where there is no such look."""
        base = host_id.partition(LOOK_MARK)[0]
        return f"{base}{LOOK_MARK}{look}" if look in self.looks_of(base) else base

    def looks_of(self, host_id: str) -> tuple[str, ...]:
        """What a host can wear but the usual: looks of its own, then the wardrobe; nothing for animals."""
        host = self.host(host_id)
        return tuple(wardrobe(host)) if isinstance(host, Person) else ()

    def made(self, host_id: str) -> dict[str, Any] | None:
        """A made host as JSON data, to hand on with what it plays in; None for the cast, which is everywhere."""
        made = self.shelf.find(host_id) if host_id not in CAST else None
        if made is None:
            return None
        data: dict[str, Any] = json.loads(json.dumps(host_to_json(made.name, made.card, made.sheet)))
        return data

    def adopt(self, host_id: str, data: object) -> bool:
        """Take in a made host that came with what it plays in; whether it is known now."""
        return host_id in CAST or self.shelf.adopt(host_id, data)


def wardrobe(host: Person) -> dict[str, Outfit]:
    """The looks of a person by name, their own first."""
    return {**dict(host.sheet.looks), **OUTFITS}


@lru_cache(maxsize=64)
def in_look_of(host: Person, look: str) -> Person:
    """A host dressed in a look of its wardrobe."""
    outfit = wardrobe(host)[look]
    tie = host.sheet.tie if outfit.cut in ("blazer", "waistcoat") else ""
    sheet = replace(host.sheet, outfit=outfit, tie=tie)
    return Person(f"{host.id}{LOOK_MARK}{look}", host.name, host.card, sheet)
