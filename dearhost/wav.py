"""One reading alone as a WAV file: mono, 48 kHz, 16 bit, at the loudness of a film."""

from __future__ import annotations

import struct
from collections.abc import Generator, Iterable
from dataclasses import replace

import numpy as np

from dearhost.render import SAMPLE_RATE, mastered, reading_track
from dearhost.sound import Stereo, mix
from dearhost.speech import Reading, Speaker
from dearhost.speech.reading import Samples

_OPEN = 0xFFFFFFFF - 36
"""Bytes of a sound that is not over, as its header has it."""
_USUAL_GAIN = 1.6
"""Of a part too short to have a loudness."""


def audition(speaker: Speaker, text: str, voice_id: str) -> bytes:
    """``text`` said by a voice, as ``as_wav`` gives it. Raises SpeechError and its kinds."""
    return as_wav(speaker.read(text, voice_id))


def as_wav(reading: Reading) -> bytes:
    """A reading as a file, at the loudness of a film: so that of two readings the louder one does not win."""
    samples = _sixteen_bits(mastered([reading_track(reading)], reading.duration).left)
    return _header(len(samples)) + samples


def wav_as_read(parts: Iterable[Reading]) -> Generator[bytes]:
    """A reading as a file while it is read: of parts, longer each time, what each adds to those before.

    Its first part has the loudness of a film, and the others that gain. The header leaves the length open.
    """
    yield _header(_OPEN)
    done, gain = 0, 0.0
    for part in parts:
        added = replace(part, samples=part.samples[done:], duration=(len(part.samples) - done) / part.sample_rate)
        if not len(added.samples):
            continue
        sound = mix([reading_track(added)], added.duration, SAMPLE_RATE)
        gain = gain or _gain_for(sound)
        done = len(part.samples)
        yield _sixteen_bits(_held(sound, gain))


def _gain_for(sound: Stereo) -> float:
    """What brings a sound to the loudness of a film."""
    from dearhost.sound.loudness import measure_loudness  # noqa: PLC0415 - loaded where something is heard, see mastered
    from dearhost.sound.mastering import TARGET_LUFS  # noqa: PLC0415 - for the same reason

    loudness = measure_loudness(sound, SAMPLE_RATE)
    return float(10 ** ((TARGET_LUFS - loudness) / 20)) if np.isfinite(loudness) else _USUAL_GAIN


def _held(sound: Stereo, gain: float) -> Samples:
    """The sound with a gain, held below the ceiling."""
    from dearhost.sound.mastering import limited  # noqa: PLC0415 - for the same reason

    louder = (sound.left * np.float32(gain)).astype(np.float32)
    return limited(Stereo(louder, louder), SAMPLE_RATE).left


def _header(count: int) -> bytes:
    """Of a sound of ``count`` bytes in all (IBM and Microsoft, "Multimedia Programming Interface", 1991)."""
    form = struct.pack("<HHIIHH", 1, 1, SAMPLE_RATE, 2 * SAMPLE_RATE, 2, 16)
    return b"RIFF" + struct.pack("<I", 36 + count) + b"WAVEfmt \x10\0\0\0" + form + b"data" + struct.pack("<I", count)


def _sixteen_bits(sound: Samples) -> bytes:
    return bytes((np.clip(sound, -1, 1) * 32767).astype("<i2").tobytes())
