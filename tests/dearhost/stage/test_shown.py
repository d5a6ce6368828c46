"""What cues show on the picture: which of several is seen, and where it lies."""

from __future__ import annotations

from dearhost.drawing.fonts import Fonts
from dearhost.production import CLIP_LINE, CUE_KINDS, Studio, read_script
from dearhost.stage import Picture, SceneTimeline, compile_timeline
from dearhost.stage.backdrops import UNLIT
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.shown import SHOWN, ShownLayers, Supplies
from dearhost.stage.painting.titles import TitleDrawing
from dearhost.stage.timeline import HEADING, LOGO, TITLE_CARD
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE, PICTURE = FrameRate.of(30), Picture.of("16:9", 360)


def scene_of(studio: Studio, text: str, **choices: object) -> SceneTimeline:
    return compile_timeline(with_tones(read_script(text), **choices), studio, RATE).scenes[0]


def seen(studio: Studio, scene: SceneTimeline, moment: float) -> list[str]:
    return [
        layer.name
        for layer in SceneLayers(scene, UNLIT, PICTURE, RATE, studio.resources).layers(RATE.frames_in(moment))
    ]


def test_every_kind_that_is_shown_has_its_drawing_and_no_other() -> None:
    assert set(SHOWN) == {kind.name for kind in CUE_KINDS if kind.shown} | {HEADING, LOGO, TITLE_CARD, CLIP_LINE}
    for kind in CUE_KINDS:  # how long it stays, or where it ends
        assert not kind.shown or kind.parameter("seconds") is not None, kind.name


def test_pictures_lie_under_titles_and_titles_under_captions(studio: Studio) -> None:
    text = 'MAREN: [[cue: title text="A map" seconds=4]]Mama [[cue: picture boat seconds=4]]mends the boat today.'
    scene = scene_of(studio, text)
    names = seen(studio, scene, scene.shown[1].span.start + 0.6)
    assert names[-3:] == ["cutaway", "title", "caption"]


def test_a_title_is_as_large_as_it_is_asked_to_be(studio: Studio) -> None:
    boxes = []
    for size in (0.6, 1.0, 1.8):
        title = scene_of(studio, f'MAREN: [[cue: title text="A map" size={size}]]Mama mends the map.').shown[0]
        left, top, right, bottom = TitleDrawing(title, PICTURE, Fonts.at(studio.resources.fonts)).paper_box
        boxes.append((right - left, bottom - top))
    assert boxes[0][0] < 0.7 * boxes[1][0] and boxes[2][0] > 1.7 * boxes[1][0]
    assert boxes[0][1] < boxes[1][1] < boxes[2][1]


def test_a_title_takes_the_place_of_the_heading_while_it_stays(studio: Studio) -> None:
    text = '# The tide room\n\nMAREN: [[cue: title text="A map" seconds=1]]Mama mends the map of the bay today.'
    scene = scene_of(studio, text)
    heading, title = scene.shown
    assert (heading.kind, heading.text("number"), heading.text("text")) == (HEADING, "1", "The tide room")
    assert heading.span.end > title.span.end, "or it would be gone by then"
    layers = ShownLayers(scene, PICTURE, Supplies(Fonts.at(studio.fonts), studio.shelf))

    def kinds(moment: float) -> list[str]:
        return [layer.key[0] for layer in layers.layers(moment, steady=True)]

    assert kinds(title.span.start - 0.01) == [HEADING]
    assert kinds(title.span.start + 0.5) == ["title"]
    assert kinds(title.span.end + 0.01) == [HEADING]


def test_a_title_and_a_picture_do_not_end_one_another(studio: Studio) -> None:
    text = 'MAREN: [[cue: title text="A map" seconds=9]]Mama [[cue: picture boat seconds=1]]mends the map today.'
    title, picture = scene_of(studio, text).shown
    assert title.span.end > picture.span.end


def test_how_long_a_cue_would_have_stayed_is_not_in_the_name_of_a_scene(studio: Studio) -> None:
    """A stretch says itself how long: the seconds change nothing, and no picture is drawn anew for them."""
    shorter, longer = (
        scene_of(studio, f"MAREN: Mama [[cue: picture boat seconds={s}]]mends the boat[[/cue]] today.")
        for s in (1.0, 9.0)
    )
    assert shorter.fingerprint == longer.fingerprint
