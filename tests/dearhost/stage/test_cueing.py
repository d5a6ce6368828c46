"""Cues happen on their words: in the picture, in the sound, in the running time."""

from __future__ import annotations

import numpy as np
import pytest

from dearhost.films import running_time
from dearhost.hosts import EXPRESSIONS, GESTURES, ExpressionCue, GestureCue, Performance
from dearhost.hosts.motion.expressions import ExpressionTrack
from dearhost.production import Studio, read_script
from dearhost.render.soundtrack import scene_tracks
from dearhost.script import Script
from dearhost.sound import STING_RATE, STINGS, Placement, Track, mix, sting, sting_over
from dearhost.speech import with_pauses
from dearhost.stage import Painter, Picture, SceneTimeline, compile_timeline
from dearhost.stage.backdrops import UNLIT
from dearhost.stage.painting.layers import SceneLayers
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate.of(30)
PLAIN = "MAREN: Mama may bring a boat. Papa mends the map.\n"


def scene_of(studio: Studio, text: str) -> SceneTimeline:
    return compile_timeline(with_tones(read_script(text)), studio, RATE).scenes[0]


def test_a_pause_parts_the_sound_before_its_word_and_moves_all_after_it(studio: Studio) -> None:
    plain = scene_of(studio, PLAIN).lines[0].reading
    paused = with_pauses(plain, {6: 1.5})
    assert paused.duration == pytest.approx(plain.duration + 1.5, abs=1 / plain.sample_rate)
    assert len(paused.samples) / paused.sample_rate == pytest.approx(paused.duration)
    assert len(paused.prosody.loudness) / paused.prosody.rate == pytest.approx(paused.duration, abs=0.05)
    moved = [after.start - before.start for before, after in zip(plain.words, paused.words, strict=True)]
    assert moved == pytest.approx([0.0] * 6 + [1.5] * 3, abs=1e-4)
    silent = slice(*(round(t * plain.sample_rate) for t in (paused.words[6].start - 1.4, paused.words[6].start - 0.1)))
    assert not paused.samples[silent].any()
    cued = scene_of(studio, PLAIN.replace("Papa", "[[cue: pause seconds=1.5]]Papa"))
    assert cued.duration == pytest.approx(scene_of(studio, PLAIN).duration + 1.5, abs=0.001)


def test_a_measured_running_time_counts_pauses(studio: Studio) -> None:
    script: Script = read_script(PLAIN.replace("boat", "[[cue: pause seconds=2]]boat"))
    production = with_tones(script)
    scene = compile_timeline(production, studio, RATE).scenes[0]
    time = running_time(script, studio, production)
    assert not time.estimated and time.seconds == pytest.approx(scene.duration, abs=0.01)
    placements = [Placement(line.span.start, line.reading.sample_rate, line.reading.samples) for line in scene.lines]
    assert len(mix([Track("voice", tuple(placements))], scene.duration, 48_000)) == round(scene.duration * 48_000)


def test_gestures_and_expressions_fall_on_their_words(studio: Studio) -> None:
    scene = scene_of(studio, PLAIN.replace("boat", "[[cue: wave left]]boat").replace("Papa", "[[cue: sad]]Papa"))
    role = scene.roles[scene.shots[0].hosts[0].host]
    (line,) = scene.lines
    words = {w.text: w.start + line.span.start for w in line.reading.words}
    (gesture,) = role.cues
    assert gesture.gesture == "wave" and gesture.mirrored
    assert words["boat"] <= gesture.at < words["boat"] + 0.4
    assert role.expressions == (ExpressionCue(pytest.approx(words["Papa"]), "sad"),)
    at_peak = Performance(role, RATE).pose(gesture.at)
    assert at_peak.left.y < 0.2 < at_peak.right.y  # the left hand is up, the right one is not
    before, after = (Performance(role, RATE).pose(words["Papa"] + d).mouth.smile for d in (-0.4, 0.3))
    assert after < before - 0.5


@pytest.mark.parametrize("name", list(GESTURES))
def test_a_mirrored_gesture_is_the_gesture_seen_in_a_mirror(studio: Studio, name: str) -> None:
    role = scene_of(studio, PLAIN).roles["maren"]
    peaks = []
    for mirrored in (False, True):
        cues = (GestureCue(1.6, name, 1.0, mirrored),)
        pose = Performance(type(role)(lines=(), duration=4.0, cues=cues), RATE).pose(1.6)
        peaks.append((pose.left, pose.right))
    (left, right), (other_left, other_right) = peaks
    assert (other_left.x, other_left.y) == pytest.approx((right.x, right.y), abs=0.12)
    assert (other_right.x, other_right.y) == pytest.approx((left.x, left.y), abs=0.12)


def test_expressions_flow_into_one_another() -> None:
    track = ExpressionTrack("neutral", (ExpressionCue(1.0, "happy"), ExpressionCue(3.0, "sad", 0.5)))
    smiles = np.array([track.at(t).get("mouth.smile", 0.34) for t in np.linspace(0, 4, 401)])
    assert smiles[0] == pytest.approx(0.34) and smiles[200] == pytest.approx(EXPRESSIONS["happy"]["mouth.smile"])
    assert smiles[-1] == pytest.approx((0.34 + EXPRESSIONS["sad"]["mouth.smile"]) / 2)
    assert np.abs(np.diff(smiles)).max() < 0.06


def test_a_framing_cue_cuts_on_its_word_and_a_title_shows(studio: Studio) -> None:
    text = PLAIN.replace("Papa", '[[cue: close-up]][[cue: title text="The map" seconds=2]]Papa')
    timeline = compile_timeline(with_tones(read_script(text)), studio, RATE)
    (scene,) = timeline.scenes
    (line,) = scene.lines
    start = next(w.start for w in line.reading.words if w.text == "Papa") + line.span.start
    first, second = scene.shots
    assert second.start == pytest.approx(start) and second.hosts[0].head > first.hosts[0].head * 1.3
    assert [t.text("text") for t in scene.shown] == ["The map"] and scene.shown_at(start + 0.5) == list(scene.shown)
    assert scene.shown_at(start - 0.1) == []
    picture = Picture.of("16:9", 360)
    painter, fresh = (Painter(timeline, picture, studio.resources) for _ in range(2))
    cut = next(n for n in range(timeline.frames) if RATE.start_of(n) >= start)
    painter.paint(cut - 1)
    before = painter.pixels.copy()
    painter.paint(cut)
    fresh.paint(cut)
    assert (np.abs(before.astype(int) - painter.pixels).max(axis=2) > 20).mean() > 0.1
    assert np.array_equal(painter.pixels, fresh.pixels)
    pair = scene_of(studio, "MAREN: Mama mends.\n\nSKERRY: Papa [[cue: close-up]]may. [[cue: wide]]Maybe.\n")
    seen = [[host.host for host in shot.hosts] for shot in pair.shots]
    assert seen == [["maren", "skerry"], ["skerry"], ["maren", "skerry"]]
    names = {layer.name for layer in SceneLayers(scene, UNLIT, picture, RATE, studio.resources).layers(cut + 20)}
    assert "title" in names


def test_cues_name_the_scene_anew_and_only_when_they_are_played(studio: Studio) -> None:
    plain, cued, unknown = (
        scene_of(studio, PLAIN.replace("boat", f"{note}boat")).fingerprint
        for note in ("", "[[cue: nod]]", "[[cue: somersault]]")
    )
    assert plain == unknown != cued


def test_a_picture_is_shown_from_its_word_on_and_then_gives_the_stage_back(studio: Studio) -> None:
    shown = scene_of(studio, PLAIN.replace("boat", "[[cue: picture shows=shell place=right seconds=1]]boat"))
    (card,) = shown.shown
    boat = next(w for w in shown.lines[0].reading.words if w.text == "boat")
    assert card.span.start == pytest.approx(boat.start + shown.lines[0].span.start)
    assert card.span.end - card.span.start == pytest.approx(1.0)
    picture = Picture.of("16:9", 360)
    painters = [
        Painter(compile_timeline(with_tones(read_script(text)), studio, RATE), picture, studio.resources)
        for text in (PLAIN, PLAIN.replace("boat", "[[cue: picture shows=shell place=right seconds=1]]boat"))
    ]

    def differing(moment: float) -> np.ndarray:
        frames = []
        for painter in painters:
            painter.paint(RATE.frames_in(moment))
            frames.append(painter.pixels.astype(int))
        return (np.abs(frames[0] - frames[1]) > 8).any(axis=2)

    there = differing(card.span.start + 0.7)
    assert there[:, 440:].mean() > 0.2 and not there[:, :400].any()
    assert not differing(card.span.start - 0.1).any() and not differing(card.span.end + 0.1).any()


def test_a_whole_picture_hides_the_host(studio: Studio) -> None:
    text = PLAIN.replace("boat", "[[cue: picture shows=boat place=whole]]boat")
    timeline = compile_timeline(with_tones(read_script(text), captions=False), studio, RATE)
    painter = Painter(timeline, Picture.of("9:16", 640), studio.resources)
    painter.paint(RATE.frames_in(timeline.scenes[0].shown[0].span.start + 1))
    corners = painter.pixels[[5, 5, -5, -5], [5, -5, 5, -5]]
    assert (corners == corners[0]).all()


def test_a_sound_is_heard_from_its_word_on_and_stays_under_the_voice(studio: Studio) -> None:
    plain, rung = (
        scene_of(studio, text) for text in (PLAIN, PLAIN.replace("boat", "[[cue: sound bell strength=1]]boat"))
    )
    (bell,) = rung.stings
    quiet, loud = (mix(scene_tracks(scene), scene.duration, 48_000).left for scene in (plain, rung))
    added = loud - quiet
    first = round(bell.at * 48_000)
    assert not added[: first - 1].any() and np.abs(added[first : first + 4800]).max() > 0.01
    voice = float(np.sqrt(np.mean(quiet[np.abs(quiet) > 0.01] ** 2)))
    assert float(np.sqrt(np.mean(added[first : first + 4800] ** 2))) < voice
    softer = scene_of(studio, PLAIN.replace("boat", "[[cue: sound bell strength=0.5]]boat"))
    half = mix(scene_tracks(softer), softer.duration, 48_000).left - quiet
    assert np.abs(half).max() == pytest.approx(np.abs(added).max() / 2, rel=0.01)
    assert softer.fingerprint == rung.fingerprint == plain.fingerprint, "a bell renders no picture"


@pytest.mark.parametrize("name", sorted(name for name, sting in STINGS.items() if not sting.lasts))
def test_every_sound_begins_and_ends_in_silence_at_one_level(name: str) -> None:
    sound = sting(name)
    assert 0.1 < len(sound) / STING_RATE < 5 and np.abs(sound).max() <= 0.7
    assert abs(sound[0]) < 1e-3 and np.abs(sound[-10:]).max() < 1e-3
    assert np.array_equal(sound, sting.__wrapped__(name))
    loudest = max(float(np.mean(sound[i : i + 4800] ** 2)) for i in range(0, max(1, len(sound) - 4800), 600))
    assert -27 < 10 * np.log10(loudest) < -20


@pytest.mark.parametrize("name", sorted(name for name, sting in STINGS.items() if sting.lasts))
def test_what_goes_on_does_so_for_as_long_as_is_asked_at_one_level(name: str) -> None:
    sound = sting_over(name, 15.0)
    assert len(sound) == 15 * STING_RATE and np.abs(sound).max() <= 1.0
    assert np.abs(sound[-10:]).max() < 2e-2
    levels = [
        float(np.sqrt(np.mean(sound[i : i + 3 * STING_RATE] ** 2))) for i in range(0, 12 * STING_RATE, STING_RATE)
    ]
    assert min(levels) > 0.25 * max(levels)


def test_there_are_forty_sounds_and_each_is_described() -> None:
    assert len(STINGS) >= 40
    assert all(sting.caption and sting.also for sting in STINGS.values())


def test_rain_falls_while_its_words_are_said(studio: Studio) -> None:
    scene = scene_of(studio, "[[cue: sound rain]]Mama may bring a boat to the bay and mend the map[[/cue]] today.")
    [placed] = scene.stings
    words = scene.lines[0].reading.words
    assert placed.seconds == pytest.approx(words[-2].end - words[0].start, abs=0.3)


def test_the_bells_partials_stand_as_a_church_bells_do() -> None:
    """Hum an octave under the strike tone, tierce a minor third above it (Rossing 2000, from memory)."""
    spectrum = np.abs(np.fft.rfft(sting("bell"), 4 * STING_RATE))

    def strength(hertz: float) -> float:
        middle = round(hertz * 4)
        return float(spectrum[middle - 8 : middle + 9].max())

    for there, between in ((330, 420), (660, 560), (660 * 2 ** (3 / 12), 720), (1320, 1150)):
        assert strength(there) > 4 * strength(between)


@pytest.mark.parametrize(
    ("word", "gesture"),
    [
        ("two", "two-fingers"),
        ("Third", "three-fingers"),
        ("1", "one-finger"),
        ("drei", "three-fingers"),
        ("crabs", "count"),
        ("twofold", "count"),
    ],
)
def test_counting_on_a_number_shows_that_number_and_no_other(studio: Studio, word: str, gesture: str) -> None:
    scene = scene_of(studio, f"MAREN: Here we see [[cue: count left]]{word}, and a boat.")
    (cue,) = scene.roles["maren"].cues
    assert (cue.gesture, cue.mirrored) == (gesture, True)


@pytest.mark.parametrize(("gesture", "stretched"), [("one-finger", 1), ("two-fingers", 2), ("three-fingers", 3)])
def test_so_many_fingers_are_stretched(studio: Studio, gesture: str, stretched: int) -> None:
    scene = scene_of(studio, f"MAREN: Mama may bring [[cue: {gesture}]]boats, and Papa may mend the map.")
    (cue,) = scene.roles["maren"].cues
    hand = Performance(scene.roles["maren"], RATE).pose(cue.at + 0.5).right.hand
    assert sum(curl < 0.3 for curl in hand.curl) == stretched
