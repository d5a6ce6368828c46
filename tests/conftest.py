"""What many tests stand on: a studio, a short script, a timeline."""

from __future__ import annotations

from collections.abc import Mapping
from pathlib import Path
from typing import Any

import pytest
from hypothesis import settings
from xdist.scheduler import LoadScopeScheduling

from dearhost.assets import RecordingStore
from dearhost.assets.shelf import Shelf
from dearhost.production import CastEntry, Choices, Production, Studio, read_script
from dearhost.script import Script, Spot, Staging
from dearhost.speech import SayAs, Speaker, VoiceRegistry
from dearhost.stage import Picture, Timeline, compile_timeline
from dearhost.storage import FolderCache
from dearhost.timebase import FrameRate
from tests.data_folder import ROOT

__all__ = ["ROOT", "SHORT_SCRIPT", "speaker_at", "staging", "with_tones"]

settings.register_profile("unhurried", deadline=None)  # a busy machine is no fault of what is tested
settings.load_profile("unhurried")

SHORT_SCRIPT = """# The pier

MAREN: Mama may bring a boat. Papa mends the map.

# The tide room

SKERRY: Maybe I do not.
"""


class _ByModule(LoadScopeScheduling):
    """A module stays in one process, and so do all that need a browser: two browsers at once are too slow for both.

    By the public hook for schedulers: groups by ``xdist_group`` are written into an attribute that pytest 9.2 does not
    read any more, so that every test goes wherever there is room.
    """

    def _split_scope(self, nodeid: str) -> str:
        module = nodeid.split("::")[0]
        return "browser" if module.startswith("tests/browser/") else module


def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> LoadScopeScheduling:
    """Tests side by side, in the order of their modules: what needs a browser takes longest and begins first."""
    config.option.loadscopereorder = False
    return _ByModule(config, log)


@pytest.fixture
def quick_passwords(settings: Any) -> None:
    """A hash that takes a second to guess takes one to check."""
    settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]


@pytest.fixture(scope="session")
def studio() -> Studio:
    """Voices, caches and fonts of the run."""
    return Studio()


@pytest.fixture(scope="session")
def short_script() -> Script:
    """Two scenes, two speakers, a few seconds."""
    return read_script(SHORT_SCRIPT)


def speaker_at(registry: VoiceRegistry, folder: Path) -> Speaker:
    """Whoever reads lines with the voices of a registry, and keeps everything in a folder."""
    cache, recordings = FolderCache(folder / "cache", 10**8), RecordingStore(folder / "recordings")
    return Speaker(registry, cache, recordings, Shelf(folder / "shelf"))


def with_tones(script: Script, voice: str = "fake", say_as: tuple[SayAs, ...] = (), **choices: Any) -> Production:
    """A production spoken by the voice that needs no model, or by ``voice``."""
    hosts = ("maren", "skerry", "tobias", "imani")
    cast = {s: CastEntry(h, voice) for s, h in zip(script.speakers(), hosts, strict=False)}
    return Production(script, cast, Choices(**choices), say_as=say_as)


def staging(
    *, blocking: Mapping[str, Spot] | None = None, looks: Mapping[str, str] | None = None, **own: Any
) -> Staging:
    """A scene's staging with choices of its own by name."""
    return Staging(own, blocking or {}, looks or {})


@pytest.fixture
def timeline(studio: Studio, short_script: Script) -> Timeline:
    """The short script on the stage at 30 frames a second."""
    return compile_timeline(with_tones(short_script), studio, FrameRate.of(30))


@pytest.fixture(scope="session")
def small() -> Picture:
    """The smallest picture."""
    return Picture.of("16:9", 360)
