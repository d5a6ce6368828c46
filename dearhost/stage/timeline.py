"""What is on the picture, from when to when: immutable, independent of size in pixels."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Any

from dearhost.hosts import Role
from dearhost.speech import Reading
from dearhost.stage.captions import Caption
from dearhost.timebase import FrameRate, Span

DISSOLVE = 0.40
"""Seconds a dissolve takes at the start of the later scene."""


@dataclass(frozen=True)
class PlacedHost:
    """A host in place: head centre as fractions of the picture, head height as a fraction of its height."""

    host: str
    x: float
    y: float
    head: float
    role: Role


@dataclass(frozen=True)
class PlacedLine:
    """A spoken line, scene time in seconds."""

    id: str
    speaker: str
    span: Span
    text: str
    voice: str
    reading: Reading


@dataclass(frozen=True, slots=True)
class Title:
    """A scene's heading, shown at its start."""

    number: int
    text: str
    span: Span


@dataclass(frozen=True)
class SceneTimeline:
    """One scene. ``fingerprint`` names everything in it that affects pixels or sound."""

    id: str
    number: int
    heading: str
    start: float
    duration: float
    set: str
    hosts: tuple[PlacedHost, ...]
    lines: tuple[PlacedLine, ...]
    captions: tuple[Caption, ...]
    title: Title | None
    fingerprint: str

    @property
    def span(self) -> Span:
        """In the film."""
        return Span(self.start, self.start + self.duration)

    def silent(self) -> SceneTimeline:
        """Without the sound of its lines."""
        hosts = tuple(replace(host, role=host.role.silent()) for host in self.hosts)
        lines = tuple(replace(line, reading=line.reading.silent()) for line in self.lines)
        return replace(self, hosts=hosts, lines=lines)

    def caption_at(self, moment: float) -> Caption | None:
        """The caption on screen at ``moment`` (scene time)."""
        return next((c for c in self.captions if c.start <= moment < c.end), None)


@dataclass(frozen=True)
class Timeline:
    """A whole film. ``burned`` tells whether captions are part of the picture."""

    title: str
    language: str
    shape: str
    frame_rate: FrameRate
    burned: bool
    transition: str
    scenes: tuple[SceneTimeline, ...]

    @property
    def duration(self) -> float:
        """Seconds."""
        return self.scenes[-1].span.end if self.scenes else 0.0

    @property
    def frames(self) -> int:
        """The number of frames of the film."""
        return self.frame_rate.frames_in(self.duration)

    def silent(self) -> Timeline:
        """Without the sound of its lines: all that painting needs, a fraction of the size."""
        return replace(self, scenes=tuple(scene.silent() for scene in self.scenes))

    def scene_index_at(self, moment: float) -> int:
        """The scene at ``moment`` in the film; the last one beyond the end."""
        for index, scene in enumerate(self.scenes):
            if moment < scene.span.end:
                return index
        return len(self.scenes) - 1


def scene_times(scene: SceneTimeline) -> dict[str, Any]:
    """A scene's times as plain data for an interface: lines, words, mouth shapes, loudness."""
    lines = []
    for line in scene.lines:
        prosody = line.reading.prosody
        step = max(1, round(prosody.rate / 25))
        lines.append(
            {
                "id": line.id,
                "speaker": line.speaker,
                "start": round(line.span.start, 4),
                "end": round(line.span.end, 4),
                "words": [
                    {
                        "text": w.text,
                        "start": round(w.start + line.span.start, 4),
                        "end": round(w.end + line.span.start, 4),
                        "from": w.from_,
                        "to": w.to,
                    }
                    for w in line.reading.words
                ],
                "loudness": {
                    "rate": prosody.rate / step,
                    "values": [round(max(0.0, min(1.0, (float(v) + 50) / 40)), 3) for v in prosody.loudness[::step]],
                },
            }
        )
    return {
        "id": scene.id,
        "number": scene.number,
        "heading": scene.heading,
        "start": round(scene.start, 4),
        "duration": round(scene.duration, 4),
        "fingerprint": scene.fingerprint,
        "lines": lines,
    }
