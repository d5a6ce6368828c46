"""Proofs: a small, quick rendering of one scene, streamed while it is made; its picture and its sound apart.

Fragmented MP4 for MediaSource, ``avc1.64001E`` and ``flac``. Apart, because what changes only the sound is heard in a
fraction of the time it takes until a picture is painted, and the picture goes on. FLAC has no priming, so both are in
step to the sample.
"""

from __future__ import annotations

import io
import queue
import threading
import time
from collections.abc import Callable, Generator
from fractions import Fraction
from functools import partial

import av
import numpy as np

from dearhost.assets.shelf import Shelf
from dearhost.render.encoding import SAMPLE_RATE, FilmForm, VideoCodec, add_audio, add_video, audio_frames
from dearhost.render.frames import FrameSource
from dearhost.render.soundtrack import mastered_from, tracks_of_scene
from dearhost.sound import Stereo
from dearhost.stage import Painter, SceneTimeline, Timeline, first_frame

_CODEC = VideoCodec(preset="veryfast", quality=24, keyframe_seconds=1.0, tune="zerolatency")
_SOUND = FilmForm("mp4", "audio/mp4", "mp4", "", "", "flac", frame=1024, sample_format="s16")
"""Short frames: a browser decodes by whole ones ahead, and what it has decoded is heard before anything new."""
_FRAGMENTED = {
    "movflags": "empty_moov+default_base_moof",
    "frag_duration": "400000",  # microseconds
    "flush_packets": "1",
}
_TICKS = 90_000
"""Of the clock of pictures, a second: the first of a part may be shown for less than a frame."""
_AT_ONCE = 32 * _SOUND.frame, 96 * _SOUND.frame
"""Samples of the parts of a sound that come before all of it is made: .7 and two seconds."""
_LEAST = SAMPLE_RATE // 100
"""Samples that are there even past the end: a track of none cannot be played."""
_IN_HAND = 3.0
"""Seconds of picture in hand, played at its own speed, that let it wait for something that is waited for."""

Part = tuple[float, float | None]


class _Sink(io.RawIOBase):
    """A writer that hands every piece on."""

    def __init__(self, pieces: queue.Queue[bytes | None], stopped: threading.Event) -> None:
        super().__init__()
        self._pieces, self._stopped = pieces, stopped

    def writable(self) -> bool:
        return True

    def seekable(self) -> bool:
        return False

    def pause(self, seconds: float) -> None:
        """Wait a moment. Raises OSError where nobody listens any more."""
        if self._stopped.wait(seconds):
            raise OSError("nobody listens any more")

    def write(self, data: bytes) -> int:  # type: ignore[override]
        if self._stopped.is_set():
            raise OSError("nobody listens any more")
        self._pieces.put(bytes(data))
        return len(data)


def stream_pictures(
    painter: Painter,
    scene: SceneTimeline,
    start: float = 0.0,
    until: float | None = None,
    *,
    gives_way: Callable[[], bool] = lambda: False,
) -> Generator[bytes, None, None]:
    """The picture of a scene, piece by piece, from ``start`` seconds into it to ``until``, None for its end.

    Its clock begins at ``start``. Stop reading and the making stops. While it ``gives_way`` and some seconds are in
    hand, it waits. Raises whatever the painting raised.
    """
    return _streamed(partial(_write_pictures, painter, scene, (start, until), gives_way))


def stream_sound(
    timeline: Timeline, scene: SceneTimeline, shelf: Shelf, start: float = 0.0, until: float | None = None
) -> Generator[bytes, None, None]:
    """The sound of the same part of a scene, as it is in the film; as ``stream_pictures``."""
    return _streamed(partial(_write_sound, timeline, scene, shelf, (start, until)))


def _streamed(write: Callable[[_Sink], None]) -> Generator[bytes, None, None]:
    pieces: queue.Queue[bytes | None] = queue.Queue(maxsize=64)
    stopped = threading.Event()
    failure: list[BaseException] = []

    def make() -> None:
        try:
            write(_Sink(pieces, stopped))
        except (OSError, av.FFmpegError) as error:
            if not stopped.is_set():
                failure.append(error)
        except BaseException as error:
            failure.append(error)
        finally:
            pieces.put(None)

    thread = threading.Thread(target=make, name="proof", daemon=True)
    thread.start()
    try:
        while (piece := pieces.get()) is not None:
            yield piece
        if failure:
            raise failure[0]
    finally:
        stopped.set()
        while thread.is_alive():
            try:
                pieces.get(timeout=0.1)
            except queue.Empty:
                continue


def _part(timeline: Timeline, scene: SceneTimeline, asked: Part) -> tuple[float, range]:
    """Where in a scene a part of it really begins, and its frames, counted from the scene's first; the first of them
    may have begun a little earlier."""
    rate, (start, until) = timeline.frame_rate, asked
    count = rate.frames_in(scene.duration if until is None else min(scene.duration, max(until, start + 0.1)))
    first = min(max(0, int(start * float(rate.value))), max(0, count - 1))
    return min(max(0.0, start), rate.start_of(first + 1)), range(first, count)


def _write_pictures(
    painter: Painter, scene: SceneTimeline, asked: Part, gives_way: Callable[[], bool], sink: _Sink
) -> None:
    timeline = painter.timeline
    rate, offset = timeline.frame_rate, first_frame(timeline, scene)
    begins, frames = _part(timeline, scene, asked)
    source, shown, began = FrameSource(painter), -1, time.monotonic()
    with av.open(sink, "w", format="mp4", options=_FRAGMENTED) as output:
        video = add_video(output, painter.picture, rate, _CODEC)
        video.codec_context.time_base = Fraction(1, _TICKS)
        for number in frames:
            while shown / _TICKS - (time.monotonic() - began) > _IN_HAND and gives_way():
                sink.pause(0.02)
            picture = source.paint(min(offset + number, timeline.frames - 1))
            shown = max(shown + 1, round((rate.start_of(number) - begins) * _TICKS))
            picture.pts, picture.duration = shown, round((rate.start_of(number + 1) - begins) * _TICKS) - shown
            picture.time_base, picture.pict_type = Fraction(1, _TICKS), 0
            output.mux(video.encode(picture))
        output.mux(video.encode())


def _write_sound(timeline: Timeline, scene: SceneTimeline, shelf: Shelf, asked: Part, sink: _Sink) -> None:
    begins, frames = _part(timeline, scene, asked)
    first, last = round(begins * SAMPLE_RATE), round(timeline.frame_rate.start_of(frames.stop) * SAMPLE_RATE)
    last = max(last, first + _LEAST)
    tracks = tracks_of_scene(timeline, scene, shelf)
    done = 0
    with av.open(sink, "w", format="mp4", options=_FRAGMENTED) as output:
        audio = add_audio(output, _SOUND)
        parts = mastered_from(tracks, scene.duration, timeline.loudness, first, _AT_ONCE)
        for made, most in zip(parts, (*_AT_ONCE, last - first), strict=True):
            wanted = min(most, last - first - done)
            for block in audio_frames(_as_long_as(made, wanted), _SOUND, done):
                output.mux(audio.encode(block))
            done += wanted
        output.mux(audio.encode())


def _as_long_as(sound: Stereo, count: int) -> Stereo:
    """So many samples: what is too much is cut, what is missing, of the last picture, is silence."""
    missing = max(0, count - len(sound))
    return Stereo.of([np.pad(channel[:count], (0, missing)) for channel in sound.channels])
