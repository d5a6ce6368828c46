"""The sound of a scene or a film, ready to be encoded."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

import numpy as np

from dearhost.assets.shelf import SOUND, Shelf, kind_of
from dearhost.render.encoding import SAMPLE_RATE
from dearhost.sound import STING_LEVEL, STING_RATE, Placement, Stereo, Track, joined, mix, mix_part, sting_over
from dearhost.sound.under_voice import Mark
from dearhost.speech import Reading
from dearhost.stage import SceneTimeline, Timeline

VOICE, STINGS, BED, FOOTAGE = "voice", "stings", "bed", "footage"
"""Names of tracks."""
_UNDER_VOICE = 6.0
"""dB between the loud parts of the voice and a short sound at its usual strength (common practice, no source)."""
_NOTHING = Stereo.of([np.zeros(0, np.float32)])


def scene_tracks(scene: SceneTimeline) -> list[Track]:
    """A scene's readings and short sounds, in scene time."""
    said = [Placement(line.span.start, line.reading.sample_rate, line.reading.samples) for line in scene.lines]
    tracks = [Track(VOICE, tuple(said))]
    if scene.stings:
        # measured against the voice beside it: voices differ in level until the whole is mastered
        voice = max(float(np.percentile(line.reading.prosody.loudness, 90)) for line in scene.lines)
        gain = 10 ** ((voice - _UNDER_VOICE - STING_LEVEL) / 20)
        rung = (
            Placement(s.at, STING_RATE, sting_over(s.name, s.seconds) * np.float32(gain * s.strength))
            for s in scene.stings
        )
        tracks.append(Track(STINGS, tuple(rung)))
    return tracks


def film_tracks(timeline: Timeline, shelf: Shelf) -> list[Track]:
    """Everything that is heard, in film time."""
    spoken = joined(track.later(scene.start) for scene in timeline.scenes for track in scene_tracks(scene))
    return joined([*spoken, *_beside(timeline, shelf, spoken)])


def tracks_of_scene(timeline: Timeline, scene: SceneTimeline, shelf: Shelf) -> list[Track]:
    """What is heard in one scene of a timeline, in its time: as in the film."""
    beds = (bed.part(scene.start, scene.span.end) for bed in timeline.beds)
    alone = replace(
        timeline, scenes=(replace(scene, start=0.0),), beds=tuple(bed.later(-scene.start) for bed in beds if bed)
    )
    spoken = scene_tracks(scene)
    return joined([*spoken, *_beside(alone, shelf, spoken)])


def _beside(timeline: Timeline, shelf: Shelf, spoken: list[Track]) -> list[Track]:
    """The music and the sound of clips, each at its level below the voice; ``spoken`` holds the voice."""
    heard = [replace(one, at=one.at + scene.start) for scene in timeline.scenes for one in scene.footage]
    if not timeline.beds and not heard:
        return []
    # signal processing takes 80 MB to load, and processes that draw never need it
    from dearhost.render.clip_sound import placed_footage  # noqa: PLC0415 - see above
    from dearhost.render.music import placed_music, voice_level  # noqa: PLC0415 - see above

    voice = next((track for track in spoken if track.name == VOICE), Track(VOICE, ()))
    level = voice_level(voice, timeline.duration)
    tracks = []
    if timeline.beds:
        tracks.append(Track(BED, tuple(placed_music(timeline.beds, _words(timeline), _marks(timeline), level, shelf))))
    for name, own in ((FOOTAGE, False), (STINGS, True)):
        if mine := [one for one in heard if (kind_of(one.item) == SOUND) == own]:
            tracks.append(Track(name, tuple(placed_footage(mine, level, shelf))))
    return tracks


def _words(timeline: Timeline) -> list[tuple[float, float]]:
    """When each word is said."""
    return [
        (scene.start + line.span.start + word.start, scene.start + line.span.start + word.end)
        for scene in timeline.scenes
        for line in scene.lines
        for word in line.reading.words
    ]


def _marks(timeline: Timeline) -> list[Mark]:
    """Where the music is silent, or swells."""
    return [
        replace(mark, start=mark.start + scene.start, end=mark.end + scene.start)
        for scene in timeline.scenes
        for mark in scene.bed_marks
    ]


def reading_track(reading: Reading, start: float = 0.0) -> Track:
    """One reading alone, as the voice."""
    return Track(VOICE, (Placement(start, reading.sample_rate, reading.samples),))


def mastered(tracks: Iterable[Track], duration: float, loudness: str = "-16") -> Stereo:
    """The mix at a loudness in LUFS, by default the one films are delivered with, at 48 kHz; "none" leaves it as it
    comes, below the ceiling."""
    # signal processing takes 80 MB to load, and processes that draw never need it
    from dearhost.sound.mastering import limited, master  # noqa: PLC0415

    mixed = mix(tracks, duration, SAMPLE_RATE)
    return limited(mixed, SAMPLE_RATE) if loudness == "none" else master(mixed, SAMPLE_RATE, target=float(loudness))


def mastered_from(
    tracks: Iterable[Track], duration: float, loudness: str, first: int, counts: Sequence[int]
) -> Iterator[Stereo]:
    """The same from a sample on, in parts: of ``counts`` samples each as soon as can be, then the rest. What is past
    the end is missing.

    How loud the first are is foreseen before all of it is mixed: within an eighth of a dB.
    """
    # signal processing takes 80 MB to load, and processes that draw never need it
    from dearhost.sound.foreseeing import foreseen_gain, outline_of_mix  # noqa: PLC0415 - see above
    from dearhost.sound.mastering import limited_part, reach_of  # noqa: PLC0415 - see above

    tracks, total = list(tracks), round(duration * SAMPLE_RATE)
    gain = 0.0
    if loudness != "none" and first < total:
        gain = foreseen_gain(outline_of_mix(tracks, duration, SAMPLE_RATE), float(loudness))
    for count in counts:
        part = range(min(first, total), min(first + count, total))
        reach = reach_of(part, total, SAMPLE_RATE) if part else part
        within = range(part.start - reach.start, part.stop - reach.start)
        yield limited_part(mix_part(tracks, reach, SAMPLE_RATE), within, gain, SAMPLE_RATE) if part else _NOTHING
        first += count
    whole = mastered(tracks, duration, loudness)
    yield whole.part(min(first, total), len(whole))
