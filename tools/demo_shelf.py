"""Draws what lies on the shelf of the demo: ``python -m tools.demo_shelf``. Nobody real is in it."""

from __future__ import annotations

import math
import subprocess
import sys
import tempfile
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

import av
import numpy as np
import skia

from dearhost.drawing.colours import mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops import Scenery, draw_set
from dearhost.stage.layout.shapes import Picture

SHELF = Path(__file__).resolve().parent.parent / "demo" / "shelf"
_WIDE = Picture.of("16:9", 1080)
_CLIP = Picture.of("16:9", 720)
_RATE, _SECONDS = 25, 8
_Drawing = Callable[[Any, Picture, float], None]


def main() -> None:
    """Write all of them."""
    SHELF.mkdir(exist_ok=True)
    _write_picture("harbour-wall-at-low-water.jpg", _harbour_wall)
    _write_picture("the-tide-room.jpg", lambda canvas: draw_set(canvas, Scenery("museum", "moss", "morning"), _WIDE))
    _write_picture("pier-in-the-evening.jpg", lambda canvas: draw_set(canvas, Scenery("pier", "plum", "dusk"), _WIDE))
    _write_picture("pocket-tide-clock.jpg", lambda canvas: _product(canvas, ("tide-clock",)))
    _write_picture("what-the-staff-reads.jpg", lambda canvas: _product(canvas, ("ruler", "wave")))
    _write_picture("shells-of-the-slipway.jpg", lambda canvas: _product(canvas, ("shell", "starfish", "crab")))
    _write_clip("water-at-the-slipway.mp4", _water)
    _write_clip("gulls-over-the-pier.mp4", _gulls)
    for interview in INTERVIEWS:
        _write_interview(*interview)
    _write_before_green("keeper-before-green.png", "walter")


def _harbour_wall(canvas: Any) -> None:
    draw_set(canvas, Scenery("quay", "harbour", "noon"), _WIDE)
    paper = Paper(canvas, _WIDE.unit)
    draw_thing(paper, "boat", 640, 610, 190)
    draw_thing(paper, "gull", 1290, 250, 110)


def _product(canvas: Any, things: Sequence[str]) -> None:
    paper = Paper(canvas, _WIDE.unit)
    canvas.clear(skia.Color(0xE9, 0xDC, 0xC2))
    paper.flat(cut_rect(-10, 760, 1940, 330, 0), "#C9A97A")
    paper.flat(cut_disc(960, 500, 430, 0.02, 16), "#F5ECD8")
    for index, thing in enumerate(things):
        draw_thing(paper, thing, 960 + (index - (len(things) - 1) / 2) * 430, 530, 520 if len(things) == 1 else 400)


def _water(canvas: Any, picture: Picture, turn: float) -> None:
    """Bands of water that rise and fall; ``turn`` goes from 0 to 1 and begins again."""
    paper = Paper(canvas, picture.unit)
    width, height = picture.width, picture.height
    canvas.clear(skia.Color(0xBF, 0xDA, 0xDC))
    paper.flat(cut_rect(-9, -9, width + 18, height * 0.30, 0), "#D6E5DE")
    paper.flat(cut_disc(width * 0.74, height * 0.17, height * 0.07, 0.0, 14), "#F3C56A")
    for index in range(7):
        part = index / 6
        length = width * (0.10 + 0.10 * part)
        waves = 1 if index % 2 else 2
        swell = math.sin(2 * math.pi * (turn * waves + index * 0.17)) * height * 0.012
        top = height * (0.34 + 0.105 * index) + swell
        colour = mix("#8FBFB2", "#1E5F63", part)
        phase = (turn * waves * length) % length
        band = wave_band(
            top, height * (0.008 + 0.010 * part), length, -2 * length, width + 2 * length, height + 9, phase
        )
        paper.flat(band, colour)
    for index in range(5):
        along = (turn + index / 5) % 1.0
        glint = cut_rect(width * along, height * (0.46 + 0.09 * (index % 4)), width * 0.05, height * 0.006, 0)
        paper.flat(glint, "#CFE3DC")


def _gulls(canvas: Any, picture: Picture, turn: float) -> None:
    draw_set(canvas, Scenery("pier", "harbour", "morning"), picture)
    paper = Paper(canvas, picture.unit)
    for index, (speed, at, size) in enumerate(((1, 0.14, 92), (1, 0.26, 64), (1, 0.20, 48))):
        along = (turn * speed + index * 0.37) % 1.0
        lift = math.sin(2 * math.pi * (turn * 3 + index * 0.4)) * 0.018
        draw_thing(paper, "gull", picture.width * (1.15 - 1.3 * along), picture.height * (at + lift), size)


INTERVIEWS = (
    (
        "visitor-hanne.mp4", "hanne", "joan", "garden",
        "I come for the, um, [[cue: pause 0.5]] for the quiet. [[cue: pause 1.3]] "
        "At low water you can hear the whole harbour drip.",
    ),
    (
        "visitor-dayo.mp4", "dayo", "simon", "quay",
        "My daughter, my daughter counts the steps of the slipway. [[cue: pause 1.1]] "
        "She has got to, uh, thirty one.",
    ),
    (
        "keeper-walter.mp4", "walter", "walter", "study",
        "We wind the clock when the sea is lowest. [[cue: pause 1.2]] Then we, um, wait for it to come back.",
    ),
)  # fmt: skip
"""People nobody knows, asked in front of a camera: file, host, voice, set, and what they say, as they say it."""


def _write_interview(name: str, host: str, voice: str, place: str, text: str) -> None:
    """Somebody who is asked, and hesitates."""
    _render(SHELF / name, text, "--host", host, "--voice", voice, "--set", place, "--height", "540")


def _write_before_green(name: str, host: str) -> None:
    """Somebody before a green ground, to be cut out."""
    with tempfile.TemporaryDirectory() as folder:
        film = Path(folder) / "green.mp4"
        _render(film, "I wind the clock.", "--host", host, "--set", "green", "--height", "720")
        with av.open(str(film)) as container:
            frames = container.decode(video=0)
            frame = next(frame for number, frame in enumerate(frames) if number == _RATE)
        pixels = np.ascontiguousarray(frame.to_ndarray(format="bgra"))
    image = skia.Image.fromarray(pixels, colorType=skia.kBGRA_8888_ColorType)
    (SHELF / name).write_bytes(bytes(image.encodeToData()))


def _render(film: Path, text: str, *look: str) -> None:
    with tempfile.TemporaryDirectory() as folder:
        script = Path(folder) / "said.md"
        script.write_text(text, encoding="utf-8")
        asked = [str(script), "--out", str(film), "--captions", "none", "--fps", str(_RATE), *look]
        subprocess.run([sys.executable, "-m", "dearhost.cli", "render", *asked], check=True)


def _write_picture(name: str, draw: Callable[[Any], None]) -> None:
    surface = skia.Surface(_WIDE.width, _WIDE.height)
    draw(surface.getCanvas())
    (SHELF / name).write_bytes(bytes(surface.makeImageSnapshot().encodeToData(skia.kJPEG, 88)))


def _write_clip(name: str, draw: _Drawing) -> None:
    count = _RATE * _SECONDS
    surface = skia.Surface(_CLIP.width, _CLIP.height)
    with av.open(str(SHELF / name), "w") as container:
        stream = container.add_stream("libx264", rate=_RATE)
        stream.width, stream.height, stream.pix_fmt = _CLIP.width, _CLIP.height, "yuv420p"
        stream.options = {"crf": "27", "preset": "slow"}
        for number in range(count):
            draw(surface.getCanvas(), _CLIP, number / count)
            pixels = surface.toarray(colorType=skia.kBGRA_8888_ColorType)
            frame = av.VideoFrame.from_ndarray(np.ascontiguousarray(pixels), format="bgra")
            frame.pts = number
            container.mux(stream.encode(frame))
        container.mux(stream.encode())


if __name__ == "__main__":
    main()
