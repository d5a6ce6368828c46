"""Sound files of every kind, what is wrong with a recording, and making it ready."""

from __future__ import annotations

import wave
from pathlib import Path

import av
import numpy as np
import pytest

from dearhost.errors import UnreadableSound
from dearhost.sound.examining import examine, faults
from dearhost.sound.files import KINDS, RATE, read_sound, write_sound
from dearhost.sound.tidying import denoised, levelled, trimmed, with_shorter_silences

TIME = np.arange(4 * RATE) / RATE
CHANCE = np.random.default_rng(3)


def bursts(level: float = 0.2) -> np.ndarray:
    """Four seconds with the rhythm of speech: buzzing syllables and pauses, silence at both ends."""
    buzz = sum(np.sin(2 * np.pi * 133 * k * TIME) / k for k in range(1, 20))
    open_ = (np.sin(2 * np.pi * 2.2 * TIME) > -0.2) & (TIME > 0.7) & (TIME < 3.4)
    return (level * buzz * open_).astype(np.float32)


SPEECH = bursts()
CASES = {
    "good": (SPEECH, set()),
    "silence": (np.zeros_like(SPEECH), {"silence"}),
    "a tone": ((0.2 * np.sin(2 * np.pi * 440 * TIME)).astype(np.float32), {"steady", "noise"}),
    "too loud": (np.clip(SPEECH * 12, -1, 1), {"clipped"}),
    "a noisy room": (SPEECH + CHANCE.normal(0, 0.08, len(SPEECH)).astype(np.float32), {"noise"}),
    "far away": (SPEECH * 0.01, {"quiet"}),
    "mains": (SPEECH + (0.018 * np.sin(2 * np.pi * 50 * TIME) + 0.018 * np.sin(2 * np.pi * 100 * TIME)
                        + 0.018 * np.sin(2 * np.pi * 150 * TIME)).astype(np.float32), {"hum"}),
}  # fmt: skip


@pytest.mark.parametrize("case", CASES)
def test_what_is_wrong_with_a_recording_is_said(case: str) -> None:
    samples, wanted = CASES[case]
    found = faults(examine(samples, RATE))
    assert wanted <= {f.name for f in found}
    assert all(f.says.endswith(".") for f in found)
    assert any(f.grave for f in found) == (case in ("silence", "a tone", "too loud", "a noisy room"))


@pytest.mark.parametrize("kind", KINDS)
def test_a_sound_comes_back_from_every_kind_of_file(kind: str, tmp_path: Path) -> None:
    path = tmp_path / "a.bin"  # the content tells, not the name
    write_sound(path, SPEECH, RATE, kind=kind)
    sound = read_sound(path)
    assert sound.seconds == pytest.approx(len(SPEECH) / RATE, abs=0.06)
    level = np.sqrt((sound.samples**2).mean())
    assert level == pytest.approx(float(np.sqrt((SPEECH**2).mean())), rel=0.1)


def stereo(path: Path, left: np.ndarray, right: np.ndarray, rate: int) -> None:
    with av.open(str(path), "w", format="wav") as container:
        stream = container.add_stream("pcm_s16le", rate=rate, layout="stereo")
        both = np.stack([left, right], 1).reshape(1, -1)
        frame = av.AudioFrame.from_ndarray((both * 32767).astype(np.int16), format="s16", layout="stereo")
        frame.sample_rate = rate
        container.mux(stream.encode(frame))
        container.mux(stream.encode(None))


def test_a_voice_on_one_side_is_taken_from_that_side(tmp_path: Path) -> None:
    stereo(tmp_path / "a.wav", np.zeros_like(SPEECH), SPEECH, RATE)
    sound = read_sound(tmp_path / "a.wav")
    assert "right side" in sound.note
    assert np.abs(sound.samples).max() == pytest.approx(float(np.abs(SPEECH).max()), rel=0.01)
    stereo(tmp_path / "b.wav", SPEECH, -SPEECH, RATE)
    assert np.abs(read_sound(tmp_path / "b.wav").samples).max() > 0.1


def test_telephone_sound_is_taken_and_said_to_be_dull(tmp_path: Path) -> None:
    write_sound(tmp_path / "a.wav", SPEECH[::6], 8000)
    assert "telephone" in read_sound(tmp_path / "a.wav").note


@pytest.mark.parametrize(("rate", "dull"), [(8_000, True), (11_025, True), (16_000, False), (48_000, False)])
def test_only_telephone_sound_is_said_to_be_dull(rate: int, dull: bool, tmp_path: Path) -> None:
    tone = (np.sin(np.arange(rate) / 9) * 9000).astype("<i2")
    with wave.open(str(tmp_path / "tone.wav"), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(rate)
        file.writeframes(tone.tobytes())
    taken = read_sound(tmp_path / "tone.wav")
    assert ("dull" in taken.note) == dull and taken.seconds == pytest.approx(1.0, abs=0.05)


def test_what_is_no_sound_is_said_and_nothing_breaks(tmp_path: Path) -> None:
    path = tmp_path / "a.wav"
    for content in (b"", b"RIFF", b"%PDF-1.7 not a sound", bytes(5000)):
        path.write_bytes(content)
        with pytest.raises(UnreadableSound):
            read_sound(path)
    write_sound(path, SPEECH, RATE)
    path.write_bytes(path.read_bytes()[:90_000])  # cut short: what is there is used
    assert 0.5 < read_sound(path).seconds < 1.2
    with pytest.raises(UnreadableSound, match="minutes"):
        read_sound(path, longest=0.5)
    film = tmp_path / "film.mp4"
    with av.open(str(film), "w") as container:
        stream = container.add_stream("libx264", rate=25)
        stream.width = stream.height = 64
        container.mux(stream.encode(av.VideoFrame.from_ndarray(np.zeros((64, 64, 3), np.uint8), format="rgb24")))
        container.mux(stream.encode(None))
    with pytest.raises(UnreadableSound, match="without sound"):
        read_sound(film)


def test_a_recording_is_trimmed_levelled_and_its_silences_shortened() -> None:
    knock = SPEECH.copy()
    knock[: RATE // 100] = 0.3  # a knock at the start is no speech
    cut, at = trimmed(knock, RATE)
    assert at == pytest.approx(0.89 - 0.08, abs=0.04)  # the first syllable begins at .89 s
    assert len(cut) / RATE == pytest.approx(3.4 - at + 0.1, abs=0.1)
    assert examine(levelled(SPEECH * 0.02, RATE), RATE).level == pytest.approx(-23, abs=1.5)
    shorter = with_shorter_silences(SPEECH, RATE, 0.05)
    assert len(shorter) < len(SPEECH)
    assert (shorter**2).sum() == pytest.approx(float((SPEECH**2).sum()), rel=0.02)


def test_room_noise_is_lowered_and_the_voice_is_not() -> None:
    room = CHANCE.normal(0, 0.006, len(SPEECH)).astype(np.float32)
    before, after = examine(SPEECH + room, RATE), examine(denoised(SPEECH + room, RATE), RATE)
    assert after.over_noise > before.over_noise + 10
    assert after.level == pytest.approx(before.level, abs=1.0)
