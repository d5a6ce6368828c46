"""Encoders: the forms a film comes in, their pictures, sound and tags."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from fractions import Fraction
from typing import Any

import av
import numpy as np
from numpy.typing import NDArray

from dearhost.sound import Stereo
from dearhost.stage import Picture
from dearhost.timebase import FrameRate

_BT709 = 1
SAMPLE_RATE = 48_000


@dataclass(frozen=True, slots=True)
class FilmForm:
    """A file form: its container, encoders and layout of pixels. ``transparent``: hosts and lettering over nothing.

    ``subtitles``: whether it can hold a track of them. ``frame``: samples in a frame of sound.
    """

    name: str
    mime: str
    container: str
    video: str
    pixels: str
    audio: str
    transparent: bool = False
    subtitles: bool = True
    frame: int = 1024
    sample_format: str = "fltp"


FORMS: Mapping[str, FilmForm] = {
    "mp4": FilmForm("mp4", "video/mp4", "mp4", "libx264", "yuv420p", "aac"),
    "webm": FilmForm(
        "webm", "video/webm", "webm", "libvpx-vp9", "yuva420p", "libopus", transparent=True, subtitles=False,
        frame=960, sample_format="flt",
    ),
    "mov": FilmForm(
        "mov", "video/quicktime", "mov", "prores_ks", "yuva444p10le", "pcm_s16le", transparent=True, sample_format="s16"
    ),
}  # fmt: skip
"""H.264 and AAC for everything; VP9 and Opus, and ProRes 4444 and PCM, both with alpha, to lay over other pictures."""


_AHEAD = 5
"""Frames that the encoder looks ahead: at 1080p each keeps 7 MB."""


@dataclass(frozen=True, slots=True)
class VideoCodec:
    """Settings that affect the bytes of a chunk. ``quality``: H.264's constant rate factor."""

    preset: str = "veryfast"
    quality: int = 19
    keyframe_seconds: float = 2.0
    tune: str = ""
    form: str = "mp4"

    @property
    def film_form(self) -> FilmForm:
        """The form it is for."""
        return FORMS[self.form]

    def options(self, rate: FrameRate) -> dict[str, str]:
        """The encoder's options."""
        interval = str(max(1, round(float(rate.value) * self.keyframe_seconds)))
        if self.form == "webm":  # frames that are never shown would lose their alpha
            return {"deadline": "realtime", "cpu-used": "6", "crf": "24", "b": "0", "g": interval, "auto-alt-ref": "0"}
        if self.form == "mov":
            return {"profile": "4444", "vendor": "apl0", "alpha_bits": "16"}
        tuned = {"tune": self.tune} if self.tune else {}
        ahead = {"rc-lookahead": str(_AHEAD)}
        return {"preset": self.preset, "crf": str(self.quality), "g": interval, **ahead, **tuned}


def add_video(container: Any, picture: Picture, rate: FrameRate, codec: VideoCodec) -> Any:
    """A stream of pictures tagged BT.709 limited range, one thread."""
    form = codec.film_form
    stream = container.add_stream(form.video, rate=rate.value)
    stream.width, stream.height, stream.pix_fmt = picture.width, picture.height, form.pixels
    stream.options = codec.options(rate)
    context = stream.codec_context
    context.thread_count = 1
    context.colorspace = context.color_primaries = context.color_trc = context.color_range = _BT709
    context.time_base = 1 / rate.value
    return stream


def add_audio(container: Any, form: FilmForm, bit_rate: int = 160_000) -> Any:
    """A stereo stream at 48 kHz."""
    stream = container.add_stream(form.audio, rate=SAMPLE_RATE, layout="stereo")
    if form.audio != "pcm_s16le":
        stream.bit_rate = bit_rate
    if form.audio == "flac":  # the others have a size of their own
        stream.options = {"frame_size": str(form.frame)}
    return stream


def audio_frames(sound: Stereo, form: FilmForm, before: int = 0) -> Iterator[Any]:
    """``sound`` at 48 kHz as frames; ``before``: samples that came before it, whole frames."""
    for first in range(0, len(sound), form.frame):
        part = sound.part(first, first + form.frame)
        both: NDArray[Any] = np.stack([part.left, part.right])
        if form.sample_format == "s16":
            both = np.round(np.clip(both, -1, 1) * 32767).astype(np.int16)
        if form.sample_format != "fltp":
            both = np.ascontiguousarray(both.T).reshape(1, -1)
        frame = av.AudioFrame.from_ndarray(both, format=form.sample_format, layout="stereo")
        frame.sample_rate = SAMPLE_RATE
        frame.pts = before + first
        frame.time_base = Fraction(1, SAMPLE_RATE)
        yield frame
