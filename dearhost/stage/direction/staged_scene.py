"""A scene with its hosts, spots and readings in time: what direction works from."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from dearhost.hosts import Host
from dearhost.production import Choices, Production, Studio, is_in_clip
from dearhost.script import Line, Scene, Spot
from dearhost.speech import Reading

HeardLine = tuple[Line, float, Reading]
"""A line, when it begins in the scene, and its reading."""


@dataclass(frozen=True)
class StagedScene:
    """``players`` and ``spots`` are by host id, ``heard`` in the order of the script."""

    production: Production
    scene: Scene
    choices: Choices
    players: Mapping[str, Host]
    spots: Mapping[str, Spot]
    heard: tuple[HeardLine, ...] = ()

    @classmethod
    def of(cls, production: Production, scene: Scene, lines: tuple[Line, ...], studio: Studio) -> StagedScene:
        """A scene of a checked production, its hosts in the looks they wear there; not yet in time."""
        production = production.dressed_for(scene, studio)
        acted = [line for line in lines if not is_in_clip(line)]
        ids = dict.fromkeys(production.entry(name).host for name in production.speakers_in(acted))
        placed = scene.staging.blocking.items()
        spots = {production.entry(name).host: spot for name, spot in placed if name in production.cast}
        players = {host: studio.hosts.host(host) for host in ids}
        return cls(production, scene, production.choices_for(scene), players, spots)

    def in_time(self, heard: tuple[HeardLine, ...]) -> StagedScene:
        """The same with its lines placed in time."""
        return replace(self, heard=heard)

    @property
    def shape(self) -> str:
        """The picture's."""
        return self.choices.shape

    def host_of(self, line: Line) -> str:
        """The id of the host who says a line."""
        return self.production.entry(line.speaker).host

    @property
    def acted(self) -> list[HeardLine]:
        """The lines that hosts say; the others are said in clips."""
        return [item for item in self.heard if not is_in_clip(item[0])]

    def said_by(self, host: str) -> list[HeardLine]:
        """The lines of one host."""
        return [item for item in self.acted if self.host_of(item[0]) == host]
