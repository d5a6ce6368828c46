"""What is shown on words: when it comes, where it has room, on what its rows fall, and that nothing is covered."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
import zxingcpp
from hypothesis import given, settings
from hypothesis import strategies as st
from uniseg.linebreak import line_break_units

from dearhost.drawing.colours import contrast, rgb
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.production import SHAPES, Studio, read_script
from dearhost.production.shown_cues import COMES, TEMPLATES
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.backdrops import UNLIT
from dearhost.stage.direction.showing import row_texts
from dearhost.stage.layout.shapes import LAYOUTS, panel_box
from dearhost.stage.painting.entrances import ENTRANCES, arrived
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.panels.compositions import compose
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.painting.shown import SHOWN, Supplies
from dearhost.stage.painting.text_blocks import Face, _break_units, fitted
from dearhost.stage.painting.titles import NameDrawing
from dearhost.stage.timeline import Shown, ShownRow
from dearhost.timebase import FrameRate, Span
from tests.conftest import with_tones

RATE = FrameRate(25)
LINES = {
    "list": '[[cue: list rows="Low water | Somebody who knows | Fog"]]Look up low water, tell somebody, and watch for '
    "fog today.[[/cue]] That is all.",
    "number": '[[cue: number unit="metres"]]It rises 12.4 metres twice a day here.[[/cue]]',
    "quotation": '[[cue: quotation who="Agnes Thorne"]]I set my clock by the water.[[/cue]]',
    "comparison": "[[cue: comparison shows=moon against=sun]]The moon or the sun, which is it?[[/cue]]",
    "words": "[[cue: words]]Mind the gap.[[/cue]]",
    "end-card": '[[cue: end-card text="Come and see" address="quillhaven.example"]]Come and see the sea leave.[[/cue]]',
    "picture": "[[cue: picture boat place=beside]]The boats go out at dawn.[[/cue]]",
}


def supplies(studio: Studio) -> Supplies:
    """What is drawn with."""
    return Supplies(Fonts.at(studio.resources.fonts), studio.shelf)


def shown_with(text: str, kind: str, region: str) -> Shown:
    """Something shown in a region for ten seconds that says ``text`` wherever it says anything."""
    parameters = {
        "text": text, "number": text[:12], "unit": text[:20], "who": text[:30], "button": text[:24], "says": text,
        "shows": "moon", "against": "sun", "comes": "pops", "code": "no", "address": "",
    }  # fmt: skip
    parts = (text[:40], text[40:90], text[90:])
    rows = tuple(ShownRow(part, "", float(at)) for at, part in enumerate(parts) if part.strip())
    return Shown(kind, Span(0, 10), parameters, "", rows if kind == "list" else (), region=region)


def film(studio: Studio, text: str, **chosen: object) -> Timeline:
    script = read_script(f"MAREN: {text}")
    return compile_timeline(with_tones(script, **{"titles": False, "set": "plain", **chosen}), studio, RATE)


def test_every_kind_that_is_shown_is_drawn_and_every_entrance_known() -> None:
    assert set(ENTRANCES) == set(COMES)
    assert set(LINES) < set(SHOWN)


@pytest.mark.parametrize("kind", LINES)
@pytest.mark.parametrize("shape", SHAPES)
def test_it_is_there_while_its_words_are_said_and_gone_after(studio: Studio, kind: str, shape: str) -> None:
    timeline = film(studio, LINES[kind] + " Then nothing is shown for a good while, only the host.", shape=shape)
    scene = timeline.scenes[0]
    [shown] = scene.shown
    line = scene.lines[0]
    assert shown.span.start == pytest.approx(line.reading.words[0].start + line.span.start, abs=0.02)
    picture = Picture.of(shape, 360)
    painter = Painter(timeline, picture, studio.resources)
    bare = Painter(replace(timeline, scenes=(replace(scene, shown=()),)), picture, studio.resources)
    different = []
    for moment in (shown.span.start - 0.1, (shown.span.start + shown.span.end) / 2, shown.span.end + 0.1):
        painter.paint(RATE.frames_in(moment))
        bare.paint(RATE.frames_in(moment))
        different.append((painter.pixels != bare.pixels).any(-1).mean())
    assert different[0] == 0 and different[2] == 0
    assert different[1] > 0.05


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("layout", ["alone", "left", "right"])
def test_the_head_of_who_speaks_is_free(studio: Studio, shape: str, layout: str) -> None:
    scene = film(studio, LINES["list"], shape=shape, layout=layout).scenes[0]
    [shown] = scene.shown
    shot = scene.shots[scene.shot_at((shown.span.start + shown.span.end) / 2)]
    [host] = shot.hosts
    picture = Picture.of(shape, 360)
    left, top, right, bottom = picture.pixels(panel_box(shape, shown.region))
    half = host.head * picture.height * 0.62
    x, y = host.x * picture.width, host.y * picture.height
    free = x + half <= left or x - half >= right or y - host.head * picture.height * 0.62 >= bottom or y <= top
    assert free, (shape, layout, shown.region)
    captions = picture.pixels(LAYOUTS[shape].captions)
    assert bottom <= captions[1] + 1, "captions have a place of their own"


@pytest.mark.parametrize(("place", "before"), [("beside", True), ("whole", False)])
def test_no_hand_is_hidden_by_what_is_shown_beside(studio: Studio, place: str, before: bool) -> None:
    timeline = film(studio, f"[[cue: picture boat place={place}]][[cue: point-right]]The boats go out at dawn.[[/cue]]")
    scene = timeline.scenes[0]
    layers = SceneLayers(scene, UNLIT, Picture.of("16:9", 360), RATE, studio.resources)
    middle = (scene.shown[0].span.start + scene.shown[0].span.end) / 2
    names = [layer.name for layer in layers.layers(RATE.frames_in(middle))]
    body = next(i for i, name in enumerate(names) if name.endswith(".body"))
    assert (names.index("cutaway") < body) == before


def test_a_host_steps_aside_without_a_jump_and_comes_back(studio: Studio) -> None:
    text = "Here we are, at the harbour wall. " + LINES["list"] + " And here we are again, in the middle, for long."
    scene = film(studio, text).scenes[0]
    assert [round(shot.hosts[0].x, 2) for shot in scene.shots] == [0.5, 0.25, 0.5]
    assert [shot.glides for shot in scene.shots] == [False, True, True]
    assert scene.shots[1].start < scene.shown[0].span.start < scene.shots[2].start


def test_a_title_in_the_middle_lies_over_no_face_and_the_host_is_there_for_what_follows(studio: Studio) -> None:
    title = '[[cue: title text="How low is low water?" centre seconds=2]]Twice a day the harbour empties.'
    shown = "[[cue: picture map place=beside]]But where does the land end, and where does the sea begin?[[/cue]]"
    text = f"{title} {shown} That is what we measure here."
    scene = film(studio, text).scenes[0]
    first, picture = scene.shown
    assert not scene.shots[scene.shot_at(first.span.start + 0.2)].hosts
    beside = scene.shots[scene.shot_at((picture.span.start + picture.span.end) / 2)].hosts
    assert [round(host.x, 2) for host in beside] == [0.25]
    assert [round(host.x, 2) for host in scene.shots[-1].hosts] == [0.5]


def test_a_name_keeps_to_the_hosts_side_while_something_is_shown_beside(studio: Studio) -> None:
    text = '[[cue: lower-third role="Curator of a museum with a very long name indeed"]]' + LINES["picture"]
    scene = film(studio, text).scenes[0]
    name = next(item for item in scene.shown if item.kind == "lower-third")
    picture = Picture.of("16:9", 360)
    drawing = SHOWN["lower-third"].drawing(name, picture, supplies(studio))
    assert isinstance(drawing, NameDrawing)
    assert drawing.paper_box[2] <= picture.pixels(panel_box("16:9", "right"))[0]


def test_who_is_not_seen_leaves_the_picture_to_what_is_shown(studio: Studio) -> None:
    scene = film(studio, LINES["words"], layout="none").scenes[0]
    assert all(not shot.hosts for shot in scene.shots)
    assert scene.shown[0].region == "middle"


def test_rows_fall_on_their_words(studio: Studio) -> None:
    scene = film(studio, LINES["list"]).scenes[0]
    [shown], [line] = scene.shown, scene.lines
    said = {w.text.lower(): w.start + line.span.start for w in line.reading.words}
    assert [row.at for row in shown.rows] == pytest.approx([said["low"], said["somebody"], said["fog"]], abs=1e-3)


@pytest.mark.parametrize(
    ("rows", "said", "texts"),
    [
        ("One | Two", "whatever is said", ["One", "Two"]),
        ("", "Look it up, tell somebody, and watch for fog", ["Look it up", "Tell somebody", "Watch for fog"]),
        ("", "First, boots. Second, a torch. Finally, the bell", ["Boots", "A torch", "The bell"]),
        ("", "", []),
    ],
)  # fmt: skip
def test_a_list_takes_its_rows_from_what_is_said(rows: str, said: str, texts: list[str]) -> None:
    assert row_texts(rows, said) == texts


def test_a_number_that_is_not_written_is_the_first_that_is_said(studio: Studio) -> None:
    texts = (f"[[cue: number{given}]]It rises 12.4 metres.[[/cue]]" for given in (" number=12.4", ""))
    given, found = (film(studio, text).scenes[0].shown[0] for text in texts)
    picture = Picture.of("16:9", 360)
    drawn = []
    for shown in (given, found):
        sheet = Sheet(picture)
        SHOWN["number"].drawing(shown, picture, supplies(studio)).draw(
            sheet.canvas, (shown.span.start + shown.span.end) / 2
        )
        drawn.append(sheet.pixels.copy())
    assert np.array_equal(*drawn)


@pytest.mark.parametrize("shape", SHAPES)
def test_a_code_is_read_back_by_an_independent_reader(studio: Studio, shape: str) -> None:
    timeline = film(studio, LINES["end-card"], shape=shape)
    shown = timeline.scenes[0].shown[0]
    painter = Painter(timeline, Picture.of(shape, 720), studio.resources)
    painter.paint(RATE.frames_in((shown.span.start + shown.span.end) / 2))
    found = zxingcpp.read_barcodes(np.ascontiguousarray(painter.pixels[..., 2::-1]))
    assert [code.text for code in found] == ["https://quillhaven.example"]


@pytest.mark.parametrize("way", COMES)
def test_coming_and_going_are_whole_ways(way: str) -> None:
    span = Span(1.0, 4.0)
    assert arrived(way, span, 1.0) == 0 and arrived(way, span, 4.0) == 0
    assert arrived(way, span, 2.5) == 1
    rising = [arrived(way, span, 1 + i * 0.05) for i in range(20)]
    assert rising == sorted(rising)


TEXTS = st.one_of(
    st.text(min_size=1, max_size=200),
    st.sampled_from(["Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichen" * 2, "水道橋の下で魚を見る" * 6,
                     "مرحبا بكم في متحف المد والجزر", "👩‍👩‍👧‍👦 🐟🐟 fish", "a", "W" * 90]),
)  # fmt: skip


@settings(max_examples=60, deadline=None)
@given(text=TEXTS, width=st.floats(60, 900), height=st.floats(30, 500), lines=st.integers(1, 5))
def test_text_stays_in_its_box_and_none_is_left_out(
    studio: Studio, text: str, width: float, height: float, lines: int
) -> None:
    fonts = Fonts.at(studio.resources.fonts)
    block = fitted(fonts, text, (width, height), (60, 20), Face("sans"), lines)
    assert block.width <= width + 1 or block.size < 5
    assert block.height <= height + 1 or block.size < 5
    assert len(block.rows) >= 1 or not text.split()


@pytest.mark.parametrize("template", TEMPLATES)
@pytest.mark.parametrize("box", [(0, 0, 600, 300), (0, 0, 300, 300), (0, 0, 240, 420)])
@pytest.mark.parametrize("things", [["boat"], ["boat", "moon"], ["boat", "moon", "bell"]])
def test_every_template_stays_in_its_box(
    studio: Studio, template: str, box: tuple[int, int, int, int], things: list[str]
) -> None:
    picture = Picture.of("16:9", 720)
    sheet = Sheet(picture, transparent=True)
    shifted = (box[0] + 300, box[1] + 150, box[2] + 300, box[3] + 150)
    compose(Paper(sheet.canvas, 0.6), shifted, things, template, 4, Fonts.at(studio.resources.fonts))
    rows, columns = np.nonzero(sheet.pixels[..., 3])
    assert columns.min() >= shifted[0] - 3 and columns.max() <= shifted[2] + 3
    assert rows.min() >= shifted[1] - 3 and rows.max() <= shifted[3] + 3
    assert len(rows) > 0.05 * (box[2] * box[3])


def test_text_of_panels_has_contrast_on_its_paper() -> None:
    """WCAG 2.2, 1.4.3: at least 4.5 to 1."""
    on_pale = (("#1E2B35", "#FFFDF4"), ("#3E4C54", "#FFFDF4"), ("#A8341D", "#FFFDF4"), ("#1E2B35", "#F3DFA6"))
    others = (("#FFFDF4", "#1F4F50"), ("#F0C659", "#1F4F50"), ("#FFFDF4", "#14676B"), ("#1E2B35", "#E2E9DD"))
    pairs = on_pale + others
    assert all(contrast(rgb(a), rgb(b)) >= 4.5 for a, b in pairs)


@settings(max_examples=25, deadline=None)
@given(text=TEXTS, kind=st.sampled_from(["quotation", "words", "number", "end-card"]),
       shape=st.sampled_from(list(SHAPES)), region=st.sampled_from(["left", "right", "middle", "whole"]))  # fmt: skip
def test_any_text_is_drawn_in_its_panel(studio: Studio, text: str, kind: str, shape: str, region: str) -> None:
    picture = Picture.of(shape, 360)
    drawing = SHOWN[kind].drawing(shown_with(text, kind, region), picture, supplies(studio))
    sheet = Sheet(picture, transparent=True)
    drawing.draw(sheet.canvas, 5.0)
    rows, columns = np.nonzero(sheet.pixels[..., 3])
    left, top, right, bottom = drawing.box
    assert columns.min() >= left - 1 and columns.max() <= right + 1
    assert rows.min() >= top - 1 and rows.max() <= bottom + 1


@settings(max_examples=60, deadline=None)
@given(
    text=TEXTS, kind=st.sampled_from([k for k in LINES if k != "picture"]), shape=st.sampled_from(list(SHAPES)),
    region=st.sampled_from(["left", "right", "middle", "whole", "card-left", "card-right"]),
)  # fmt: skip
def test_what_is_said_lies_where_every_screen_shows_it(
    studio: Studio, text: str, kind: str, shape: str, region: str
) -> None:
    """EBU R 95: graphics within 90 % of the width and height. What is drawn without its sheet of paper."""
    picture = Picture.of(shape, 360)
    drawing = SHOWN[kind].drawing(shown_with(text, kind, region), picture, supplies(studio))
    assert isinstance(drawing, Panel)
    sheet = Sheet(picture, transparent=True)
    drawing.draw_content(Paper(sheet.canvas, picture.unit), math.inf)
    rows, columns = np.nonzero(sheet.pixels[..., 3] > 40)
    if not len(rows):
        return
    left, top, right, bottom = picture.pixels((0.05, 0.05, 0.95, 0.95))
    edge = 7 if kind == "comparison" else 1  # its two sheets of paper with their shadows
    assert columns.min() >= left - edge and columns.max() <= right + edge
    assert rows.min() >= top - edge and rows.max() <= bottom + edge


@given(text=st.from_regex(r"[a-z0-9 ,.!?'()\"]{1,60}", fullmatch=True))
def test_plain_words_break_where_the_standard_says(text: str) -> None:
    """UAX #14, by uniseg: the short way for plain words gives the same units."""
    plain = " ".join(text.split())
    assert list(_break_units(plain)) == list(line_break_units(plain))
