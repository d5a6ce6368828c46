"""The sound of a scene or a film, ready to be encoded."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np

from dearhost.render.encoding import SAMPLE_RATE
from dearhost.sound import STING_LEVEL, STING_RATE, Placement, Stereo, Track, joined, mix, sting
from dearhost.speech import Reading
from dearhost.stage import SceneTimeline, Timeline

VOICE, STINGS = "voice", "stings"
"""Names of tracks."""
_UNDER_VOICE = 6.0
"""dB between the loud parts of the voice and a short sound at its usual strength (common practice, no source)."""


def scene_tracks(scene: SceneTimeline) -> list[Track]:
    """A scene's readings and short sounds, in scene time."""
    said = [Placement(line.span.start, line.reading.sample_rate, line.reading.samples) for line in scene.lines]
    tracks = [Track(VOICE, tuple(said))]
    if scene.stings:
        # measured against the voice beside it: voices differ in level until the whole is mastered
        voice = max(float(np.percentile(line.reading.prosody.loudness, 90)) for line in scene.lines)
        gain = 10 ** ((voice - _UNDER_VOICE - STING_LEVEL) / 20)
        rung = (Placement(s.at, STING_RATE, sting(s.name) * np.float32(gain * s.strength)) for s in scene.stings)
        tracks.append(Track(STINGS, tuple(rung)))
    return tracks


def film_tracks(timeline: Timeline) -> list[Track]:
    """Everything that is heard, in film time."""
    return joined(track.later(scene.start) for scene in timeline.scenes for track in scene_tracks(scene))


def reading_track(reading: Reading, start: float = 0.0) -> Track:
    """One reading alone, as the voice."""
    return Track(VOICE, (Placement(start, reading.sample_rate, reading.samples),))


def mastered(tracks: Iterable[Track], duration: float) -> Stereo:
    """The mix at the loudness films are delivered with, at 48 kHz."""
    # signal processing takes 80 MB to load, and processes that draw never need it
    from dearhost.sound.mastering import master  # noqa: PLC0415

    return master(mix(tracks, duration, SAMPLE_RATE), SAMPLE_RATE)
