"""Chunks and sound into one file, without encoding pictures again."""

from __future__ import annotations

import struct
from collections.abc import Iterator, Sequence
from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import langcodes

from dearhost.errors import RenderError
from dearhost.formats import TimedText
from dearhost.render.encoding import FilmForm, add_audio, audio_frames
from dearhost.render.plan import Chunk
from dearhost.sound import Stereo
from dearhost.stage import Timeline

_ASS_HEADER = (
    "[Script Info]\r\nScriptType: v4.00+\r\n\r\n[V4+ Styles]\r\n"
    "Format: Name, Fontname, Fontsize, PrimaryColour, SecondaryColour, OutlineColour, BackColour, Bold, Italic, "
    "Underline, StrikeOut, ScaleX, ScaleY, Spacing, Angle, BorderStyle, Outline, Shadow, Alignment, MarginL, "
    "MarginR, MarginV, Encoding\r\n"
    "Style: Default,Sans,16,&Hffffff,&Hffffff,&H0,&H0,0,0,0,0,100,100,0,0,1,1,0,2,10,10,10,1\r\n\r\n"
    "[Events]\r\nFormat: Layer, Start, End, Style, Name, MarginL, MarginR, MarginV, Effect, Text\r\n"
)
_MILLISECOND = Fraction(1, 1000)


def language_code(tag: str) -> str:
    """ISO 639-2 for a BCP 47 tag, "und" when unknown: what MP4 stores."""
    try:
        return langcodes.Language.get(tag).to_alpha3()
    except (LookupError, ValueError):
        return "und"


def join(path: Path, chunks: Sequence[tuple[Chunk, Path]], timeline: Timeline, sound: Stereo,
         captions: Sequence[TimedText], form: FilmForm) -> None:  # fmt: skip
    """Write ``path`` in a form: index in front, title and language as metadata.

    ``sound`` is at 48 kHz; ``captions`` become a subtitle track when there are any. The film has
    exactly ``timeline.frames`` frames. Raises RenderError when the chunks do not fit each other.
    """
    language = language_code(timeline.language)
    options = {} if form.container == "webm" else {"movflags": "+faststart"}
    with av.open(str(path), "w", format=form.container, options=options) as output:
        output.metadata["title"] = timeline.title or "Untitled"
        output.metadata["language"] = timeline.language
        output.metadata["comment"] = "Synthetic host and voice"
        video = None
        audio = add_audio(output, form)
        audio.metadata["language"] = language
        subtitles = _add_subtitles(output, language) if captions and form.subtitles else None
        feed = _SoundFeed(output, audio, audio_frames(sound, form))
        base = Fraction(1, 90_000)
        header = b""
        for chunk, file in chunks:
            with av.open(str(file)) as part:
                stream = part.streams.video[0]
                if video is None:
                    video = output.add_stream_from_template(stream)
                    video.metadata["language"] = language
                    if form.transparent and form.container == "webm":
                        video.metadata["alpha_mode"] = "1"
                    header = bytes(stream.codec_context.extradata or b"")
                elif bytes(stream.codec_context.extradata or b"") != header:
                    raise RenderError("Two parts of the film were encoded differently. Render it again.")
                base = stream.time_base
                offset = int(Fraction(chunk.first) / timeline.frame_rate.value / base)
                for packet in part.demux(stream):
                    if packet.dts is None:
                        continue
                    packet.pts += offset
                    packet.dts += offset
                    feed.until(float(packet.dts * base) + 0.3)
                    packet.stream = video
                    output.mux(packet)
        feed.rest()
        if subtitles is not None:
            for packet in _subtitle_packets(captions, subtitles):
                output.mux(packet)


class _SoundFeed:
    """Encodes sound as the pictures go along, so that the file is well interleaved."""

    def __init__(self, output: Any, stream: Any, frames: Iterator[Any]) -> None:
        self._output, self._stream, self._frames = output, stream, frames
        self._at = 0.0

    def until(self, moment: float) -> None:
        while self._at <= moment:
            frame = next(self._frames, None)
            if frame is None:
                self._at = float("inf")
                return
            self._at = (frame.pts + frame.samples) / frame.sample_rate
            self._output.mux(self._stream.encode(frame))

    def rest(self) -> None:
        for frame in self._frames:
            self._output.mux(self._stream.encode(frame))
        self._output.mux(self._stream.encode())


def _add_subtitles(output: Any, language: str) -> Any:
    stream = output.add_stream("mov_text")
    stream.codec_context.subtitle_header = _ASS_HEADER.encode()
    stream.metadata["language"] = language
    return stream


def _subtitle_packets(captions: Sequence[TimedText], stream: Any) -> list[Any]:
    """3GPP timed text: a two-byte length and UTF-8; an empty sample fills each gap."""
    packets, before = [], 0
    for caption in captions:
        start, end = round(caption.start * 1000), round(caption.end * 1000)
        if start > before:
            packets.append(_packet("", before, start, stream))
        packets.append(_packet("\n".join(caption.lines), start, end, stream))
        before = end
    return packets


def _packet(text: str, start: int, end: int, stream: Any) -> Any:
    data = text.encode()
    packet = av.Packet(struct.pack(">H", len(data)) + data)
    packet.stream = stream
    packet.time_base = _MILLISECOND
    packet.pts = packet.dts = start
    packet.duration = end - start
    return packet
