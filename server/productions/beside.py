"""What other apps keep beside a production's document, so that it goes along in its file and into its copies.

An app names its keeper in ``settings.KEPT_BESIDE``; productions know no more of it than this.
"""

from __future__ import annotations

from collections.abc import Mapping
from functools import cache
from typing import Protocol

from django.conf import settings
from django.utils.module_loading import import_string

from dearhost.errors import DearHostError
from server.productions.models import Production


class Keeper(Protocol):
    """Keeps one kind of thing beside productions."""

    def packed(self, production: Production) -> object | None:
        """What is kept, as JSON; None for nothing."""

    def take(self, production: Production, packed: object) -> None:
        """Keep what came in a file. Raises DearHostError where it cannot be used."""


def packed_beside(production: Production) -> dict[str, object]:
    """What is kept beside a production, by the name of its keeper."""
    found = ((name, keeper.packed(production)) for name, keeper in _keepers().items())
    return {name: packed for name, packed in found if packed is not None}


def take_beside(production: Production, packed: Mapping[str, object]) -> tuple[str, ...]:
    """Keep what came in a file; the notes say what of it could not be used."""
    notes = []
    for name, keeper in _keepers().items():
        if name in packed:
            try:
                keeper.take(production, packed[name])
            except DearHostError as error:
                notes.append(str(error))
    return tuple(notes)


@cache
def _keepers() -> dict[str, Keeper]:
    return {name: import_string(path)() for name, path in settings.KEPT_BESIDE.items()}
