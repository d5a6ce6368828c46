"""The water of the ribbon: the level of the music as it is mixed, through a scene."""

from __future__ import annotations

import numpy as np
import pytest

from dearhost.production import Studio, read_script
from dearhost.stage import Timeline, compile_timeline
from dearhost.stage.music_level import music_level
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

SCRIPT = (
    "# One\n\nMAREN: Mama may bring a boat. [[cue: pause seconds=4]]Papa mends [[cue: bed silent]]the map[[/cue]]."
    "\n\n"
    "# Two\n\nMAREN: Never again, said Mama, and Papa mends the map for all of them until the evening comes."
)


def film(studio: Studio, **choices: object) -> Timeline:
    return compile_timeline(with_tones(read_script(SCRIPT), **choices), studio, FrameRate.of(25))


def level_at(points: list[tuple[float, float]], at: float) -> float:
    return float(np.interp(at, [point[0] for point in points], [point[1] for point in points]))


def test_it_falls_at_words_rises_in_pauses_and_is_gone_where_it_is_silent(studio: Studio) -> None:
    timeline = film(studio, bed="calm", bed_under=22.0, bed_pause=8.0)
    scene = timeline.scenes[0]
    points = music_level(scene)
    assert points[0][0] == 0.0 and points[-1][0] == pytest.approx(scene.duration, abs=0.11)
    (line,) = scene.lines
    words = {word.text: (line.span.start + word.start, line.span.start + word.end) for word in line.reading.words}
    for name in ("Mama", "boat", "Papa"):
        assert level_at(points, sum(words[name]) / 2) == pytest.approx(22, abs=0.2)
    assert level_at(points, (words["boat"][1] + words["Papa"][0]) / 2) == pytest.approx(8, abs=0.5)
    assert level_at(points, sum(words["the"]) / 2) > 50
    assert len(points) < 80  # it is drawn, not played


def test_scenes_without_music_have_none_and_the_second_is_in_its_own_time(studio: Studio) -> None:
    assert music_level(film(studio).scenes[0]) == []
    timeline = film(studio, bed="calm")
    second = timeline.scenes[1]
    points = music_level(second)
    assert points[0][0] == 0.0 and points[-1][0] <= second.duration + 0.01
