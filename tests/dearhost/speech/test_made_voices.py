"""Voices made from words, and voices of a service that counts what it says."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets import RecordingStore
from dearhost.assets.shelf import Shelf
from dearhost.errors import UnknownVoice
from dearhost.speech import Speaker, VoiceRegistry, plan_words
from dearhost.speech.describing import LIMITS, Description, describe
from dearhost.speech.engines.fake import FakeEngine
from dearhost.speech.engines.service import QuotaSpent, ServiceEngine, SimulatedService
from dearhost.speech.made_voices import MadeVoice
from dearhost.storage import FolderCache
from tests.conftest import speaker_at

LANGUAGES = {"spanish": "formant-es"}
LINE = "Twice a day, the whole harbour empties."


def described(text: str) -> Description:
    return describe(text, LANGUAGES)


def test_words_move_a_voice_the_way_they_say() -> None:
    man, woman, child = described("a man").shape, described("a woman").shape, described("a child").shape
    # Peterson and Barney (1952): men 132, women 223, children 264 Hz, and ever shorter tracts; from memory
    assert man.mean < woman.mean < child.mean and man.warp < woman.warp < child.warp
    assert woman.warp / man.warp == pytest.approx(1.15, abs=0.03)
    assert described("a deep man").shape.mean < man.mean < described("a high man").shape.mean
    assert described("slow").shape.pace < 1 < described("quick").shape.pace
    assert described("very slow").shape.pace < described("slow").shape.pace < described("slightly slow").shape.pace
    assert described("not slow").shape.pace > 1
    assert described("warm").shape.tilt < 0 < described("bright").shape.tilt
    assert 0 < described("a little hoarse").shape.breath < described("hoarse").shape.breath
    assert described("even").shape.spread < 1 < described("lively").shape.spread
    assert described("an alto woman").shape.mean < woman.mean and described("an alto woman").shape.warp == woman.warp
    assert described("an old retired man in his seventies").shape == described("an old man").shape


def test_what_was_understood_and_what_was_not_is_told() -> None:
    found = described("A salty Spanish sailor, a 70-year-old man, a little hoarse")
    assert [(u.words, u.means) for u in found.understood] == [
        ("70-year-old", "older"), ("spanish", "the language"), ("man", "a man"), ("a little hoarse", "breathier"),
    ]  # fmt: skip
    assert (found.base, found.age, found.unknown) == ("formant-es", "older", ("salty", "sailor"))


@given(
    st.text(max_size=200)
    | st.lists(st.sampled_from(["very", "not", "a", "little", "deep", "high", "old", "child", "hoarse"])).map(" ".join)
)
def test_any_words_give_a_voice_within_limits(text: str) -> None:
    shape = described(text).shape
    for part, (low, high) in LIMITS.items():
        assert low <= getattr(shape, part) <= high


def test_a_made_voice_speaks_as_its_recipe_says_also_after_it_was_tuned(tmp_path: Path) -> None:
    registry, other = VoiceRegistry(tmp_path), VoiceRegistry(tmp_path)
    speaker = speaker_at(other, tmp_path)
    found = described("a young woman")
    made = registry.made.keep(MadeVoice("made-00000000000a", "Lys", "a young woman", "joe", found.shape, found.age))
    listed = other.voice(made.id)
    assert (listed.name, listed.engine, listed.language, listed.age) == ("Lys", "made", "en-US", "young")
    for mean in (found.shape.mean, 120.0):
        registry.made.keep(MadeVoice(made.id, "Lys", "", "joe", found.shape.__class__(mean=mean), ""))
        pitch = speaker.read(LINE, made.id).prosody.pitch
        assert np.median(pitch[pitch > 0]) == pytest.approx(mean, rel=0.08)
    registry.made.remove(made.id)
    with pytest.raises(UnknownVoice):
        other.voice(made.id)


def test_a_damaged_recipe_is_no_voice_and_harms_no_other(tmp_path: Path) -> None:
    (tmp_path / "made").mkdir()
    for number, text in enumerate(
        ("{", '{"id": 1}', '{"id": "made-1", "name": "x", "base": "joe", "shape": {"no": 1}}')
    ):
        (tmp_path / "made" / f"made-{number:012x}.json").write_text(text)
    assert not VoiceRegistry(tmp_path).made.all()
    assert "joe" in [v.id for v in VoiceRegistry(tmp_path).voices()]


def test_a_service_counts_what_it_says_and_says_when_it_is_spent(tmp_path: Path) -> None:
    service = SimulatedService(tmp_path, {"a": FakeEngine}, limit=40, seconds=0)
    engine = ServiceEngine(service, "a")
    sentence = plan_words("Mama may bring a boat.", "en").sentences[0]
    assert len(engine.synthesize(sentence).samples) > 0
    assert service.quota().left == 40 - len("Mama may bring a boat. ")
    with pytest.raises(QuotaSpent, match=r"17 of its 40 characters left .* takes 23"):
        engine.synthesize(sentence)
    assert service.quota().left == 17, "what was refused costs nothing"
    again = SimulatedService(tmp_path, {"a": FakeEngine}, limit=40, seconds=0)
    assert again.quota() == service.quota()
    (tmp_path / "count.json").write_text("not a count")
    assert again.quota().left == 40


def test_a_line_read_by_the_service_once_is_not_counted_again(tmp_path: Path) -> None:
    cache, recordings = FolderCache(tmp_path / "cache", 10**8), RecordingStore(tmp_path / "recordings")
    spent = []
    for _ in range(2):
        registry = VoiceRegistry(tmp_path)
        Speaker(registry, cache, recordings, Shelf(tmp_path / "shelf")).read("Mind the mud.", "service-leopold")
        quota = registry.quota("service-leopold")
        assert quota is not None
        spent.append(quota.used)
    assert spent[0] == spent[1] > 0
    assert registry.quota("joe") is None
