"""Proofs: a small, quick rendering of one scene, streamed while it is made.

Fragmented MP4 for MediaSource: ``avc1.64001E, mp4a.40.2``. ``delay_moov`` keeps picture and sound in
step; ``empty_moov`` would shift the picture by the AAC priming.
"""

from __future__ import annotations

import io
import queue
import threading
from collections.abc import Generator

import av

from dearhost.render.encoding import FORMS, SAMPLE_RATE, VideoCodec, add_audio, add_video, audio_frames
from dearhost.render.frames import FrameSource
from dearhost.render.soundtrack import mastered, tracks_of_scene
from dearhost.stage import Painter, SceneTimeline, first_frame

MIME = 'video/mp4; codecs="avc1.64001E, mp4a.40.2"'
_FRAGMENT_MICROSECONDS = "400000"
_CODEC = VideoCodec(preset="veryfast", quality=24, keyframe_seconds=1.0, tune="zerolatency")


class _Sink(io.RawIOBase):
    """A writer that hands every piece on."""

    def __init__(self, pieces: queue.Queue[bytes | None], stopped: threading.Event) -> None:
        super().__init__()
        self._pieces, self._stopped = pieces, stopped

    def writable(self) -> bool:
        return True

    def seekable(self) -> bool:
        return False

    def write(self, data: bytes) -> int:  # type: ignore[override]
        if self._stopped.is_set():
            raise OSError("nobody listens any more")
        self._pieces.put(bytes(data))
        return len(data)


def stream_proof(
    painter: Painter, scene: SceneTimeline, start: float = 0.0, until: float | None = None
) -> Generator[bytes, None, None]:
    """A scene as fragmented MP4, piece by piece, from ``start`` seconds into it to ``until``, None for its end.

    Stop reading and the making stops. Raises whatever the painting raised.
    """
    pieces: queue.Queue[bytes | None] = queue.Queue(maxsize=64)
    stopped = threading.Event()
    failure: list[BaseException] = []

    def make() -> None:
        try:
            _write(painter, scene, (start, until), _Sink(pieces, stopped))
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


def _write(painter: Painter, scene: SceneTimeline, part: tuple[float, float | None], sink: _Sink) -> None:
    timeline = painter.timeline
    rate = timeline.frame_rate
    offset = first_frame(timeline, scene)
    start, until = part
    count = rate.frames_in(scene.duration if until is None else min(scene.duration, max(until, start + 0.1)))
    first = min(max(0, int(start * float(rate.value))), max(0, count - 1))
    tracks = tracks_of_scene(timeline, scene, painter.resources.shelf)
    sound = mastered(tracks, scene.duration, timeline.loudness)
    sound = sound.part(round(rate.start_of(first) * SAMPLE_RATE), round(rate.start_of(count) * SAMPLE_RATE))
    options = {
        "movflags": "delay_moov+default_base_moof+frag_keyframe",
        "frag_duration": _FRAGMENT_MICROSECONDS,
        "flush_packets": "1",
    }
    source = FrameSource(painter)
    with av.open(sink, "w", format="mp4", options=options) as output:
        video = add_video(output, painter.picture, rate, _CODEC)
        audio = add_audio(output, FORMS["mp4"], bit_rate=96_000)
        frames = audio_frames(sound, FORMS["mp4"])
        heard = 0.0
        for index, number in enumerate(range(first, count)):
            while heard <= rate.start_of(index + 1):
                block = next(frames, None)
                if block is None:
                    heard = float("inf")
                    break
                heard = (block.pts + block.samples) / SAMPLE_RATE
                output.mux(audio.encode(block))
            picture = source.paint(min(offset + number, timeline.frames - 1))
            picture.pts = index
            picture.pict_type = 0
            output.mux(video.encode(picture))
        output.mux(video.encode())
        output.mux(audio.encode())
