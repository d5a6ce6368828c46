"""Encoders: H.264 pictures, AAC sound, their tags."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from typing import Any

import av
import numpy as np
from numpy.typing import NDArray

from dearhost.stage import Picture
from dearhost.timebase import FrameRate

_BT709 = 1
SAMPLE_RATE = 48_000
_AAC_FRAME = 1024


@dataclass(frozen=True, slots=True)
class VideoCodec:
    """Settings that affect the bytes of a chunk."""

    preset: str = "veryfast"
    quality: int = 20
    keyframe_seconds: float = 2.0
    tune: str = ""


def add_video(container: Any, picture: Picture, rate: FrameRate, codec: VideoCodec) -> Any:
    """An H.264 stream tagged BT.709 limited range, one thread."""
    stream = container.add_stream("libx264", rate=rate.value)
    stream.width, stream.height, stream.pix_fmt = picture.width, picture.height, "yuv420p"
    interval = max(1, round(float(rate.value) * codec.keyframe_seconds))
    stream.options = {"preset": codec.preset, "crf": str(codec.quality), "g": str(interval)}
    if codec.tune:
        stream.options = {**stream.options, "tune": codec.tune}
    context = stream.codec_context
    context.thread_count = 1
    context.colorspace = context.color_primaries = context.color_trc = context.color_range = _BT709
    context.time_base = 1 / rate.value
    return stream


def add_audio(container: Any, bit_rate: int = 160_000) -> Any:
    """A stereo AAC stream at 48 kHz."""
    stream = container.add_stream("aac", rate=SAMPLE_RATE, layout="stereo")
    stream.bit_rate = bit_rate
    return stream


def audio_frames(mono: NDArray[np.float32]) -> Iterator[Any]:
    """``mono`` at 48 kHz as stereo frames of 1024 samples."""
    for first in range(0, len(mono), _AAC_FRAME):
        part = mono[first : first + _AAC_FRAME]
        frame = av.AudioFrame.from_ndarray(np.stack([part, part]), format="fltp", layout="stereo")
        frame.sample_rate = SAMPLE_RATE
        frame.pts = first
        frame.time_base = Fraction(1, SAMPLE_RATE)
        yield frame
