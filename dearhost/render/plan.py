"""What to render, resolved once, and its chunks, each named by everything that affects its bytes."""

from __future__ import annotations

from dataclasses import dataclass, field
from pathlib import Path

from dearhost.render.encoding import VideoCodec
from dearhost.stage import Picture, Timeline, first_frame, transition_seconds
from dearhost.storage import fingerprint

VERSION = "film-6"
CHUNK_FRAMES = 300


@dataclass(frozen=True, slots=True)
class RenderSettings:
    """How a film is made. ``data`` is the folder of fonts, hosts and pictures; ``soft_captions`` puts a subtitle track
    into the file."""

    picture: Picture
    data: Path
    codec: VideoCodec = field(default_factory=VideoCodec)
    soft_captions: bool = False


@dataclass(frozen=True, slots=True)
class Chunk:
    """Frames [first, last) of the film; ``name`` is its file's."""

    first: int
    last: int
    name: str

    @property
    def frames(self) -> int:
        """How many."""
        return self.last - self.first


def plan_chunks(timeline: Timeline, settings: RenderSettings) -> tuple[Chunk, ...]:
    """Chunks of at most 300 frames, cut at scene borders first."""
    chunks: list[Chunk] = []
    scenes = timeline.scenes
    for index, scene in enumerate(scenes):
        start = first_frame(timeline, scene)
        end = first_frame(timeline, scenes[index + 1]) if index + 1 < len(scenes) else timeline.frames
        coming = transition_seconds(scene.choices.transition) if index else 0.0
        parts = max(1, -(-(end - start) // CHUNK_FRAMES))
        for part in range(parts):
            first = start + (end - start) * part // parts
            last = start + (end - start) * (part + 1) // parts
            opens = first - start < coming * float(timeline.frame_rate.value)
            before = scenes[index - 1].fingerprint if opens else ""
            lead = _lead(timeline, index, start) if opens else 0
            look = (settings.picture, settings.codec, timeline.frame_rate)
            place = (first - start, last - first, lead, scene.choices.transition if opens else "")
            name = fingerprint(VERSION, scene.fingerprint, before, place, look)
            if last > first:
                chunks.append(Chunk(first, last, f"{name}.{settings.codec.form}"))
    return tuple(chunks)


def _lead(timeline: Timeline, index: int, start: int) -> int:
    """How many frames the scene before has shown when this one starts."""
    return start - first_frame(timeline, timeline.scenes[index - 1])
