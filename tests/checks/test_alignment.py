"""Word times in recordings against real speech with published labels.

The two sentences and their labels by hand are in the source package of praatio (MIT licence), made for its tutorials.
"""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest

from dearhost.sound.files import read_sound
from dearhost.speech import VoiceRegistry
from dearhost.speech.aligning import Aligner

SAMPLES = Path(__file__).parents[2] / ".venv" / "samples" / "praatio-6.2.2" / "examples" / "files"
SENTENCES = {
    "bobby": ("Bobby ripped the ledger.", [0.0647, 0.4116, 0.6577, 0.7408], 1.1171),
    "mary": ("Mary rolled the barrel.", [0.3154, 0.6755, 0.9839, 1.0637], 1.5183),
}
"""Word starts and the last word's end in seconds, read off the labels."""


@pytest.fixture(scope="module")
def aligner(tmp_path_factory):
    return Aligner(VoiceRegistry(tmp_path_factory.mktemp("voices")).references)


@pytest.mark.parametrize(("noise_db", "within"), [(None, 0.025), (20.0, 0.030)])
def test_words_of_real_speech_are_where_their_labels_say(aligner, noise_db, within):
    inner, outer = [], []
    for name, (text, starts, end) in SENTENCES.items():
        sound = read_sound(SAMPLES / f"{name}.wav")
        samples = sound.samples
        if noise_db is not None:
            level = np.sqrt((samples**2).mean()) * 10 ** (-noise_db / 20)
            samples = samples + np.random.default_rng(5).normal(0, level, len(samples)).astype(np.float32)
        found = aligner.align(samples, sound.rate, text, "en-US")
        assert found.method == "model"
        assert not found.skipped
        errors = [abs(w.start - s) for w, s in zip(found.words, starts, strict=True)]
        inner += errors[1:]
        outer += [errors[0], abs(found.words[-1].end - end)]
    assert np.mean(inner) <= within, inner
    assert max(inner) <= 0.08, inner
    assert max(outer) <= 0.09, outer  # one of the recordings is cut so close that it has no silence to tell it from


def test_a_word_left_out_and_a_word_put_in_are_found_in_real_speech(aligner):
    sound = read_sound(SAMPLES / "mary.wav")
    left_out = aligner.align(sound.samples, sound.rate, "Mary rolled the umbrella barrel.", "en-US")
    assert left_out.skipped == (3,)
    put_in = aligner.align(sound.samples, sound.rate, "Mary the barrel.", "en-US")
    assert not put_in.skipped
    assert any(s.start < 0.98 and s.end > 0.69 for s in put_in.added), put_in.added
