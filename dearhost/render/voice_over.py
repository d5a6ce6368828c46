"""The voice alone, for use elsewhere: sound files by whole, scene, line or speaker, with word times and a cue sheet."""

from __future__ import annotations

import csv
import io
import json
import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import RenderError
from dearhost.formats import TimedText, to_srt
from dearhost.render.soundtrack import VOICE
from dearhost.script import display_name
from dearhost.sound import Placement, Track, mix
from dearhost.sound.files import KINDS, write_sound
from dearhost.stage import SceneTimeline, Timeline
from dearhost.stage.captions import Caption
from dearhost.stage.timeline import PlacedLine

SCOPES = ("whole", "scene", "line", "speaker")
LOUDNESS = (-16.0, -19.0, -23.0, 0.0)
"""LUFS: films here, mono podcasts (AES TD1008 asks for -16 to -20 of speech), broadcast (EBU R 128); 0 leaves it."""
RATES = (16_000, 22_050, 24_000, 44_100, 48_000)
PATTERN = "{title}-{number:02}-{name}"
_FIELDS = ("title", "number", "name", "scene", "line", "speaker")
_FIELD = re.compile(r"\{(" + "|".join(_FIELDS) + r")(?::0?(\d))?\}")
_EDGE = 0.05


@dataclass(frozen=True, slots=True)
class VoiceOverOrder:
    """What to write: ``scope`` one of ``SCOPES``, ``kind`` a kind of sound file, ``rate`` in Hz, ``loudness`` in LUFS
    (0 as it comes), ``pattern`` of file names with the fields {title} {number} {name} {scene} {line} {speaker}."""

    scope: str = "whole"
    kind: str = "wav"
    rate: int = 48_000
    loudness: float = -16.0
    pattern: str = PATTERN

    def checked(self) -> VoiceOverOrder:
        """The same. Raises RenderError naming what cannot be had."""
        for what, value, known in (
            ("division", self.scope, SCOPES),
            ("kind of file", self.kind, tuple(KINDS)),
            ("sample rate", self.rate, RATES),
            ("loudness", self.loudness, LOUDNESS),
        ):
            if value not in known:
                raise RenderError(f"There is no {what} '{value}'. Choose one of: {', '.join(map(str, known))}.")
        if self.kind == "opus" and self.rate not in (16_000, 24_000, 48_000):
            raise RenderError("Opus has 16000, 24000 or 48000 samples a second. Choose one of these.")
        if re.search(r"[{}]", _FIELD.sub("", self.pattern)) or not self.pattern.strip(". "):
            fields = " ".join(f"{{{f}}}" for f in _FIELDS)
            raise RenderError(f"This pattern of names cannot be used. Its fields are {fields}.")
        return self

    def name(self, **fields: str | int) -> str:
        """The pattern with its fields filled in; numbers with as many digits as it asks for."""
        return _FIELD.sub(lambda m: str(fields[m[1]]).rjust(int(m[2] or 0), "0"), self.pattern)


@dataclass(frozen=True, slots=True)
class Part:
    """What goes into one file: lines with their times in it, and how long it is."""

    name: str
    scene: int
    line: int
    speaker: str
    heard: tuple[tuple[float, PlacedLine], ...]
    seconds: float


def write_voice_over(timeline: Timeline, folder: Path, order: VoiceOverOrder) -> list[Path]:
    """Write the sound files, ``words.json``, ``cues.csv`` and captions as SRT into ``folder``: beside each sound file,
    in its own time, where there are several.

    Raises RenderError, StorageFull.
    """
    order.checked()
    folder.mkdir(parents=True, exist_ok=True)
    written: list[Path] = []
    words: list[dict[str, Any]] = []
    of_line = _captions_of_lines(timeline)
    for number, part in enumerate(_parts(timeline, order.scope), 1):
        name = _file_name(order, timeline, part, number, {path.stem for path in written})
        path = folder / f"{name}.{order.kind}"
        write_sound(path, _sound(part, order), order.rate, kind=order.kind)
        captions = folder / ("captions.srt" if order.scope == "whole" else f"{name}.srt")
        captions.write_text(to_srt(_captions(part, of_line)), encoding="utf-8")
        written += [path, captions]
        words.append({"file": path.name, "seconds": round(part.seconds, 3), "lines": _words(part)})
    for name, text in (
        ("words.json", json.dumps({"title": timeline.title, "files": words}, ensure_ascii=False, indent=1)),
        ("cues.csv", cue_sheet(timeline)),
    ):
        (folder / name).write_text(text, encoding="utf-8")
        written.append(folder / name)
    return written


def _parts(timeline: Timeline, scope: str) -> Iterator[Part]:
    if scope == "scene":
        for scene in timeline.scenes:
            heard = tuple((line.span.start, line) for line in scene.lines)
            yield Part(scene.heading or f"scene {scene.number}", scene.number, 0, "", heard, scene.duration)
        return
    if scope == "line":
        for scene in timeline.scenes:
            for index, line in enumerate(scene.lines, 1):
                name = " ".join(line.text.split()[:5])
                seconds = line.reading.duration + 2 * _EDGE
                yield Part(name, scene.number, index, line.speaker, ((_EDGE, line),), seconds)
        return
    every = [(scene.start + line.span.start, line) for scene in timeline.scenes for line in scene.lines]
    if scope == "whole":
        yield Part("voice", 0, 0, "", tuple(every), timeline.duration)
        return
    for speaker in dict.fromkeys(line.speaker for _, line in every):
        mine = tuple((at, line) for at, line in every if line.speaker == speaker)
        yield Part(display_name(speaker) or "voice", 0, 0, speaker, mine, timeline.duration)


def _sound(part: Part, order: VoiceOverOrder) -> np.ndarray:
    from dearhost.sound.mastering import master  # noqa: PLC0415 - expensive to load

    placements = tuple(Placement(at, line.reading.sample_rate, line.reading.samples) for at, line in part.heard)
    sound = mix([Track(VOICE, placements)], part.seconds, order.rate)
    return (master(sound, order.rate, target=order.loudness) if order.loudness else sound).left


def _captions_of_lines(timeline: Timeline) -> dict[str, list[Caption]]:
    """The captions of each line, by its id."""
    found = {}
    for scene in timeline.scenes:
        for line in scene.lines:
            first, last = line.span.start, line.span.start + line.reading.duration
            found[line.id] = [c for c in scene.captions if first <= (c.start + c.words[-1].end) / 2 <= last]
    return found


def _captions(part: Part, of_line: Mapping[str, list[Caption]]) -> list[TimedText]:
    """The captions of the part's lines, in its own time."""
    texts = (caption.timed_text(at - line.span.start) for at, line in part.heard for caption in of_line[line.id])
    return [replace(text, end=min(text.end, part.seconds)) for text in texts]


def _words(part: Part) -> list[dict[str, Any]]:
    return [
        {
            "speaker": line.speaker,
            "text": line.text,
            "words": [
                {"text": w.text, "start": round(at + w.start, 3), "end": round(at + w.end, 3)}
                for w in line.reading.words
            ],
        }
        for at, line in part.heard
    ]


def cue_sheet(timeline: Timeline) -> str:
    """Every line with its times in the whole, as CSV (RFC 4180)."""
    buffer = io.StringIO()
    table = csv.writer(buffer)
    table.writerow(("start", "end", "scene", "line", "speaker", "text"))
    for scene, index, line in _numbered(timeline.scenes):
        at = scene.start + line.span.start
        times = (f"{at:.3f}", f"{at + line.reading.duration:.3f}")
        table.writerow((*times, scene.number, index, display_name(line.speaker), line.text))
    return buffer.getvalue()


def _numbered(scenes: Iterable[SceneTimeline]) -> Iterator[tuple[SceneTimeline, int, PlacedLine]]:
    for scene in scenes:
        for index, line in enumerate(scene.lines, 1):
            yield scene, index, line


def _file_name(order: VoiceOverOrder, timeline: Timeline, part: Part, number: int, taken: set[str]) -> str:
    """By the pattern, with nothing in it that a file system would stumble on, and no name twice."""
    made = order.name(
        title=timeline.title, number=number, name=part.name, scene=part.scene, line=part.line,
        speaker=display_name(part.speaker) or "voice",
    )  # fmt: skip
    name = re.sub(r"[^\w.-]+", "-", made.strip().lower()).strip(".-")[:90] or f"voice-{number:02}"
    while name in taken:
        name = f"{name}-{number}"
    return name
