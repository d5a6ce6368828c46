"""Captions in every style: inside the safe area, to be read on anything, the right words at the right time."""

from __future__ import annotations

import io
from itertools import pairwise
from pathlib import Path
from typing import Any
from xml.etree import ElementTree

import docx
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from lxml import etree
from pysubs2 import SSAFile
from ttconv import model
from ttconv.imsc import reader as imsc_reader
from ttconv.isd import ISD

from dearhost.drawing.colours import rgb
from dearhost.drawing.fonts import Fonts
from dearhost.films import CAPTION_KINDS, caption_file, caption_text
from dearhost.formats import TimedText, to_word_transcript
from dearhost.production import SHAPES, Choices, Studio, read_script
from dearhost.production.choices import CAPTION_COLOURS as COLOUR_NAMES
from dearhost.production.choices import CAPTION_SIZES, CAPTION_TYPES, CHOICES
from dearhost.production.choices import CAPTION_STYLES as NAMES
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.caption_styles import CAPTION_COLOURS, CAPTION_STYLES, FACES, SIZES, caption_colours
from dearhost.stage.captions import Caption, CaptionWord, make_captions
from dearhost.stage.painting.lettering import CaptionDrawing
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.samples import caption_png
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate.of(25)
TWO = "MAREN: Mama may bring a boat to the bay.\n\nSKERRY: Papa mends the map."


def caption(text: str, lines: int = 2) -> Caption:
    words = [CaptionWord(word, index * 0.4, index * 0.4 + 0.35) for index, word in enumerate(text.split())]
    return make_captions(words, "", characters=34, until=1000, lines=lines)[0]


def drawn(studio: Studio, picture: Picture, text: str, ground: int, current: int = 1, **choices: Any) -> np.ndarray:
    """A caption over one colour, BGRA."""
    drawing = CaptionDrawing(caption(text), picture, Fonts.at(studio.fonts), Choices(**choices))
    sheet = Sheet(picture)
    sheet.words[...] = ground
    drawing.draw(sheet.canvas, current)
    return sheet.pixels.copy()


def luminance(colour: tuple[int, ...] | np.ndarray) -> float:
    """WCAG 2.2, relative luminance; red, green, blue."""
    parts = [value / 255 for value in colour[:3]]
    linear = [v / 12.92 if v <= 0.04045 else ((v + 0.055) / 1.055) ** 2.4 for v in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def contrast(one: Any, other: Any) -> float:
    high, low = sorted((luminance(one), luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def test_every_style_that_can_be_chosen_is_drawn_and_no_other() -> None:
    assert set(CAPTION_STYLES) == set(NAMES) and len(NAMES) >= 8
    assert set(SIZES) == set(CAPTION_SIZES) and set(FACES) == set(CAPTION_TYPES)
    assert {"usual", *CAPTION_COLOURS} == set(COLOUR_NAMES)


@pytest.mark.parametrize("colour", COLOUR_NAMES)
@pytest.mark.parametrize("style", CAPTION_STYLES)
def test_letters_stand_out_from_what_is_right_behind_them(style: str, colour: str) -> None:
    """At least 4.5 to 1 (WCAG 2.2, 1.4.3): on their paper, their block, or against the edge that is all round them."""
    look = CAPTION_STYLES[style]
    if colour in CAPTION_COLOURS:
        look = look.coloured(CAPTION_COLOURS[colour])
        assert len({look.colours(turn) for turn in range(3)}) == (3 if look.turns else 1)
    for turn in range(3):
        paper, ink = look.colours(turn)
        behind = paper if look.ground else look.edge
        assert behind and contrast(rgb(ink), rgb(behind)) >= 4.5
    if look.mark == "block":
        assert contrast(rgb(look.mark_ink), rgb(look.mark_paper)) >= 4.5
    if look.mark == "colour":
        assert contrast(rgb(look.mark_ink), rgb(look.paper if look.ground else look.edge)) >= 4.5


@given(st.integers(0, 0xFFFFFF))
def test_letters_stand_out_from_any_colour_of_ones_own(number: int) -> None:
    own = caption_colours(f"#{number:06x}")
    assert own
    for name, style in CAPTION_STYLES.items():
        look = style.coloured(own)
        behind = look.paper if look.ground else look.edge
        assert contrast(rgb(look.ink), rgb(behind)) >= 4.5
        if look.mark:
            marked_on = look.mark_paper if look.mark == "block" else behind
            assert contrast(rgb(look.mark_ink), rgb(marked_on)) >= 4.5
            assert look.mark == "block" or look.mark_ink != look.ink, name


def test_a_colour_of_ones_own_is_seen_and_what_is_none_is_refused(studio: Studio) -> None:
    picture = Picture.of("16:9", 480)
    pixels = drawn(studio, picture, "Slack water now", 0xFF000000, caption_style="box", caption_colour="#7A2E8C")
    assert (np.abs(pixels[..., 2::-1].reshape(-1, 3).astype(int) - rgb("#7A2E8C")).max(1) < 6).sum() > 500
    choice = CHOICES["caption_colour"]
    assert choice.problem("#7a2e8c") == "" and choice.problem("#7A2E8C") == ""
    for none in ("#7a2e8", "7a2e8c", "", "lilac", "#7a2e8c;"):
        assert "There is no colour of captions" in choice.problem(none)


@pytest.mark.parametrize("style", CAPTION_STYLES)
@pytest.mark.parametrize("ground", [0xFF000000, 0xFFFFFFFF, 0xFF7F7F7F])
def test_a_caption_is_seen_on_any_ground(studio: Studio, style: str, ground: int) -> None:
    pixels = drawn(studio, Picture.of("16:9", 720), "Slack water now", ground, caption_style=style)
    seen = (pixels.view(np.uint32)[..., 0] != ground).mean()
    assert 0.002 < seen < 0.2


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("style", CAPTION_STYLES)
@pytest.mark.parametrize("place", ["foot", "top"])
@settings(max_examples=6)
@given(
    text=st.sampled_from(["Tide", "The sea comes back twice a day and nobody asks", "Donaudampfschifffahrt",
                          "البحر يعود كل يوم", "潮は毎日戻ってきます", "The gull 🐦 sat"]),
    size=st.sampled_from(list(CAPTION_SIZES)), current=st.integers(-1, 8), capitals=st.booleans(),
    lettering=st.sampled_from(list(CAPTION_TYPES)),
)  # fmt: skip
def test_captions_stay_inside_the_title_safe_area(
    studio: Studio,
    shape: str,
    style: str,
    place: str,
    text: str,
    size: str,
    current: int,
    capitals: bool,
    lettering: str,
) -> None:
    """EBU R 95: graphics inside 90 % of the width and height; vertical pictures have more at head and foot."""
    picture, current = Picture.of(shape, 480), min(current, len(caption(text).words) - 1)
    pixels = drawn(
        studio, picture, text, 0xFF336699, current, caption_style=style, caption_place=place, caption_size=size,
        caption_case="capitals" if capitals else "written", caption_type=lettering,
    )  # fmt: skip
    rows, columns = np.nonzero(pixels.view(np.uint32)[..., 0] != 0xFF336699)
    if style in ("growing",) and current < 0:
        return
    left, top, right, bottom = picture.pixels(picture.layout.title_safe)
    edge = 8 * picture.unit + 2
    assert len(rows) and columns.min() >= left - edge and columns.max() <= right + edge
    assert rows.min() >= top - edge and rows.max() <= bottom + edge


def test_every_lettering_is_another(studio: Studio) -> None:
    picture = Picture.of("16:9", 480)
    seen = [drawn(studio, picture, "Slack water now", 0xFF000000, caption_type=name) for name in CAPTION_TYPES]
    assert all((a != b).any() for a, b in pairwise(seen))


@pytest.mark.parametrize("style", CAPTION_STYLES)
def test_every_colour_is_another_in_every_style_and_marks_the_spoken_word(studio: Studio, style: str) -> None:
    picture = Picture.of("16:9", 480)

    def seen(colour: str, current: int) -> np.ndarray:
        return drawn(
            studio, picture, "Slack water now", 0xFF5A7A8A, current, caption_style=style, caption_colour=colour
        )

    assert all((a != b).any() for a, b in pairwise(seen(colour, 1) for colour in CAPTION_COLOURS))
    if CAPTION_STYLES[style].mark:
        assert all((seen(colour, 0) != seen(colour, 1)).any() for colour in COLOUR_NAMES)
    for colour, own in CAPTION_COLOURS.items():
        pixels = seen(colour, 1)[..., 2::-1].reshape(-1, 3)
        for wanted in (own.paper, own.ink):
            assert (np.abs(pixels.astype(int) - rgb(wanted)).max(1) < 6).sum() > 20, (colour, wanted)


def test_words_come_as_they_are_said(studio: Studio) -> None:
    picture = Picture.of("16:9", 480)
    grown = [drawn(studio, picture, "one two three four", 0xFF000000, current, caption_style="growing")
             for current in range(4)]  # fmt: skip
    widths = [np.nonzero(pixels[..., :3].max(-1) > 200)[1].max() for pixels in grown]
    assert widths == sorted(widths) and widths[0] < widths[3] - 60
    alone = [drawn(studio, picture, "one two three four", 0xFF000000, current, caption_style="one-word")
             for current in range(4)]  # fmt: skip
    assert all((a != b).any() for a, b in pairwise(alone))


def film(studio: Studio, text: str = TWO, **choices: Any) -> Timeline:
    return compile_timeline(with_tones(read_script(text), **choices), studio, RATE)


def test_a_colour_a_speaker(studio: Studio) -> None:
    timeline = film(studio, caption_style="two-voices")
    assert [caption.turn for caption in timeline.scenes[0].captions] == [0, 1]
    painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
    papers = []
    for line in timeline.scenes[0].lines:
        painter.paint(RATE.frames_in(line.span.start + 0.5))
        strip = painter.pixels[290:335, 200:440, :3].reshape(-1, 3)
        papers.append(np.median(strip, axis=0))
    assert contrast(papers[0][::-1], papers[1][::-1]) > 3


def test_one_line_is_one_line_and_capitals_are_capitals(studio: Studio) -> None:
    text = "MAREN: Mama may bring a boat to the bay, and Papa mends the map of the bay today."
    assert max(len(c.lines) for s in film(studio, text).scenes for c in s.captions) == 2
    one = film(studio, text, caption_lines="one").scenes[0].captions
    assert {len(caption.lines) for caption in one} == {1} and len(one) > 2
    large = film(studio, text, caption_size="large").scenes[0].captions
    assert max(len(row) for caption in large for row in caption.texts()) <= round(37 / 1.2)


def test_a_style_changes_the_name_of_the_pictures(studio: Studio) -> None:
    names = {film(studio, caption_style=style).scenes[0].fingerprint for style in NAMES}
    assert len(names) == len(NAMES)


def test_samples_differ(studio: Studio) -> None:
    assert len({caption_png(style, studio.fonts) for style in NAMES}) == len(NAMES)
    with pytest.raises(KeyError):
        caption_png("none", studio.fonts)


# files


def test_imsc_is_what_its_recommendation_asks_for(studio: Studio) -> None:
    """W3C IMSC 1.1, text profile: namespace, content profile, regions within the root, styles by reference."""
    timeline = film(studio)
    root = etree.fromstring(caption_text(timeline, "ttml").encode())
    ns = {"tt": "http://www.w3.org/ns/ttml", "ttm": "http://www.w3.org/ns/ttml#metadata"}
    assert root.tag == "{http://www.w3.org/ns/ttml}tt" and root.get("{http://www.w3.org/XML/1998/namespace}lang")
    profile = root.get("{http://www.w3.org/ns/ttml#parameter}contentProfiles")
    assert profile == "http://www.w3.org/ns/ttml/profile/imsc1.1/text"
    ids = {element.get("{http://www.w3.org/XML/1998/namespace}id") for element in root.iter()}
    rows = root.findall(".//tt:p", ns)
    assert len(rows) == sum(len(scene.captions) for scene in timeline.scenes)
    for row in rows:
        assert row.get("{http://www.w3.org/ns/ttml#metadata}agent") in ids
        assert row.get("begin") < row.get("end") and row.get("region") in ids
    regions = root.findall(".//tt:region", ns)
    assert len(regions) == 2
    for region in regions:
        origin, extent = (
            [float(v.rstrip("%")) for v in region.get("{http://www.w3.org/ns/ttml#styling}" + name).split()]
            for name in ("origin", "extent")
        )
        assert all(a >= 0 and a + b <= 100 for a, b in zip(origin, extent, strict=True))


def shown_by_ttconv(written: str) -> list[tuple[float, str, str]]:
    """When what is shown changes, in which region, and the text, as another reader of IMSC has it."""
    document = imsc_reader.to_model(ElementTree.ElementTree(ElementTree.fromstring(written)))
    assert document is not None

    def text_of(region: Any) -> str:
        parts = region.dfs_iterator()
        return "".join(
            p.get_text() if isinstance(p, model.Text) else " " if isinstance(p, model.Br) else "" for p in parts
        )

    return [
        (float(at), region.get_id(), text_of(region))
        for at, shown in ISD.generate_isd_sequence(document)
        for region in shown.iter_regions()
        if text_of(region)
    ]


@pytest.mark.parametrize("place", ["foot", "top"])
def test_imsc_is_shown_by_another_reader_as_it_is_meant(
    studio: Studio, caplog: pytest.LogCaptureFixture, place: str
) -> None:
    """By ttconv, which renders IMSC 1.1 to the document of every moment and logs what is against the recommendation."""
    timeline = film(studio, caption_place=place)
    with caplog.at_level("WARNING", logger="ttconv"):
        shown = shown_by_ttconv(caption_text(timeline, "ttml"))
    assert caplog.messages == []
    captions = [caption for scene in timeline.scenes for caption in scene.captions]
    assert [text for _, _, text in shown] == [" ".join(caption.texts()) for caption in captions]
    assert {region for _, region, _ in shown} == {place}
    assert [at for at, _, _ in shown] == pytest.approx([caption.start for caption in captions], abs=1e-3)


def test_captions_at_the_top_are_there_in_files_too(studio: Studio) -> None:
    foot, top = film(studio), film(studio, caption_place="top")
    settings = [cue.split("-->")[1].split("\n")[0].split() for cue in caption_text(top, "vtt").split("\n\n")[1:]]
    assert settings and all(rest[1:] == ["line:10%"] for rest in settings)  # WebVTT, 6.2: a percentage of the height
    assert "line:" not in caption_text(foot, "vtt")
    assert caption_text(top, "ttml").count('region="top"') == len(settings)
    assert all(r"{\an8}" in event.text for event in SSAFile.from_string(caption_text(top, "ass"), format_="ass"))


def test_ass_is_read_by_another_reader(studio: Studio) -> None:
    timeline = film(studio)
    read = SSAFile.from_string(caption_text(timeline, "ass"), format_="ass")
    captions = [caption for scene in timeline.scenes for caption in scene.captions]
    assert [event.plaintext.replace("\n", " ") for event in read] == [" ".join(c.texts()) for c in captions]
    assert [event.name for event in read] == [c.speaker for c in captions]
    assert [event.start for event in read] == pytest.approx([c.start * 1000 for c in captions], abs=10)


def test_a_transcript_says_who_and_when(studio: Studio) -> None:
    timeline = film(studio)
    text, page = caption_text(timeline, "txt"), caption_text(timeline, "html")
    assert text.startswith("[0:00] Maren: Mama may bring a boat to the bay.") and "Skerry: Papa" in text
    assert [p.text_content() if hasattr(p, "text_content") else "".join(p.itertext())
            for p in etree.HTML(page).iter("p")][1].endswith("Papa mends the map.")  # fmt: skip


def test_a_word_transcript_has_turns_and_is_the_same_again(studio: Studio) -> None:
    timeline = film(studio)
    written = caption_file(timeline, "docx")
    assert caption_file(timeline, "docx") == written
    document = docx.Document(io.BytesIO(written))
    heading, first, second, *_ = document.paragraphs
    assert heading.style.name == "Heading 1" and document.core_properties.author == ""
    assert [run.text for run in first.runs][:2] == ["0:00  ", "Maren: "] and first.runs[1].bold
    assert first.text.endswith("Mama may bring a boat to the bay.") and second.text.endswith("Papa mends the map.")
    odd = to_word_transcript([TimedText(0, 1, ("a\x0bb <c>",), "")], title="\x00", language="en")
    assert "ab <c>" in docx.Document(io.BytesIO(odd)).paragraphs[1].text


def words_of_word(timeline: Timeline) -> str:
    document = docx.Document(io.BytesIO(caption_file(timeline, "docx")))
    return "".join(paragraph.text for paragraph in document.paragraphs)


def test_every_kind_of_file_holds_every_word(studio: Studio, tmp_path: Path) -> None:
    timeline = film(studio)
    for kind in CAPTION_KINDS:
        written = caption_text(timeline, kind) if kind != "docx" else words_of_word(timeline)
        assert all(word in written for word in ("Mama", "boat", "Papa", "map."))
