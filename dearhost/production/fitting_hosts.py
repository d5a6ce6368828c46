"""Hosts that fit the names of speakers."""

from __future__ import annotations

from collections.abc import Container, Mapping

from dearhost.hosts import CAST
from dearhost.languages.given_names import woman_or_man


def host_for(speaker: str, taken: Container[str], heard_as: Mapping[str, str]) -> str:
    """The id of the stock host of a speaker's own name, else of the next that is free and, where the name says whether
    it is a woman's or a man's, speaks with such a voice (``heard_as``, by voice); ``taken`` ones only where no
    other is left."""
    named = next((h.id for h in CAST.values() if h.name.split()[0].casefold() == speaker.split(" ")[0].casefold()), "")
    if named and named not in taken:
        return named
    free = [host for host in CAST if host not in taken] or list(CAST)
    wanted = woman_or_man(speaker)
    fitting = [host for host in free if wanted and heard_as[CAST[host].card.voice] == wanted]
    return (fitting or free)[0]
