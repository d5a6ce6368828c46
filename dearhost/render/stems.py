"""The sound of a film in its parts, each as long as the film, with a cue sheet of what is heard when."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator, Mapping
from pathlib import Path

import numpy as np

from dearhost.assets.shelf import Shelf
from dearhost.errors import RenderError
from dearhost.render.encoding import SAMPLE_RATE
from dearhost.render.soundtrack import film_tracks
from dearhost.sound import STINGS, mix
from dearhost.sound.beds import MOODS, STYLES
from dearhost.sound.files import write_stereo
from dearhost.stage import Timeline
from dearhost.storage import write_text

KINDS = ("wav", "flac")
CUE_SHEET = "cue-sheet.csv"
_MADE_HERE = "made here, free to use"
Rights = Mapping[str, tuple[str, str, str]]
"""By thing of the shelf: its title, author and licence."""


def write_stems(timeline: Timeline, shelf: Shelf, folder: Path, kind: str, rights: Rights) -> list[Path]:
    """Write ``voice``, ``stings``, ``bed`` and ``footage``, as far as the film has them, and the cue sheet; returns
    their paths. Added up they are the film before it is brought to its loudness. Raises RenderError for another
    kind."""
    if kind not in KINDS:
        raise RenderError(f"Parts are written as {' or '.join(KINDS)}, not as '{kind}'.")
    written = []
    for track in film_tracks(timeline, shelf):
        sound = mix([track], timeline.duration, SAMPLE_RATE)
        path = folder / f"{track.name}.{kind}"
        write_stereo(path, np.stack([sound.left, sound.right], axis=1), SAMPLE_RATE, kind=kind)
        written.append(path)
    sheet = folder / CUE_SHEET
    write_text(sheet, cue_sheet(timeline, rights))
    return [*written, sheet]


def cue_sheet(timeline: Timeline, rights: Rights) -> str:
    """What is heard beside the voice, when, and whose it is, as CSV (RFC 4180)."""
    buffer = io.StringIO()
    rows = csv.writer(buffer, lineterminator="\r\n")
    rows.writerow(("part", "title", "begins", "ends", "author", "licence"))
    for row in sorted(_rows(timeline, rights), key=lambda row: (row[2], row[0])):
        part, title, begins, ends, author, licence = row
        rows.writerow((part, title, f"{begins:.3f}", f"{ends:.3f}", author, licence))
    return buffer.getvalue()


def _rows(timeline: Timeline, rights: Rights) -> Iterator[tuple[str, str, float, float, str, str]]:
    for bed in timeline.beds:
        if bed.spec:
            title = f"{MOODS[bed.spec.mood].words}, {STYLES[bed.spec.style].words}, number {bed.spec.seed}"
            yield "bed", title, bed.start, bed.end, "", _MADE_HERE
        else:
            title, author, licence = rights.get(bed.item, ("own music", "", "not said"))
            yield "bed", title, bed.start, bed.end, author, licence
    for scene in timeline.scenes:
        for sting in scene.stings:
            begins = scene.start + sting.at
            lasts = sting.seconds if STINGS[sting.name].lasts and sting.seconds else 0.0
            yield "stings", sting.name, begins, begins + lasts, "", _MADE_HERE
        for clip in scene.footage:
            title, author, licence = rights.get(clip.item, ("own clip", "", "not said"))
            yield "footage", title, scene.start + clip.at, scene.start + clip.at + clip.seconds, author, licence
