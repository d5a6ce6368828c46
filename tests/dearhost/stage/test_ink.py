"""What is drawn before one's eyes: in order, on its words, done before it goes, and as it would be without."""

from __future__ import annotations

import itertools
from dataclasses import replace

import numpy as np
import pytest
import skia
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from dearhost.drawing.colours import contrast, rgb
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.drawing.tracing import Outline, TracedPaper, Written
from dearhost.hosts import THINGS, draw_thing
from dearhost.production import Choices, Studio, read_script
from dearhost.production.choices import BOARDS, PENS
from dearhost.production.colours import board_colours
from dearhost.production.shown_cues import BOARDED, INK
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.painting.ink import Board, Inked
from dearhost.stage.painting.ink import pens as pens
from dearhost.stage.painting.ink.plan import planned
from dearhost.stage.painting.shown import SHOWN, Supplies
from dearhost.timebase import FrameRate, Span
from tests.conftest import with_tones

RATE = FrameRate(25)
SIZE = (640, 360)


def no_words(box: object, number: int) -> None:
    """No thing has a word of its own."""


def film(studio: Studio, text: str, **chosen: object) -> Timeline:
    script = read_script(f"MAREN: {text}")
    return compile_timeline(with_tones(script, **{"titles": False, "set": "plain", **chosen}), studio, RATE)


def two_things(paper: Paper) -> None:
    draw_thing(paper, "moon", 160, 180, 200)
    draw_thing(paper, "boat", 480, 180, 200)


def pixels(inked: Inked, moment: float) -> np.ndarray:
    surface = skia.Surface(*SIZE)
    canvas = surface.getCanvas()
    canvas.clear(skia.Color(252, 252, 248))
    inked.draw(canvas, moment)
    return surface.makeImageSnapshot().toarray()[..., :3].astype(int)


def inked(draw=two_things, begins=no_words, until: float = 9.0, **ways: object) -> Inked:
    board = Board((0, 0, *SIZE), 0.5, "#FCFCF8", "#1E2B35")
    return Inked(draw, board, Span(1.0, until), 0.2, begins, **ways)  # type: ignore[arg-type]  # settings of several types, by their names


def test_a_tracing_follows_pieces_in_order_and_leaves_shadows_out() -> None:
    paper = TracedPaper(1.0)
    square, other = (skia.Path().addRect(skia.Rect.MakeXYWH(x, 0, 40, 40)) for x in (0, 100))
    with paper.placed(10, 20, 2):
        paper.piece(square, "sea")
        paper.flat(other, "ink", 0.2)
        with paper.clipped(skia.Path().addRect(skia.Rect.MakeXYWH(100, 0, 20, 40))):
            paper.flat(other, "tide")
        paper.brush([0j, 10 + 0j, 20 + 5j], 3)
    first, clipped, brush = paper.lines
    assert isinstance(first, Outline) and first.box == pytest.approx((10, 20, 90, 100))
    assert clipped.box == pytest.approx((210, 20, 250, 100)), "what lies outside the window is no line"
    assert isinstance(brush, Outline) and not brush.closed


@pytest.mark.parametrize("name", sorted(THINGS)[::23])
def test_every_thing_has_lines_that_lie_where_it_is_drawn(name: str) -> None:
    paper = TracedPaper(1.0)
    draw_thing(paper, name, 200, 200, 200)
    assert paper.lines
    for line in paper.lines:
        left, top, right, bottom = line.box
        assert left > 40 and top > 40 and right < 360 and bottom < 360, (name, line.box)


def test_at_its_end_it_is_the_drawing_itself_and_at_its_beginning_nothing() -> None:
    drawn = inked(pen="hand")
    surface = skia.Surface(*SIZE)
    surface.getCanvas().clear(skia.Color(252, 252, 248))
    two_things(Paper(surface.getCanvas(), 0.5))
    plain = surface.makeImageSnapshot().toarray()[..., :3].astype(int)
    assert (pixels(drawn, 8.9) == plain).all()
    assert (pixels(inked(), 1.0) == (252, 252, 248)).all() or (pixels(inked(), 1.0) == (248, 252, 252)).all()


def test_what_is_drawn_grows_and_things_come_one_after_the_other() -> None:
    drawn = inked()
    inks = [(pixels(drawn, moment).sum(-1) < 300) for moment in np.linspace(1.0, drawn.drawn_at, 9)]
    left, right = [ink[:, :320].sum() for ink in inks], [ink[:, 320:].sum() for ink in inks]
    assert left[2] > 0 and right[2] == 0, "the moon first"
    assert right[-1] > 100


def test_a_thing_waits_for_its_word_and_the_hand_leaves_meanwhile() -> None:
    late = {"begins": lambda box, number: 6.5 if number else None, "until": 12.0}
    drawn = inked(pen="hand", **late)
    first, second = drawn.things[:2]
    assert first.lines[-1].span.end < 4.9 and second.lines[0].span.start == pytest.approx(6.5)
    between = (first.lines[-1].span.end + 6.5) / 2
    quiet = inked(**late)
    assert (pixels(drawn, between) == pixels(quiet, between)).all(), "no hand in the picture"
    assert (pixels(drawn, 7.0) != pixels(quiet, 7.0)).any()


@settings(max_examples=40, deadline=None)
@given(seconds=st.floats(0.8, 40), count=st.integers(1, 9), words=st.lists(st.floats(0, 40), min_size=9, max_size=9))
def test_it_is_done_before_it_goes_in_order_and_never_two_lines_at_once(
    seconds: float, count: int, words: list[float]
) -> None:
    paper = TracedPaper(1.0)
    for number in range(count):
        paper.piece(skia.Path().addRect(skia.Rect.MakeXYWH(number * 150, 0, 90, 60 + 9 * number)), "sea")
    span = Span(2.0, 2.0 + seconds)
    things = planned(paper.lines, 1.0, span, lambda box, number: 2.0 + words[number] % seconds, 0.2)
    lines = [line for thing in things for line in thing.lines]
    assert len(things) == count and all(thing.lines for thing in things)
    assert all(a.span.end <= b.span.start + 1e-9 for a, b in itertools.pairwise(lines))
    assert lines[0].span.start >= span.start
    assert things[-1].wash.end <= span.end + 0.4


def test_words_are_written_from_left_to_right(studio: Studio) -> None:
    word = Fonts.at(studio.resources.fonts).word("Low water", 60, face="serif")
    drawn = inked(lambda paper: paper.write(word, 100, 200))
    [thing] = drawn.things
    assert isinstance(thing.lines[0].line, Written)
    half = thing.lines[0].span.start + (thing.lines[0].span.end - thing.lines[0].span.start) / 2
    columns = np.flatnonzero((pixels(drawn, half).sum(-1) < 300).any(0))
    middle = 100 + word.width / 2
    assert columns.min() < 110 and abs(columns.max() - middle) < word.width * 0.16


def test_a_letter_grows_along_its_strokes(studio: Studio) -> None:
    """Of an O half the ring is there, not its left half."""
    word = Fonts.at(studio.resources.fonts).word("O", 160, face="sans")
    drawn = inked(lambda paper: paper.write(word, 200, 300))
    line = drawn.things[0].lines[0]
    moment = line.span.start + (line.span.end - line.span.start) / 2
    there, whole = (pixels(drawn, at).sum(-1) < 300 for at in (moment, drawn.drawn_at + 2))
    assert 0.35 < there.sum() / whole.sum() < 0.65 and not (there & ~whole).any()
    rows = np.flatnonzero(whole.any(1))
    middle = (rows[0] + rows[-1]) // 2
    left, right = np.split(whole[middle], [int(200 + word.width / 2)])
    both = there[middle][: len(left)] & left, there[middle][len(left) :] & right
    assert (both[0].sum() > 0.8 * left.sum()) != (both[1].sum() > 0.8 * right.sum()), "one side after the other"
    tip = line.tip(moment)
    near = whole[int(tip.imag) - 3 : int(tip.imag) + 4, int(tip.real) - 3 : int(tip.real) + 4]
    assert near.any(), "the pen is on the letter"


def test_the_camera_goes_near_the_pen_and_back() -> None:
    near = inked(follows=True)
    moment = near.things[0].lines[0].span.end
    assert (pixels(near, moment) != pixels(inked(), moment)).any()
    assert (pixels(near, 8.9) == pixels(inked(), 8.9)).all()


@pytest.mark.parametrize("board", [name for name in BOARDS if name != "none"])
@pytest.mark.parametrize("accent", ["", "#ffe14a", "#101010"])
def test_what_is_written_on_a_board_is_readable(board: str, accent: str) -> None:
    """WCAG 2.2, 1.4.3: 4.5 to 1."""
    colours = board_colours(Choices(board=board, accent=accent))
    pairs = (
        (colours.ink, colours.paper), (colours.quiet_ink, colours.paper), (colours.accent_ink, colours.paper),
        (colours.on_card, colours.card), (colours.card_mark, colours.card), (colours.ink, colours.row),
        (colours.on_button, colours.button), (colours.ink, colours.whole),
    )  # fmt: skip
    assert all(contrast(rgb(text), rgb(ground)) >= 4.5 for text, ground in pairs)


def test_a_scene_with_a_board_draws_all_it_shows_there(studio: Studio) -> None:
    text = "[[cue: picture moon also=wave how=pull place=left]]The moon goes round, and late the wave comes.[[/cue]]"
    [shown] = film(studio, text, board="dark", pen="pen").scenes[0].shown
    assert shown.text("comes") == INK and shown.text("pen") == "pen" and shown.region == "right"
    assert shown.colours == board_colours(Choices(board="dark"))
    said = {word.text.strip(".,"): word.start for word in film(studio, text).scenes[0].lines[0].reading.words}
    start = film(studio, text).scenes[0].lines[0].span.start
    assert [row.at for row in shown.rows] == pytest.approx([start + said["moon"], start + said["wave"]], abs=0.01)


def test_a_board_changes_the_pictures_name_and_a_pen_only_where_something_is_drawn(studio: Studio) -> None:
    text = "[[cue: list rows='Fog | Wind']]Fog and wind.[[/cue]] That is all."
    cut, drawn = film(studio, text), film(studio, text, board="white")
    assert cut.scenes[0].shown[0] != drawn.scenes[0].shown[0]
    assert film(studio, text, pen="pen").scenes[0].shown == cut.scenes[0].shown


@pytest.fixture(scope="module")
def photo(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Red at the left, blue at the right."""
    pixels = np.zeros((120, 200, 3), np.uint8)
    pixels[:, :100, 0] = pixels[:, 100:, 2] = 220
    path = tmp_path_factory.mktemp("files") / "two-halves.png"
    Image.fromarray(pixels).save(path)
    return studio.shelf.take(path, path.name).id


def shares(painter: Painter, moment: float) -> tuple[float, float]:
    """How much of the picture is red and blue as the photo is."""
    painter.paint(RATE.frames_in(moment))
    blue, green, red = (painter.pixels[..., one].astype(int) for one in range(3))
    return float(((red > 190) & (green < 40) & (blue < 40)).mean()), float(((blue > 190) & (red < 40)).mean())


@pytest.mark.parametrize("place", ["beside", "whole"])
def test_a_photo_is_shaded_onto_the_board(studio: Studio, photo: str, place: str) -> None:
    """From its upper left to its lower right, within its mount, before it goes."""
    text = f"[[cue: own {photo} place={place}]]Here is the slipway as it was in the year of the great flood.[[/cue]]"
    timeline = film(studio, text, board="white", layout="none", captions=False, pen="none")
    [shown] = timeline.scenes[0].shown
    assert shown.text("board") == "white" and shown.text("comes") == INK
    painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
    halves = [shares(painter, moment) for moment in np.linspace(shown.span.start, shown.span.end - 0.4, 12)]
    red, blue = (list(one) for one in zip(*halves, strict=True))
    assert red[0] < 0.001 and blue[0] < 0.001
    assert all(after >= before - 0.002 for before, after in itertools.pairwise(red)), "what is there stays"
    assert any(0.2 * red[-1] < half < 0.9 * red[-1] for half in red), "it comes bit by bit"
    begun = next(index for index, part in enumerate(red) if part > 0.1 * red[-1])
    assert blue[begun] < 0.6 * red[begun], "from the left"
    assert red[-1] == pytest.approx(blue[-1], rel=0.1) and red[-1] > 0.03
    painter.paint(RATE.frames_in(shown.span.end - 0.4))
    ground = np.array(rgb("#FCFCF8"))[::-1]
    assert (np.abs(painter.pixels[..., :3].astype(int) - ground).sum(-1) < 8).mean() > 0.1, "the board about it"


@pytest.mark.parametrize("place", ["by-hand", "wall-left"])
def test_what_is_put_elsewhere_is_not_drawn_on_the_board(studio: Studio, photo: str, place: str) -> None:
    text = f"[[cue: own {photo} place={place}]]Here is the slipway.[[/cue]]"
    [shown] = film(studio, text, board="white").scenes[0].shown
    assert not shown.text("board") and shown.text("comes") != INK and shown.region == place


def test_several_photos_and_clips_come_onto_the_board_by_themselves(studio: Studio, photo: str) -> None:
    text = f"[[cue: own items='{photo} {photo}']]Here is the slipway as it was in the year of the flood.[[/cue]]"
    timeline = film(studio, text, board="white", layout="none", captions=False)
    [shown] = timeline.scenes[0].shown
    painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
    early, late = (shares(painter, shown.span.start + after)[0] for after in (0.7, 2.0))
    assert early == pytest.approx(late, rel=0.02) and early > 0.02


@pytest.mark.parametrize("kind", BOARDED)
def test_every_kind_can_be_drawn_and_is_whole_in_the_end(studio: Studio, photo: str, kind: str) -> None:
    needs = {"end-card": "text='Come and see' address=quillhaven.example", "own": photo}
    given = f" {needs.get(kind, '')}"
    timeline = film(
        studio,
        f"[[cue: {kind}{given}]]Forty boats and nets go out at dawn every day.[[/cue]] Good.",
    )
    shown = timeline.scenes[0].shown[0]
    span = Span(shown.span.start, shown.span.end + 2.0)
    drawn = replace(shown, span=span, parameters={**shown.parameters, "comes": INK, "pen": "hand"})
    supplies = Supplies(Fonts.at(studio.resources.fonts), studio.shelf)
    picture = Picture.of("16:9", 360)
    drawing = SHOWN[kind].drawing(drawn, picture, supplies)
    keys = [drawing.key(moment) for moment in (span.start + 1.2, span.end - 0.5, span.end - 0.4)]
    assert keys[0] != keys[1] == keys[2], "a drawing that is done costs nothing"
    scene = replace(timeline.scenes[0], shown=(drawn,))
    painter = Painter(replace(timeline, scenes=(scene,)), picture, studio.resources)
    painter.paint(RATE.frames_in(shown.span.start + 1.0))
    halfway = painter.pixels.copy()
    painter.paint(RATE.frames_in(shown.span.end - 0.5))
    assert (halfway != painter.pixels).any()


def test_every_pen_that_is_seen_can_be_drawn() -> None:
    assert set(pens.PENS) == set(PENS) - {"none"}


def test_a_board_stays_from_one_drawing_to_the_next_soon_after(studio: Studio) -> None:
    two = (
        "[[cue: words text=Ebb place=whole]]The water goes.[[/cue]] Then "
        "[[cue: words text=Flood place=whole]]the water comes.[[/cue]]"
    )
    timeline = film(studio, two, board="white", layout="none", captions=False, pen="none")
    first, second = timeline.scenes[0].shown
    assert first.span.end == pytest.approx(second.span.start)
    painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
    ground = np.array(rgb("#FCFCF8"))[::-1]
    for moment in (
        second.span.start - 0.1,
        second.span.start - 0.02,
        second.span.start + 0.02,
        second.span.start + 0.1,
    ):
        painter.paint(RATE.frames_in(moment))
        assert (np.abs(painter.pixels[..., :3].astype(int) - ground).sum(-1) < 6).mean() > 0.8, moment
    cut = film(studio, two, layout="none", captions=False).scenes[0].shown
    assert cut[0].span.end < cut[1].span.start, "paper goes in between"


def test_no_hand_hurries() -> None:
    board = Board((0, 0, *SIZE), 0.5, "#FCFCF8", "#1E2B35")
    for seconds, seen in ((8.0, True), (0.9, False)):
        hand, alone = (Inked(two_things, board, Span(0, seconds), 0.2, no_words, pen=pen) for pen in ("hand", ""))
        moments = np.linspace(0.05, hand.drawn_at, 7)
        assert any((pixels(hand, moment) != pixels(alone, moment)).any() for moment in moments) == seen


def test_while_a_word_is_waited_for_nothing_is_drawn_again() -> None:
    drawn = inked(pen="hand", begins=lambda box, number: 9.0 if number else None, until=16.0)
    first = drawn.things[0]
    waiting = [first.wash.end + 0.6, 7.0, 8.4]
    assert len({drawn.state(moment) for moment in waiting}) == 1
    assert all((pixels(drawn, moment) == pixels(drawn, waiting[0])).all() for moment in waiting)
    assert drawn.state(8.8) != drawn.state(8.9), "the hand comes back"
