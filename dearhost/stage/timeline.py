"""What is on the picture, from when to when: immutable, independent of size in pixels."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any

import numpy as np

from dearhost.hosts import Role
from dearhost.production import Choices
from dearhost.production.colours import USUAL, Colours
from dearhost.production.shown_cues import BY_HAND
from dearhost.script import Cue
from dearhost.sound.under_voice import Mark
from dearhost.speech import Reading, Samples
from dearhost.stage.beds import PlacedBed
from dearhost.stage.captions import Caption
from dearhost.stage.clip_time import ONCE, ClipTime
from dearhost.stage.fingerprints import picture_fingerprint
from dearhost.stage.layout.furniture import PlacedFurniture
from dearhost.stage.layout.shapes import Fractions, hand_box, panel_box
from dearhost.stage.nearing import Nearing
from dearhost.timebase import FrameRate, Span

NO_VOICE = 99.0
GLIDE = 0.55
"""Seconds in which a host steps aside for what is shown, and back."""


@dataclass(frozen=True)
class PlacedHost:
    """A host in place: head centre as fractions of the picture, head height as a fraction of its height."""

    host: str
    x: float
    y: float
    head: float


@dataclass(frozen=True)
class PlacedLine:
    """A spoken line, scene time in seconds."""

    id: str
    speaker: str
    span: Span
    text: str
    voice: str
    reading: Reading
    cues: Mapping[str, float] = field(default_factory=dict)
    """When each cue of the line happens in the scene, by its id."""
    automatic: tuple[Cue, ...] = ()
    """Cues nobody wrote."""


HEADING, TITLE_CARD = "heading", "title-card"
"""What is shown of itself at the beginning of a scene: its number and heading, under their names."""
LOGO = "logo"
"""What is shown of itself through a scene: the logo of the production."""


@dataclass(frozen=True, slots=True)
class ShownRow:
    """A row of a list: what it says, the thing that goes with it ("" for none), and when it falls, in scene time."""

    text: str
    thing: str
    at: float


@dataclass(frozen=True, slots=True)
class ClipPart:
    """From ``at`` seconds of the scene on, what is in a clip from ``source`` on is seen, ``zoom`` times nearer; it is
    ``faded`` over from the part before."""

    at: float
    source: float
    zoom: float = 1.0
    faded: bool = False


@dataclass(frozen=True)
class Shown:
    """Something on the picture for a while: ``kind`` is that of the cue that asked for it, or HEADING."""

    kind: str
    span: Span
    parameters: Mapping[str, str | float]
    said: str = ""
    """The words of its stretch."""
    rows: tuple[ShownRow, ...] = ()
    """Of a list."""
    parts: tuple[ClipPart, ...] = ()
    """Of a clip in which somebody speaks."""
    colours: Colours = USUAL
    nearings: tuple[Nearing, ...] = ()
    """Places of it that are gone to."""
    region: str = ""
    """Where it has room, as ``panel_box`` knows it, or BY_HAND; "" where it goes by its own settings."""

    def text(self, parameter: str) -> str:
        """A parameter as text, empty when it is not given."""
        return str(self.parameters.get(parameter, ""))

    def box_in(self, shape: str) -> Fractions:
        """Where it has room in a picture of a shape."""
        if self.region == BY_HAND:
            x, y, size = (float(self.parameters[name]) for name in ("x", "y", "size"))
            return hand_box(shape, x, y, size)
        return panel_box(shape, self.region or "right")

    @property
    def clip_time(self) -> ClipTime:
        """How clips are played in it."""
        return ClipTime(float(self.parameters.get("begins", 0.0)), float(self.parameters.get("speed", 1.0)))


@dataclass(frozen=True, slots=True)
class PlacedSting:
    """A sound from ``at`` seconds into the scene on; ``strength`` 1 is its usual level. What goes on does so for
    ``seconds``, 0 for once."""

    name: str
    at: float
    strength: float
    seconds: float = 0.0


@dataclass(frozen=True, slots=True)
class PlacedFootage:
    """The sound of a clip, or a sound, of the shelf, from ``at`` seconds into the scene on for ``seconds`` (0 for all
    of it), played as ``time`` says; ``strength`` 1 is its usual level."""

    item: str
    at: float
    seconds: float
    time: ClipTime = ONCE
    strength: float = 1.0


@dataclass(frozen=True, slots=True)
class FramingCut:
    """From ``at`` seconds into the scene on it is framed anew; ``speaker`` is who speaks there."""

    at: float
    framing: str
    speaker: str


@dataclass(frozen=True, slots=True)
class Bubble:
    """A window for a host over other content: its middle as fractions, its radius of the picture's height."""

    x: float
    y: float
    radius: float
    square: bool = False


@dataclass(frozen=True)
class Shot:
    """Hosts as they stand from ``start`` seconds into the scene, until the next shot."""

    start: float
    hosts: tuple[PlacedHost, ...]
    furniture: PlacedFurniture | None = None
    bubble: Bubble | None = None
    glides: bool = False
    """Whether hosts go to their places from where they were in the shot before, in ``GLIDE`` seconds."""


@dataclass(frozen=True)
class SceneTimeline:
    """One scene. ``choices`` are those that hold in it: among them its set, whether captions are part of the picture,
    how it begins and how the camera moves."""

    id: str
    number: int
    heading: str
    start: float
    duration: float
    choices: Choices
    shots: tuple[Shot, ...]
    lines: tuple[PlacedLine, ...]
    captions: tuple[Caption, ...]
    shown: tuple[Shown, ...] = ()
    stings: tuple[PlacedSting, ...] = ()
    footage: tuple[PlacedFootage, ...] = ()
    """The sound of clips that are heard."""
    bed_marks: tuple[Mark, ...] = ()
    bed_accents: tuple[float, ...] = ()
    """When a bar of the music is to begin, in scene time."""
    """Where the music is silent, or swells."""
    roles: Mapping[str, Role] = field(default_factory=dict)
    """What every host does, whether in the first shot or not."""
    notes: tuple[tuple[float, str], ...] = ()
    """(when, what) cues ask for that cannot be, and what is done instead."""

    @property
    def span(self) -> Span:
        """In the film."""
        return Span(self.start, self.start + self.duration)

    @cached_property
    def fingerprint(self) -> str:
        """Names everything in the scene that affects its pixels."""
        return picture_fingerprint(self)

    def silent(self) -> SceneTimeline:
        """Without the sound of its lines."""
        roles = {host: role.silent() for host, role in self.roles.items()}
        lines = tuple(replace(line, reading=line.reading.silent()) for line in self.lines)
        return replace(self, lines=lines, roles=roles)

    def shot_at(self, moment: float) -> int:
        """The index of the shot at ``moment`` (scene time)."""
        return max(i for i, shot in enumerate(self.shots) if i == 0 or shot.start <= moment)

    def shown_at(self, moment: float) -> list[Shown]:
        """What is on screen at ``moment`` (scene time), in the order of the script."""
        return [item for item in self.shown if item.span.holds(moment)]

    def caption_at(self, moment: float) -> Caption | None:
        """The caption on screen at ``moment`` (scene time)."""
        return next((c for c in self.captions if c.start <= moment < c.end), None)


@dataclass(frozen=True)
class Timeline:
    """A whole film."""

    title: str
    language: str
    shape: str
    frame_rate: FrameRate
    scenes: tuple[SceneTimeline, ...]
    beds: tuple[PlacedBed, ...] = ()
    """The music under them."""
    loudness: str = "-16"
    """LUFS, or "none" as it comes."""

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


def _pitch_line(pitch: Samples) -> list[float]:
    """Semitones above or below the line's median; 99 where there is no voice."""
    voiced = pitch[pitch > 0]
    middle = float(np.median(voiced)) if len(voiced) else 1.0
    return [round(12 * math.log2(float(hertz) / middle), 1) if hertz > 0 else NO_VOICE for hertz in pitch]


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
                "cues": [{"id": cue, "at": round(at, 4)} for cue, at in line.cues.items()],
                "automatic": [
                    {"kind": cue.kind, "offset": cue.start, "parameters": dict(cue.parameters)}
                    for cue in line.automatic
                ],
                "loudness": {
                    "rate": prosody.rate / step,
                    "values": [round(max(0.0, min(1.0, (float(v) + 50) / 40)), 3) for v in prosody.loudness[::step]],
                },
                "pitch": {"rate": prosody.rate / step, "values": _pitch_line(prosody.pitch[::step])},
            }
        )
    return {
        "id": scene.id,
        "number": scene.number,
        "heading": scene.heading,
        "start": round(scene.start, 4),
        "duration": round(scene.duration, 4),
        "fingerprint": scene.fingerprint,
        "notes": [{"at": round(at, 3), "text": text} for at, text in scene.notes],
        "lines": lines,
    }
