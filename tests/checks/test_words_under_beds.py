"""Whether words are understood as well with music under them, by a recogniser the mix knows nothing of (Whisper
tiny.en, Radford et al. 2022)."""

from __future__ import annotations

import difflib
import re

import numpy as np
import pytest

from dearhost.production import Studio, read_script
from dearhost.render.encoding import SAMPLE_RATE
from dearhost.render.soundtrack import film_tracks, mastered
from dearhost.sound.beds.moods import MOODS
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones
from tests.dearhost.writing.public_texts import TEXTS

WORDS = 100
TEXT = " ".join(" ".join(TEXTS["alice"].split()[:WORDS]).split())


def _bare(text: str) -> list[str]:
    return re.findall(r"[a-z']+", text.lower())


def wrong(studio: Studio, bed: str, **levels: float) -> int:
    """How many of the written words are not heard, or heard otherwise, in the film's sound."""
    script = read_script(f"# Alice\n\nMAREN: {TEXT}\n")
    production = with_tones(script, "joe", bed=bed, title_card=False, **levels)
    timeline = compile_timeline(production, studio, FrameRate.of(25))
    sound = mastered(film_tracks(timeline, studio.resources.shelf), timeline.duration)
    middle = np.mean([sound.left, sound.right], axis=0, dtype=np.float32)
    heard = studio.speaker.aligner.draft(middle, SAMPLE_RATE)
    said = [word for one in heard for word in _bare(one.text)]
    written = _bare(TEXT)
    blocks = difflib.SequenceMatcher(None, written, said, autojunk=False).get_matching_blocks()
    return len(written) - sum(block.size for block in blocks)


@pytest.fixture(scope="module")
def alone(studio: Studio) -> int:
    return wrong(studio, "none")


@pytest.mark.parametrize("bed", ["calm", "proud"])
def test_words_are_understood_as_well_under_music(studio: Studio, alone: int, bed: str) -> None:
    """Within two points of word errors, as the sound's design asks."""
    assert bed in MOODS
    under = wrong(studio, bed)
    assert under - alone <= 0.02 * WORDS, (under, alone)
    assert alone <= 0.06 * WORDS


def test_music_as_loud_as_the_voice_is_in_its_way(studio: Studio, alone: int) -> None:
    """What the check can tell: under a bed that does not give way words are lost."""
    assert wrong(studio, "proud", bed_under=-6.0, bed_pause=-6.0) - alone > 0.02 * WORDS
