"""A host that is being made, turning and talking: a short film on paper, whole in memory."""

from __future__ import annotations

import io
import math
from dataclasses import replace
from typing import Any

import av
import numpy as np
import skia

from dearhost.drawing.colours import paint
from dearhost.hosts import Host, Performance, PlacedReading, Pose, Role
from dearhost.render.encoding import FORMS, VideoCodec, add_audio, add_video, audio_frames
from dearhost.render.soundtrack import mastered, reading_track
from dearhost.speech import Reading
from dearhost.stage import Picture
from dearhost.timebase import FrameRate

_PICTURE = Picture("3:4", 360, 480)
_RATE = FrameRate.of(24)
_GROUND = "#E8DBC3"
_BEFORE, _AFTER = 0.4, 1.0
_TURN_SECONDS = 4.0
_YAW, _TURN = 28.0, 0.5
_HEAD_FIRST = 0.15
"""Seconds that the head turns before the body."""


def _turning(pose: Pose, moment: float) -> Pose:
    """The pose, turned to one side, to the other and so on."""

    def wave(at: float) -> float:
        return math.sin(2 * math.pi * max(0.0, at) / _TURN_SECONDS)

    body = replace(
        pose.body, yaw=_YAW * wave(moment), turn=_TURN * wave(moment - _HEAD_FIRST), pitch=pose.body.pitch * 0.5
    )
    return replace(pose, body=body)


def rehearse(host: Host, reading: Reading) -> bytes:
    """An MP4 of 360 x 480 in which ``host`` says ``reading`` and turns, 24 frames a second."""
    duration = _BEFORE + reading.duration + _AFTER
    performance = Performance(Role((PlacedReading(_BEFORE, reading),), duration, host.abilities), _RATE)
    sound = mastered([reading_track(reading, _BEFORE)], duration)
    pixels = np.zeros((_PICTURE.height, _PICTURE.width, 4), np.uint8)
    info = skia.ImageInfo.Make(_PICTURE.width, _PICTURE.height, skia.kBGRA_8888_ColorType, skia.kOpaque_AlphaType)
    canvas: Any = skia.Surface.MakeRasterDirect(info, pixels).getCanvas()
    scale = _PICTURE.height / 330
    canvas.translate(_PICTURE.width / 2, _PICTURE.height * 0.33 - host.head_centre.imag * scale)
    canvas.scale(scale, scale)
    form, file = FORMS["mp4"], io.BytesIO()
    with av.open(file, "w", format="mp4") as output:
        video = add_video(output, _PICTURE, _RATE, VideoCodec("ultrafast", 20))
        audio = add_audio(output, form, bit_rate=96_000)
        for number in range(_RATE.frames_in(duration)):
            canvas.clear(paint(_GROUND).getColor())
            moment = _RATE.centre_of(number)
            host.draw(canvas, _turning(performance.pose(moment), moment - _BEFORE))
            frame = av.VideoFrame.from_ndarray(pixels, format="bgra").reformat(format="yuv420p", dst_colorspace=1)
            frame.pts = number
            output.mux(video.encode(frame))
        output.mux(video.encode())
        for block in audio_frames(sound, form):
            output.mux(audio.encode(block))
        output.mux(audio.encode())
    return file.getvalue()
