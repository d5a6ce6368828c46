"""Clips and sounds that tests make for themselves."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import numpy as np
from av.video.reformatter import ColorRange, Colorspace

BARS = ((191, 191, 191), (191, 191, 0), (0, 191, 191), (0, 191, 0), (191, 0, 191), (191, 0, 0), (0, 0, 191))
"""Colour bars at 75 %, as in ITU-R BT.471."""


def bars(height: int, width: int = 160) -> np.ndarray:
    """Colour bars, RGB."""
    index = np.arange(width) * len(BARS) // width
    return np.tile(np.array(BARS, np.uint8)[index], (height, 1, 1))


def counted(count: int, size: tuple[int, int] = (160, 96)) -> list[np.ndarray]:
    """Frames that hold their number: eight upright stripes, the lowest bit at the left."""
    width, height = size
    frames = []
    for number in range(count):
        bits = np.array([(number >> index) & 1 for index in range(8)]) * 200 + 25
        row = np.repeat(bits, width // 8).astype(np.uint8)
        frames.append(np.repeat(np.tile(row, (height, 1))[..., None], 3, axis=2))
    return frames


def write_clip(
    path: Path,
    frames: Iterable[np.ndarray],
    *,
    rate: Any,
    codec: str = "libx264",
    pixels: str = "yuv420p",
    size: tuple[int, int] = (160, 96),
    moments: Sequence[int] | None = None,
    matrix: Any = Colorspace.ITU601,
    tagged: bool = False,
    colour_range: Any = ColorRange.MPEG,
    rotation: int = 0,
    sound: bool | np.ndarray = False,
) -> Path:
    """Frames (height, width, 3), RGB, as a clip; frame n begins at ``moments[n]`` steps of the rate. ``sound``: mono
    samples at 48 kHz, or a tone.
    """
    with av.open(str(path), "w") as container:
        stream: Any = container.add_stream(codec, rate=Fraction(rate))
        stream.width, stream.height, stream.pix_fmt = *size, pixels
        if codec in ("libx264", "libx265"):
            stream.options = (
                {"crf": "8", "bf": "2"} if codec == "libx264" else {"crf": "8", "x265-params": "log-level=0"}
            )
        context = stream.codec_context
        context.color_range = int(colour_range)
        if tagged:
            context.colorspace = 1 if matrix == Colorspace.ITU709 else 6  # ITU-T H.273
        if rotation:
            stream.metadata["rotate"] = str(rotation)
        heard = container.add_stream("aac", rate=48000) if sound is not False else None
        count = 0
        for count, frame in enumerate(frames, 1):
            drawn = av.VideoFrame.from_ndarray(np.ascontiguousarray(frame), format="rgb24")
            if pixels == "yuv420p":
                drawn = drawn.reformat(format=pixels, dst_colorspace=matrix, dst_color_range=colour_range)
            else:
                drawn = drawn.reformat(format=pixels)
            drawn.pts = moments[count - 1] if moments else count - 1
            drawn.time_base = 1 / Fraction(rate)
            container.mux(stream.encode(drawn))
        container.mux(stream.encode())
        if heard is not None:
            tone = 0.3 * np.sin(2 * np.pi * 440 * np.arange(round(48000 * count / float(Fraction(rate)))) / 48000)
            _add_sound(container, heard, sound if isinstance(sound, np.ndarray) else tone)
    if rotation:
        _turn(path, rotation)
    return path


def _add_sound(container: Any, stream: Any, samples: np.ndarray) -> None:
    sound = samples.astype(np.float32)
    for first in range(0, len(sound), 1024):
        block = av.AudioFrame.from_ndarray(sound[None, first : first + 1024], format="fltp", layout="mono")
        block.sample_rate, block.pts = 48000, first
        container.mux(stream.encode(block))
    container.mux(stream.encode(None))


def _turn(path: Path, degrees: int) -> None:
    """Write the turning into the track header of an MP4 (ISO/IEC 14496-12, 8.3.2: the matrix of ``tkhd``)."""
    turns = {90: (0, 1, -1, 0), 180: (-1, 0, 0, -1), 270: (0, -1, 1, 0)}[degrees]
    a, b, c, d = (value << 16 for value in turns)
    data = bytearray(path.read_bytes())
    at = data.index(b"tkhd") + 4 + 40
    matrix = (a, b, 0, c, d, 0, 0, 0, 1 << 30)
    data[at : at + 36] = b"".join(value.to_bytes(4, "big", signed=True) for value in matrix)
    path.write_bytes(bytes(data))


def write_sound_file(path: Path, samples: np.ndarray) -> Path:
    """Mono samples of -1 to 1 at 48 kHz as FLAC."""
    whole = np.clip(np.rint(samples * 32767), -32768, 32767).astype(np.int16)
    with av.open(str(path), "w", format="flac") as container:
        stream: Any = container.add_stream("flac", rate=48000)
        stream.codec_context.layout = "mono"
        for first in range(0, len(whole), 4800):
            block = av.AudioFrame.from_ndarray(whole[None, first : first + 4800], format="s16", layout="mono")
            block.sample_rate, block.pts = 48000, first
            container.mux(stream.encode(block))
        container.mux(stream.encode(None))
    return path
