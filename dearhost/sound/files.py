"""Sound files in and out, whatever their kind, by FFmpeg's libraries."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import av
import numpy as np
from numpy.typing import NDArray

from dearhost.errors import SoundError, UnreadableSound
from dearhost.sound.placing import Mono
from dearhost.storage import write_whole

RATE = 48_000
LONGEST_SECONDS = 1800.0
_BLOCK = 1 << 20
_SILENT_SIDE_DB = 30.0
CONTAINERS = "aac,ac3,aiff,amr,asf,au,avi,caf,flac,matroska,mov,mp3,mpeg,mpegts,ogg,w64,wav"
"""Recordings and videos; no playlist, which would have other files of this machine read (names of FFmpeg's readers)."""
_OPUS_RATES = (8000, 12000, 16000, 24000, 48000)
KINDS: Mapping[str, tuple[str, str, str]] = {
    "wav": ("wav", "pcm_s16le", "audio/wav"),
    "flac": ("flac", "flac", "audio/flac"),
    "mp3": ("mp3", "libmp3lame", "audio/mpeg"),
    "opus": ("ogg", "libopus", "audio/ogg"),
    "m4a": ("mp4", "aac", "audio/mp4"),
}
"""By file ending: container, encoder and media type of what can be written."""


@dataclass(frozen=True, slots=True)
class Sound:
    """Mono ``samples`` in -1..1 at ``rate`` Hz. ``source_rate`` is what the file had; ``note`` says what was
    done to it that a person should know, or ""."""

    samples: Mono
    rate: int
    source_rate: int
    note: str = ""

    @property
    def seconds(self) -> float:
        """How long it lasts."""
        return len(self.samples) / self.rate


def read_sound(path: Path, *, longest: float = LONGEST_SECONDS) -> Sound:
    """The sound of a file, or of a video, as 48 kHz mono; its kind is told by its content, not its name.

    Both sides of a stereo file are mixed, but a side that is silent is left out. Raises UnreadableSound.
    """
    source_rate, sides = _sides_of(path, longest)
    if not len(sides[0]):
        raise UnreadableSound("The file holds no sound. Record it again, or choose another.")
    samples, note = _one_side(sides)
    if source_rate and source_rate <= 11_025:
        note = f"{note} It has telephone quality ({source_rate / 1000:g} kHz): it will sound dull.".strip()
    return Sound(samples, RATE, source_rate, note)


def read_stereo(path: Path, *, longest: float = LONGEST_SECONDS) -> NDArray[np.float32]:
    """The sound of a file, or of a video, as 48 kHz in two channels, shape (n, 2); what is longer than ``longest``
    seconds is refused. Raises UnreadableSound."""
    _, sides = _sides_of(path, longest)
    if not len(sides[0]):
        raise UnreadableSound("The file holds no sound. Choose another.")
    return np.ascontiguousarray(np.stack([sides[0], sides[-1]], axis=1).astype(np.float32) / 32768)


def _sides_of(path: Path, longest: float) -> tuple[int, NDArray[np.int16]]:
    """The rate a file has, and its channels at 48 kHz; see ``_decoded``. Raises UnreadableSound."""
    try:
        with av.open(str(path), options={"format_whitelist": CONTAINERS}) as container:
            if not container.streams.audio:
                what = "a video or picture without sound" if container.streams.video else "a file without sound"
                raise UnreadableSound(f"This is {what}. Choose a recording, or a video in which somebody speaks.")
            seconds = (container.duration or 0) / 1_000_000
            if seconds > longest:
                raise UnreadableSound(
                    f"The recording lasts {seconds / 60:.0f} minutes; up to {longest / 60:.0f} can be taken at once. "
                    "Cut it into parts."
                )
            return _decoded(container, longest)
    except UnreadableSound:
        raise
    except (OSError, ValueError, LookupError, AttributeError, av.FFmpegError) as error:
        raise UnreadableSound(
            "The file is damaged, or no sound file. WAV, FLAC, MP3, M4A and Ogg can be read, and videos."
        ) from error


def _decoded(container: Any, longest: float) -> tuple[int, NDArray[np.int16]]:
    """The rate of the first sound stream and its samples, shape (sides, n), at 48 kHz, 1.0 as 32768."""
    stream = container.streams.audio[0]
    rate = int(stream.rate or stream.codec_context.sample_rate or 0)
    sides = min(2, max(1, int(stream.codec_context.channels)))
    resampler = av.AudioResampler(format="fltp", layout="stereo" if sides == 2 else "mono", rate=RATE)
    blocks: list[NDArray[np.int16]] = []
    total = 0
    for frame in _frames(container, stream):
        for made in resampler.resample(frame):
            blocks.append(_whole(made.to_ndarray()))
            total += blocks[-1].shape[1]
        if total > longest * RATE:  # a file may say that it is shorter than it is
            raise UnreadableSound(
                f"The recording is longer than {longest / 60:.0f} minutes, which is as much as can be taken at once. "
                "Cut it into parts."
            )
    blocks += [_whole(made.to_ndarray()) for made in resampler.resample(None)]
    return rate, np.concatenate(blocks, axis=1) if blocks else np.zeros((sides, 0), np.int16)


def _whole(block: NDArray[np.float32]) -> NDArray[np.int16]:
    """Half an hour in two sides as 16 bits takes a third of a gigabyte, as floats more than there may be."""
    return np.clip(np.rint(np.nan_to_num(block) * 32768), -32768, 32767).astype(np.int16)


def _frames(container: Any, stream: Any) -> Iterator[Any]:
    """The frames that can be decoded: a cut file gives what it has."""
    try:
        yield from container.decode(stream)
    except av.FFmpegError:
        return


def _one_side(sides: NDArray[np.int16]) -> tuple[Mono, str]:
    if len(sides) == 1:
        return _mono(sides, (1.0,)), ""
    blocks = (
        sides[:, first : first + _BLOCK].T.astype(np.float32) / np.float32(32768)
        for first in range(0, sides.shape[1], _BLOCK)
    )
    shares, note = shares_of_sides(blocks)
    return _mono(sides, shares), note


def shares_of_sides(blocks: Iterable[NDArray[np.float32]]) -> tuple[tuple[float, float], str]:
    """What the two sides of a recording, which comes in blocks of shape (n, 2), have of it as one; and what a person
    should know about that, or ""."""
    powers, count = np.zeros(3), 0  # of the left side, the right one and both mixed
    for block in blocks:
        left, right = block.T.astype(np.float64)
        powers += [(left**2).sum(), (right**2).sum(), (((left + right) / 2) ** 2).sum()]
        count += len(block)
    levels = 10 * np.log10(np.maximum(powers / max(1, count), 1e-12))
    if abs(levels[0] - levels[1]) > _SILENT_SIDE_DB:
        louder = int(levels[1] > levels[0])
        side = ("left", "right")[louder]
        return (1.0 - louder, float(louder)), f"Only its {side} side holds sound; that side was taken."
    if powers[2] < 0.05 * (powers[0] + powers[1]) / 2:
        return (1.0, 0.0), "Its two sides cancel each other out; the left one was taken."
    return (0.5, 0.5), ""


def _mono(sides: NDArray[np.int16], shares: Sequence[float]) -> Mono:
    """The sides by their shares, in -1..1."""
    samples = np.zeros(sides.shape[1], np.float32)
    for side, share in zip(sides, shares, strict=True):
        for first in range(0, len(samples) if share else 0, _BLOCK):
            samples[first : first + _BLOCK] += side[first : first + _BLOCK] * np.float32(share / 32768)
    return samples


def write_sound(path: Path, samples: Mono, rate: int, *, kind: str = "", bit_rate: int = 128_000) -> None:
    """Write mono samples in -1..1. ``kind`` is one of ``KINDS``, by default the name's ending.

    Raises ValueError for another kind, or for a rate the kind cannot have; StorageFull when the disk is full.
    """
    ending = kind or path.suffix.lstrip(".").lower()
    if ending not in KINDS:
        raise ValueError(f"'kind' must be one of {', '.join(KINDS)} (got '{ending}')")
    if ending == "opus" and rate not in _OPUS_RATES:
        raise ValueError(f"'rate' must be one of {_OPUS_RATES} for Opus (got {rate})")
    container, codec, _ = KINDS[ending]
    blocks = (samples[first : first + rate] for first in range(0, max(1, len(samples)), rate))
    write_whole(path, lambda part: _write(part, container, codec, blocks, rate, bit_rate))


def write_blocks(path: Path, blocks: Iterable[Mono], rate: int) -> None:
    """Write mono samples in -1..1 that come in blocks, as FLAC. Raises StorageFull when the disk is full."""
    container, codec, _ = KINDS["flac"]
    write_whole(path, lambda part: _write(part, container, codec, blocks, rate, 0))


def _write(path: Path, kind: str, codec: str, blocks: Iterable[Mono], rate: int, bit_rate: int) -> None:
    with av.open(str(path), "w", format=kind) as container:
        stream: Any = container.add_stream(codec, rate=rate)
        stream.codec_context.layout = "mono"
        lossless = codec in ("pcm_s16le", "flac")
        if not lossless:
            stream.codec_context.bit_rate = bit_rate
        written = 0
        for block in blocks:
            whole = np.clip(np.rint(block * 32767), -32768, 32767).astype(np.int16)
            frame = av.AudioFrame.from_ndarray(whole[None], format="s16", layout="mono")
            frame.sample_rate, frame.pts = rate, written
            written += len(whole)
            container.mux(stream.encode(frame))
        container.mux(stream.encode(None))


def write_stereo(path: Path, samples: NDArray[np.float32], rate: int = RATE, *, kind: str = "") -> None:
    """Write two channels in -1..1, shape (n, 2), as WAV or FLAC, by default by the name's ending.

    Raises SoundError for another kind; StorageFull when the disk is full.
    """
    ending = kind or path.suffix.lstrip(".").lower()
    if ending not in ("wav", "flac"):
        raise SoundError(f"Sound can be written as .wav or .flac, not as '.{ending}'. Name it so.")
    _, codec, _ = KINDS[ending]

    def write(part: Path) -> None:
        with av.open(str(part), "w", format=ending) as container:
            stream: Any = container.add_stream(codec, rate=rate)
            stream.codec_context.layout = "stereo"
            for first in range(0, max(1, len(samples)), rate):
                block = samples[first : first + rate]
                whole = np.clip(np.rint(block * 32767), -32768, 32767).astype(np.int16)
                frame = av.AudioFrame.from_ndarray(whole.reshape(1, -1), format="s16", layout="stereo")
                frame.sample_rate, frame.pts = rate, first
                container.mux(stream.encode(frame))
            container.mux(stream.encode(None))

    write_whole(path, write)
