"""Whether drafts run as long as they say when a voice reads them, and how long drafting and shortening take."""

from __future__ import annotations

import time
from collections.abc import Iterator
from pathlib import Path

from dearhost.production import Studio
from dearhost.script import Scene, placeholders
from dearhost.stage.pacing import place_lines, sources_of
from dearhost.writing.audience import read_audience
from dearhost.writing.brief_reading import BriefRead, read_brief
from dearhost.writing.draft_script import script_of
from dearhost.writing.drafts import Draft, draft_all
from dearhost.writing.english.stems import sentences
from dearhost.writing.pace import Pace
from dearhost.writing.reworking.shortening import shortened
from tests.dearhost.writing.briefs import ALL, SPEAKERS
from tests.dearhost.writing.public_texts import TEXTS

_VOICE = "joe"
_TARGETS = (30.0, 60.0)


def drafts_read_aloud(folder: Path) -> Iterator[str]:
    """Every offered draft of six briefs, read by the neural voice; open slots keep the seconds they are given."""
    studio = Studio(folder)
    near: list[bool] = []
    for name, brief in ALL.items():
        read = read_brief(brief, SPEAKERS)
        for target in _TARGETS:
            for draft in draft_all(read, target).drafts:
                ran = _read(studio, draft, read) + draft.open_seconds
                near.append(abs(ran - target) <= 0.05 * target)
        yield f"{name}: {sum(near)} of {len(near)} within 5 % so far"
    yield f"drafts within 5 % of their target, read aloud: {sum(near) / len(near):.0%} of {len(near)} (aim 90 %)"


def _read(studio: Studio, draft: Draft, read: BriefRead) -> float:
    return sum(_scene_seconds(studio, scene) for scene in script_of(draft, read).scenes if scene.lines)


def _scene_seconds(studio: Studio, scene: Scene) -> float:
    spoken = [line for line in scene.lines if "{" not in line.text or not placeholders(line.text)]
    durations = [studio.speaker.read(line.text.replace("[name]", "Ines"), _VOICE).duration for line in spoken]
    return place_lines(durations, sources_of(spoken))[1] if durations else 0.0


def writing_speed(folder: Path) -> Iterator[str]:
    """Seconds of what a person waits for, second run (models loaded), beside loading the models."""
    began = time.perf_counter()
    read = read_brief(ALL["lantern"], SPEAKERS)
    draft_all(read, 60.0)
    loading = time.perf_counter() - began
    for target in (60.0, 180.0):
        began = time.perf_counter()
        made = draft_all(read_brief(ALL["limpet"], SPEAKERS), target)
        took = time.perf_counter() - began
        offered = len(made.drafts)
        yield f"all structures at {target:.0f} s: {took:.2f} s ({took / loading:.2f} of loading, {offered} offered)"
    text = [sentence for part in TEXTS.values() for sentence in sentences(" ".join(part.split()))]
    pace, began = Pace(), time.perf_counter()
    whole, kept = 0.0, []
    for sentence in text:
        whole += pace.seconds(sentence)
        kept.append(sentence)
        if whole > 180:
            break
    shortened(kept, 60.0, pace)
    yield f"three minutes to one: {time.perf_counter() - began:.2f} s (aim 2)"
    comments = [f"{text[n % len(text)]} {text[(7 * n) % len(text)]}"[:160] for n in range(5_000)]
    began = time.perf_counter()
    read_audience(comments)
    yield f"5,000 comments: {time.perf_counter() - began:.1f} s (aim 10)"
