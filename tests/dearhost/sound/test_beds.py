"""Beds: exactly as long as asked, in key, in time, out of the way of words."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise

import numpy as np
import pyloudnorm
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.production import Studio, read_script
from dearhost.render.music import bed_loudness
from dearhost.render.soundtrack import BED, VOICE, film_tracks, mastered, tracks_of_scene
from dearhost.sound import mix
from dearhost.sound.beds import MOODS, STYLES, BedSpec, compose, last_chord_of
from dearhost.sound.beds.harmony import chord, voiced
from dearhost.sound.beds.instruments import INSTRUMENTS, hertz, tone
from dearhost.sound.beds.rendering import Bed
from dearhost.sound.loudness import true_peak
from dearhost.sound.under_voice import Levels, Mark, gain_curve, speaking
from dearhost.stage import Timeline, compile_scene, compile_timeline
from dearhost.stage.beds import BedStretch, OtherScene, beds_of
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = 48_000
KINDS = [(mood, style) for mood in MOODS for style in STYLES]
specs = st.builds(
    BedSpec, st.sampled_from(list(MOODS)), st.sampled_from(list(STYLES)), st.floats(6, 240), st.integers(0, 400),
    st.lists(st.floats(1, 200), max_size=6).map(tuple),
)  # fmt: skip


# notes


@given(specs)
@settings(max_examples=60)
def test_the_last_chord_is_struck_in_time_and_nothing_comes_after(spec: BedSpec) -> None:
    score = compose(spec)
    assert score.last_chord == pytest.approx(last_chord_of(spec), abs=0.001)
    assert all(0 <= note.start <= score.last_chord + 0.001 for note in score.notes)
    assert all(0 < note.velocity <= 1 and note.length > 0 for note in score.notes)
    assert all(a < b for a, b in pairwise(score.grid.beats))


@given(specs)
@settings(max_examples=60)
def test_accents_that_are_kept_begin_bars_and_the_tempo_stays_near_one(spec: BedSpec) -> None:
    score = compose(spec)
    begins = {round(score.grid.at(bar.first), 6) for bar in score.grid.bars}
    for accent in score.grid.accents:
        assert min(abs(accent - asked) for asked in spec.accents) < 0.001
        assert round(accent, 6) in begins
    steps = np.diff(score.grid.beats)
    if score.grid.accents:
        assert np.abs(steps * score.grid.tempo / 60 - 1).max() < 0.12


def test_nine_of_ten_accents_are_kept() -> None:
    dice = np.random.default_rng(4)
    kept = asked = 0
    for mood, style in KINDS:
        accents = tuple(float(a) for a in np.sort(dice.uniform(4, 50, 3)))
        kept += len(compose(BedSpec(mood, style, 60, 1, accents)).grid.accents)
        asked += 3
    assert kept / asked >= 0.9


@pytest.mark.parametrize(("mood", "style"), KINDS)
def test_what_is_struck_on_a_beat_is_of_the_chord(mood: str, style: str) -> None:
    """Nothing rubs: at whole beats only tones of the chord are struck."""
    score = compose(BedSpec(mood, style, 45, 3))
    ends = [at for at, _ in score.chords[1:]] + [1e9]
    for note in score.notes:
        nearest = min(score.grid.beats, key=lambda beat: abs(beat - note.start))
        if abs(nearest - note.start) < 1e-6 and note.role != "bass":
            pitches = next(
                p for (at, p), end in zip(score.chords, ends, strict=True) if at - 1e-6 <= note.start < end - 1e-6
            )
            assert note.pitch % 12 in pitches


@pytest.mark.parametrize("mood", MOODS)
def test_the_bass_is_below_all_and_of_the_chord_where_it_is_struck_again(mood: str) -> None:
    """Common practice, no source: a second note of the bass that is not of the chord is heard as another chord."""
    for seed in range(4):
        score = compose(BedSpec(mood, "felt-piano", 60.0, seed))
        ends = [at for at, _ in score.chords[1:]] + [1e9]
        for (at, pitches), end in zip(score.chords, ends, strict=True):
            bass = [note for note in score.notes if note.role == "bass" and at - 1e-6 <= note.start < end - 1e-6]
            assert all(note.pitch <= 55 for note in bass), (mood, seed, bass)
            assert all(note.pitch % 12 in {*pitches, bass[0].pitch % 12} for note in bass[1:]), (mood, seed, bass)


def test_another_seed_is_another_bed_and_the_same_seed_the_same() -> None:
    spec = BedSpec("warm", "nylon", 40, 5)
    assert compose(spec).notes == compose(spec).notes
    others = {compose(replace(spec, seed=seed)).notes for seed in range(12)}
    assert len(others) == 12


@pytest.mark.parametrize("bad", [{"mood": "angry"}, {"style": "kazoo"}, {"seconds": 2.0}, {"seconds": 4000.0}])
def test_what_cannot_be_composed_is_refused(bad: dict[str, object]) -> None:
    with pytest.raises(ValueError, match=next(iter(bad))):
        replace(BedSpec("calm", "nylon", 30), **bad)  # type: ignore[arg-type]  # what is wrong is asked for


@pytest.mark.parametrize(
    ("numeral", "root", "pitches"),
    [("I", 0, {0, 4, 7}), ("vi", 9, {9, 0, 4}), ("V7", 7, {7, 11, 2, 5}), ("bVII", 10, {10, 2, 5}),
     ("IM7", 0, {0, 4, 7, 11}), ("IVadd9", 5, {5, 9, 0, 7}), ("iv", 5, {5, 8, 0}), ("bII", 1, {1, 5, 8})],
)  # fmt: skip
def test_roman_numerals_are_read_as_they_are_written(numeral: str, root: int, pitches: set[int]) -> None:
    """As in any textbook of harmony (Piston, Harmony, 1941, chapters 2 and 14)."""
    assert chord(numeral)[0] == root and set(chord(numeral)[1]) == pitches


@given(st.sampled_from(["I", "ii", "IV", "V7", "vi", "bVI", "IM7", "IVadd9"]), st.integers(0, 11))
def test_chords_are_voiced_without_rubbing(numeral: str, tonic: int) -> None:
    pitches = [(one + tonic) % 12 for one in chord(numeral)[1]]
    before: list[int] = []
    for _ in range(2):
        before = voiced(pitches, before)
        assert {note % 12 for note in before} == set(pitches)
        assert all(b - a >= 2 for a, b in pairwise(before)) and before[-1] - before[0] <= 16


# sound


@pytest.mark.parametrize("seconds", [6.0, 11.37, 30.0])
def test_a_bed_is_as_long_as_asked_to_the_sample_and_ends_in_silence(seconds: float) -> None:
    made = Bed(BedSpec("calm", "felt-piano", seconds, 1)).whole()
    assert len(made) == round(seconds * RATE)
    assert np.abs(made).max() < 1.0 and np.sqrt((made[-480:] ** 2).mean()) < 1e-4 < np.sqrt((made**2).mean())
    assert (made[:, 0] != made[:, 1]).any()


def test_any_part_is_the_same_whatever_else_is_asked() -> None:
    spec = BedSpec("bright", "mallets", 26.0, 2)
    whole = Bed(spec).whole()
    for first, last in ((0, 5), (9.4, 12.3), (19.99, 26.0)):
        part = Bed(spec).part(round(first * RATE), round(last * RATE))
        assert np.array_equal(part, whole[round(first * RATE) : round(last * RATE)])
    beyond = Bed(spec).part(25 * RATE, 28 * RATE)
    assert not beyond[RATE:].any() and beyond[:RATE].any()


@pytest.mark.parametrize("instrument", INSTRUMENTS)
@pytest.mark.parametrize("pitch", [45, 57, 69])
def test_instruments_play_the_pitch_that_is_written(instrument: str, pitch: int) -> None:
    """A4 is 440 Hz (ISO 16); found by autocorrelation."""
    sound = tone(instrument, pitch).samples[2400:26400].astype(float)
    size = 4 * len(sound)
    correlated = np.fft.irfft(np.abs(np.fft.rfft(sound, size)) ** 2)[: len(sound)]
    period = RATE / hertz(pitch)
    near = slice(round(period * 0.94), round(period * 1.06) + 1)
    best = near.start + int(np.argmax(correlated[near]))
    assert best == pytest.approx(period, rel=0.012) and correlated[best] > 0.3 * correlated[0]


# under words


WORDS = [(2.0, 2.4), (2.5, 3.0), (6.5, 7.0)]


def test_it_is_down_before_each_word_and_up_in_long_pauses() -> None:
    times = np.arange(0, 12, 0.005)
    down = speaking(WORDS, times)
    for begin, end in WORDS:
        said = (times >= begin - 0.04) & (times <= end)
        assert down[said].min() > 0.999
    assert down[(times > 4.5) & (times < 6.0)].max() < 0.01
    assert down[(times > 2.4) & (times < 2.5)].min() > 0.999, "short pauses do not let it up"


@given(st.floats(6, 40), st.floats(3, 40))
def test_levels_are_what_is_chosen(under: float, pause: float) -> None:
    curve = gain_curve(WORDS, (), [(0.0, Levels(under, pause))], 0.0, 12.0)
    at = dict(curve)
    levels = np.array([level for _, level in curve])
    times = np.array(list(at))
    assert levels[np.argmin(np.abs(times - 2.2))] == pytest.approx(-under, abs=0.01)
    assert levels[np.argmin(np.abs(times - 5.0))] == pytest.approx(-pause, abs=0.05)


def test_stretches_silence_it_or_let_it_swell() -> None:
    curve = gain_curve(WORDS, [Mark(4.6, 5.4, "silent"), Mark(6.5, 7.0, "swells")], [(0.0, Levels(20, 10))], 0.0, 12.0)
    level = {round(at, 2): value for at, value in curve}
    assert level[5.0] < -50 and level[6.76] == pytest.approx(-10, abs=0.2)


@given(st.floats(6, 40), st.floats(6, 40))
def test_levels_change_from_a_second_on_softly_and_no_sooner_than_is_heard(first: float, second: float) -> None:
    curve = gain_curve(WORDS, (), [(0.0, Levels(first, first)), (6.0, Levels(second, second))], 0.0, 12.0)
    times, levels = (np.array(part) for part in zip(*curve, strict=True))
    assert levels[times < 5.6] == pytest.approx(-first, abs=1e-6)
    assert levels[times >= 6.0] == pytest.approx(-second, abs=1e-6)
    assert np.abs(np.diff(levels)).max() <= 0.1 * abs(first - second) + 1e-9, "no jump"


# in films


SCRIPT = "# One\n\nMAREN: Mama may bring a boat.\n\n# Two\n\nMAREN: Papa mends the map of the bay today."


ACCENTED = (
    "# One\n\nMAREN: Mama may bring a boat to the bay, and [[cue: bed accent]]nobody helps her at all, says Papa.\n\n"
    "# Two\n\nMAREN: Papa mends the map of the bay for all of them, and [[cue: bed accent]]never did he mend another."
)


def film(studio: Studio, **choices: object) -> Timeline:
    chosen = {"bed": "calm", "bed_style": "nylon", **choices}
    return compile_timeline(with_tones(read_script(SCRIPT), **chosen), studio, FrameRate.of(30))


def test_a_film_with_music_is_as_loud_as_one_without(studio: Studio) -> None:
    """Measured by pyloudnorm on both channels (ITU-R BS.1770-4)."""
    for chosen, wanted in (("-16", -16.0), ("-23", -23.0)):
        timeline = film(studio, loudness=chosen)
        sound = mastered(film_tracks(timeline, studio.shelf), timeline.duration, timeline.loudness)
        pair = np.stack([sound.left, sound.right], axis=1).astype(float)
        assert pyloudnorm.Meter(RATE).integrated_loudness(pair) == pytest.approx(wanted, abs=0.15)
        assert max(true_peak(sound.left), true_peak(sound.right)) <= -1.0


def test_music_lies_twenty_below_the_words(studio: Studio) -> None:
    timeline = film(studio)
    tracks = {track.name: mix([track], timeline.duration, RATE) for track in film_tracks(timeline, studio.shelf)}
    said = np.zeros(len(tracks[VOICE]), bool)
    for scene in timeline.scenes:
        for line in scene.lines:
            for word in line.reading.words:
                begin = scene.start + line.span.start
                said[round((begin + word.start) * RATE) : round((begin + word.end) * RATE)] = True

    def level(name: str) -> float:
        return float(10 * np.log10((tracks[name].left[said].astype(float) ** 2).mean() + 1e-12))

    assert 14 < level(VOICE) - level(BED) < 27


def test_scenes_with_the_same_music_have_one_bed_and_others_their_own(studio: Studio) -> None:
    choices = film(studio).scenes[0].choices
    one, other = (BedStretch(replace(choices, bed=bed), 10.0, 9.0) for bed in ("calm", "tense"))
    none = BedStretch(replace(choices, bed="none"), 5.0, 4.0)
    beds = beds_of([one, one, none, one, other])
    assert [(bed.start, bed.end) for bed in beds] == [(0, 20), (25, 35), (35, 45)]
    assert beds[0].spec is not None and beds[0].spec.accents == (10.0,)
    assert beds[0].spec.end == pytest.approx(19.0 + 0.4, abs=0.11), "the last chord is struck as the last word ends"
    assert beds_of([none, BedStretch(choices, 2.0, 1.0)]) == (), "too short for music"


def test_one_bed_is_lower_in_the_scene_that_wants_it_so_and_goes_on(studio: Studio) -> None:
    production = with_tones(read_script(SCRIPT), bed="calm", bed_style="nylon")
    one, two = production.script.scenes
    softer = replace(two, staging=replace(two.staging, own={"bed_under": 30.0, "bed_pause": 25.0}))
    quiet = replace(production, script=replace(production.script, scenes=(one, softer)))
    usual, timeline = (compile_timeline(made, studio, FrameRate.of(30)) for made in (production, quiet))
    [bed], changes = timeline.beds, timeline.scenes[1].start
    assert bed.spec == usual.beds[0].spec, "the music itself is the same, and goes on"
    assert [(round(at, 3), level.under) for at, level in bed.levels] == [(0.0, 20.0), (round(changes, 3), 30.0)]

    def heard(film: Timeline) -> np.ndarray:
        tracks = [track for track in film_tracks(film, studio.shelf) if track.name == BED]
        return mix(tracks, film.duration, RATE).left.astype(float)

    before, after = heard(usual), heard(timeline)
    edge = round((changes - 0.4) * RATE)
    assert np.allclose(before[:edge], after[:edge], atol=1e-4), "nothing changes before"
    rest = slice(round((changes + 0.1) * RATE), round((timeline.duration - 0.2) * RATE))
    lower = 10 * np.log10((before[rest] ** 2).mean() / (after[rest] ** 2).mean())
    assert 9 < lower < 16
    # a scene alone has its own level too
    known = {scene.id: OtherScene(scene.duration, scene.bed_accents) for scene in timeline.scenes}
    alone = compile_scene(quiet, two.id, studio, FrameRate.of(30), heard=True, others=lambda scene: known[scene.id])
    assert alone.beds[0].levels[-1] == (pytest.approx(0.0, abs=1e-6), bed.levels[-1][1])


def test_a_scene_alone_has_its_part_of_the_films_music(studio: Studio) -> None:
    timeline = film(studio)
    first, second = timeline.scenes
    production = with_tones(read_script(SCRIPT), bed="calm", bed_style="nylon")
    scene_ids = [scene.id for scene in production.script.scenes]
    alone = compile_scene(
        production, scene_ids[1], studio, FrameRate.of(30), heard=True, others=lambda scene: OtherScene(first.duration)
    )
    [part] = alone.beds
    assert part.spec == timeline.beds[0].spec and part.begins == pytest.approx(first.duration)
    whole = next(t for t in tracks_of_scene(timeline, second, studio.shelf) if t.name == BED)
    own = next(t for t in tracks_of_scene(alone, alone.scenes[0], studio.shelf) if t.name == BED)
    assert np.allclose(whole.placements[0].samples, own.placements[0].samples, atol=1e-6)


def test_bars_begin_on_the_words_that_are_chosen(studio: Studio) -> None:
    production = with_tones(read_script(ACCENTED), bed="calm", bed_style="nylon")
    timeline = compile_timeline(production, studio, FrameRate.of(30))
    asked = [scene.start + at for scene in timeline.scenes for at in scene.bed_accents]
    assert len(asked) == 2 and all(scene.bed_marks == () for scene in timeline.scenes)
    [bed] = timeline.beds
    assert bed.spec is not None
    kept = compose(bed.spec).grid.accents
    for moment in asked:
        assert min(abs(moment - accent) for accent in bed.spec.accents) < 0.002
        assert min(abs(moment - accent) for accent in kept) < 0.002
    # a scene alone has the same music, since it knows of the others' accents
    last = production.script.scenes[-1]
    known = {scene.id: OtherScene(scene.duration, scene.bed_accents) for scene in timeline.scenes}
    alone = compile_scene(production, last.id, studio, FrameRate.of(30), heard=True, others=lambda s: known[s.id])
    assert alone.beds[0].spec == bed.spec


def test_words_go_before_changes_of_scenes_that_are_near(studio: Studio) -> None:
    choices = replace(film(studio).scenes[0].choices, bed="calm")
    scenes = [BedStretch(choices, 10.0, 9.0, (9.5, 4.0)), BedStretch(choices, 10.0, 9.0, (6.0,))]
    assert beds_of(scenes)[0].spec.accents == (4.0, 9.5, 16.0)  # type: ignore[union-attr] - it is composed
    without = [replace(scene, choices=replace(choices, bed_accents=False)) for scene in scenes]
    assert beds_of(without)[0].spec.accents == (4.0, 9.5, 16.0)  # type: ignore[union-attr] - it is composed


def test_music_renders_no_picture_again(studio: Studio) -> None:
    changes: list[dict[str, object]] = [{}, {"bed": "none"}, {"bed": "tense"}, {"bed_under": 12.0}, {"loudness": "-14"}]
    names = [tuple(scene.fingerprint for scene in film(studio, **chosen).scenes) for chosen in changes]
    assert len(set(names)) == 1


def test_a_beds_loudness_is_told_by_its_beginning(studio: Studio) -> None:
    spec = BedSpec("proud", "quartet", 50.0, 2)
    made = Bed(spec).whole().astype(float)
    assert bed_loudness(spec) == pytest.approx(pyloudnorm.Meter(RATE).integrated_loudness(made), abs=3.0)
