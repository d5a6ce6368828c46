"""What lasts over words lasts from the first of them to the last: pictures, framings, emphasis."""

from __future__ import annotations

import pytest

from dearhost.production import Studio, read_script
from dearhost.production.line_reading import manner_of
from dearhost.stage import SceneTimeline, compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate.of(30)


def scene_of(studio: Studio, text: str, **choices: object) -> SceneTimeline:
    return compile_timeline(with_tones(read_script(text), **choices), studio, RATE).scenes[0]


def spans(scene: SceneTimeline) -> dict[str, tuple[float, float]]:
    (line,) = scene.lines
    return {w.text: (w.start + line.span.start, w.end + line.span.start) for w in line.reading.words}


def test_a_picture_stays_from_its_first_word_to_the_end_of_its_last(studio: Studio) -> None:
    scene = scene_of(studio, "MAREN: Mama may [[cue: picture boat seconds=9]]bring a boat[[/cue]]. Papa mends the map.")
    words = spans(scene)
    (card,) = scene.shown
    assert card.span.start == pytest.approx(words["bring"][0]) and card.span.end == pytest.approx(words["boat"][1])


def test_a_picture_on_a_word_alone_stays_its_seconds(studio: Studio) -> None:
    scene = scene_of(studio, "MAREN: Mama may [[cue: picture boat seconds=1.5]]bring a boat. Papa mends the map.")
    (card,) = scene.shown
    assert card.span.end - card.span.start == pytest.approx(1.5)


def test_of_two_pictures_the_later_wins_and_ends_the_earlier(studio: Studio) -> None:
    text = (
        "MAREN: [[cue: picture boat]]Mama may bring [[cue: picture fish]]a boat[[/cue]] to the pier[[/cue]]. Papa too."
    )
    scene = scene_of(studio, text)
    first, second = scene.shown
    words = spans(scene)
    assert (first.text("shows"), second.text("shows")) == ("boat", "fish")
    assert first.span.end == second.span.start == pytest.approx(words["a"][0])
    assert second.span.end == pytest.approx(words["boat"][1])


def test_a_framing_returns_to_what_was_before(studio: Studio) -> None:
    scene = scene_of(studio, "MAREN: Mama may [[cue: close-up]]bring a boat[[/cue]]. Papa mends the map.")
    words = spans(scene)
    opening, near, back = scene.shots
    assert near.start == pytest.approx(words["bring"][0]) and back.start == pytest.approx(words["boat"][1])
    assert near.hosts[0].head > opening.hosts[0].head * 1.2 and back.hosts == opening.hosts


def test_a_framing_inside_another_goes_back_to_the_outer_one(studio: Studio) -> None:
    text = "MAREN: [[cue: wide]]Mama may [[cue: close-up]]bring a[[/cue: close-up]] boat today. Papa mends the map."
    scene = scene_of(studio, text)
    heads = [round(shot.hosts[0].head, 3) for shot in scene.shots]
    medium, wide, near, again = heads
    assert wide == again < medium < near


def test_a_framing_that_is_changed_meanwhile_does_not_come_back(studio: Studio) -> None:
    text = "MAREN: Mama [[cue: close-up]]may bring [[cue: wide]]a boat[[/cue: close-up]] today. Papa mends the map."
    scene = scene_of(studio, text)
    heads = [round(shot.hosts[0].head, 3) for shot in scene.shots]
    assert len(heads) == 3 and heads[2] < heads[0] < heads[1]


def test_emphasis_lies_on_every_word_of_its_stretch() -> None:
    (line,) = read_script("MAREN: Mama may [[cue: emphasis strength=0.7]]bring a boat[[/cue]] today.").scenes[0].lines
    assert manner_of(line).emphasis == {2: 0.7, 3: 0.7, 4: 0.7}
    (line,) = read_script("MAREN: Mama may [[cue: emphasis]]bring a boat today.").scenes[0].lines
    assert manner_of(line).emphasis == {2: 1.0}
