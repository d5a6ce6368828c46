"""One throw-away data folder for the whole run; the fonts and the engine's files of the set-up are linked into it."""

from __future__ import annotations

import os
import tempfile
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
INSTALLED = Path(os.environ.get("DEAR_HOST_DATA", ROOT / "data"))
_DATA = tempfile.TemporaryDirectory(prefix="dear-host-tests-")
os.environ["DEAR_HOST_DATA"] = _DATA.name
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")  # the browser driver keeps an event loop in this thread
(Path(_DATA.name) / "fonts").symlink_to(INSTALLED / "fonts")
(INSTALLED / "voices" / "engine").mkdir(parents=True, exist_ok=True)
(Path(_DATA.name) / "voices").mkdir()
(Path(_DATA.name) / "voices" / "engine").symlink_to(INSTALLED / "voices" / "engine")

import pytest

from dearhost.films import Studio
from dearhost.script import Script, read_script
from dearhost.stage import CastEntry, Picture, Production, Timeline, compile_timeline
from dearhost.timebase import FrameRate

SHORT_SCRIPT = """# The pier

MAREN: Mama may bring a boat. Papa mends the map.

# The tide room

SKERRY: Maybe I do not.
"""


@pytest.fixture(scope="session")
def studio() -> Studio:
    """Voices, caches and fonts of the run."""
    return Studio()


@pytest.fixture(scope="session")
def short_script() -> Script:
    """Two scenes, two speakers, a few seconds."""
    return read_script(SHORT_SCRIPT)


def with_tones(script: Script, voice: str = "fake", **choices: object) -> Production:
    """A production spoken by the voice that needs no model, or by ``voice``."""
    hosts = ("maren", "skerry", "tobias", "imani")
    cast = {s: CastEntry(h, voice) for s, h in zip(script.speakers(), hosts, strict=False)}
    return Production(script, cast, **choices)  # type: ignore[arg-type]


@pytest.fixture
def timeline(studio: Studio, short_script: Script) -> Timeline:
    """The short script on the stage at 30 frames a second."""
    return compile_timeline(with_tones(short_script), studio.speaker, FrameRate.of(30))


@pytest.fixture(scope="session")
def small() -> Picture:
    """The smallest picture."""
    return Picture.of("16:9", 360)
