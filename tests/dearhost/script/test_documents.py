"""Documents that are no scripts yet: subtitles without their times, web pages without their code, PDF with its text."""

from __future__ import annotations

import pysubs2
import pytest
import skia
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import UnreadableScript
from dearhost.production import read_file, read_script
from dearhost.script.pdf_file import paragraphs
from dearhost.script.subtitle_file import captions_in, text_of_subtitles
from dearhost.script.web_page import is_web_page

# the form of the W3C's WebVTT recommendation, section 1 (voices, cue settings, notes), with words of our own
VTT = """WEBVTT - the tide room

NOTE made at low water

STYLE
::cue { color: yellow }

1
00:11.000 --> 00:13.000 line:0 align:start
<v Maren Oake>We are in the <i>tide</i>

00:13.000 --> 00:16.000
<v Maren Oake>room, where the sea comes in.

00:16.500 --> 00:18.000
<v.loud Skerry>Twice a day?

00:24.000 --> 00:26.000
<v Skerry>Every day.
"""
SRT = """1
00:00:01,000 --> 00:00:03,000
The wall is wet

2
00:00:03,000 --> 00:00:05,000
up to the line.

3
00:00:09,500 --> 00:00:11,000
{\\an8}<b>That</b> is where it was.

4
00:00:11,500 --> 00:00:13,000
- And now?
- Now it is low.
"""


def lines(data: bytes, name: str) -> list[tuple[str, str]]:
    return [(line.speaker, line.text) for _, _, line in read_file(data, name).lines()]


def test_captions_become_the_lines_they_were() -> None:
    assert lines(SRT.encode(), "wall.srt") == [
        ("", "The wall is wet up to the line."),
        ("", "That is where it was."),
        ("", "And now?"),
        ("", "Now it is low."),
    ]


def test_voices_of_webvtt_are_speakers() -> None:
    assert lines(VTT.encode(), "room.vtt") == [
        ("Maren Oake", "We are in the tide room, where the sea comes in."),
        ("Skerry", "Twice a day?"),
        ("Skerry", "Every day."),
    ]


def test_captions_that_roll_up_are_said_once() -> None:
    rolling = [("One goes up.", 0), ("One goes up.\nTwo comes in,", 1), ("Two comes in,\nand three.", 2)]
    file = pysubs2.SSAFile()
    for text, at in rolling:
        file.append(pysubs2.SSAEvent(start=at * 1000, end=at * 1000 + 1000, text=text.replace("\n", "\\N")))
    said = text_of_subtitles(file.to_string("srt"), "roll.srt")
    assert said == "One goes up. Two comes in, and three."


@given(
    st.lists(st.from_regex(r"[a-z]{1,9}( [a-z]{1,9}){0,5}[.,]?", fullmatch=True), min_size=1, max_size=12), st.data()
)
def test_every_word_of_captions_is_kept_and_no_time(texts: list[str], data: st.DataObject) -> None:
    file, at = pysubs2.SSAFile(), 0
    for text in texts:
        at += data.draw(st.integers(0, 4000))
        file.append(pysubs2.SSAEvent(start=at, end=at + 900, text=text))
        at += 900
    expected = " ".join(event.plaintext for event in file).split()
    for kind in ("srt", "vtt"):
        assert text_of_subtitles(file.to_string(kind), f"words.{kind}").split() == expected


PAGE = """<!DOCTYPE html>
<html lang="en"><head><title>The wet line</title><script>var tide = {"low": 1}; alert("x<y")</script>
<style>.menu { color: red }</style></head>
<body><nav><a href="/">Home</a> <a href="/shop">Museum shop</a></nav>
<article><h1>The wet line</h1>
<p>Twice a day the sea climbs the harbour wall and leaves a line where it stopped. Nobody paints it.</p>
<p>Below the line the stones are green &amp; slippery, above it they are dry. Children find it first.</p>
<h2>Where to stand</h2>
<p>Stand on the third step, look along the wall, and wait until a boat has passed the light.</p>
</article><footer>All rights reserved. Cookie settings. Newsletter.</footer></body></html>"""


@pytest.mark.parametrize("name", ["wall.html", "wall.htm", "wall.txt", "wall.md"])
def test_a_page_is_read_without_its_code_menus_and_footer(name: str) -> None:
    script = read_file(PAGE.encode(), name)
    said = " ".join(line.text for _, _, line in script.lines())
    assert "leaves a line where it stopped" in said and "green & slippery" in said and "third step" in said
    assert "Where to stand" in [scene.heading for scene in script.scenes]
    for code in ("<", "var tide", "alert", "color", "Museum shop", "Cookie"):
        assert code not in said


def test_a_pasted_page_is_not_spoken_as_code() -> None:
    said = " ".join(line.text for _, _, line in read_script(PAGE).lines())
    assert "climbs the harbour wall" in said and "<" not in said and "alert" not in said


def test_a_page_without_an_article_says_what_to_do() -> None:
    with pytest.raises(UnreadableScript, match="Nothing to read was found in 'a.html'.*paste"):
        read_file(b"<html><body><script>go()</script></body></html>", "a.html")


def test_a_page_without_an_article_gives_what_a_reader_would_see() -> None:
    said = lines(
        b"<html><head><title>x</title><style>p{}</style></head><body><b>Dry</b><!-- no --> <i>feet</i></body></html>",
        "a.html",
    )
    assert " ".join(text for _, text in said) == "Dry feet"


def test_comments_before_a_page_are_passed_over_in_no_time() -> None:
    assert is_web_page("<!-- saved -->\n<!----><!DOCTYPE html><p>x</p>") and is_web_page("<?xml version='1.0'?> <HTML>")
    assert not is_web_page("<!---->" * 400 + "x") and not is_web_page("<htmlish>")


def test_a_long_subtitle_file_without_a_full_stop_is_cut_into_lines_that_can_be_spoken() -> None:
    rows = "".join(f"{n}\n00:{n // 60 % 60:02}:{n % 60:02},000 --> 00:{n // 60 % 60:02}:{n % 60:02},900\nand so on\n\n"
                   for n in range(3000))  # fmt: skip
    said = text_of_subtitles(rows, "long.srt").split("\n\n")
    assert sum(text.count("and so on") for text in said) == 3000 and max(map(len, said)) < 1600


def pdf(*pages: list[str]) -> bytes:
    """A PDF as a printing program writes one, its rows an inch and a half from the edges."""
    stream = skia.DynamicMemoryWStream()
    with skia.PDF.MakeDocument(stream) as document:
        for rows in pages:
            with document.page(612, 792) as canvas:
                for index, row in enumerate(rows):
                    canvas.drawString(row, 72, 90 + 16 * index, skia.Font(None, 12), skia.Paint())
    return bytes(stream.detachAsData())


HEAD = "Quillhaven Tide Museum"


def test_paragraphs_of_a_pdf_are_whole_and_heads_are_left_out() -> None:
    data = pdf(
        [HEAD, "The sea comes back to the harbour twice in every day,", "and each time it leaves its mark a hand high-",
         "er or lower than before.", "Nobody is told when the big spring tide comes to the wall,", "1"],
        [HEAD, "but all come to see it.", "It is over in an hour, so be early and bring a warm coat.", "2"],
        [HEAD, "That is all there is to know about the wet line of Quill.", "3"],
    )  # fmt: skip
    said = [text for _, text in lines(data, "guide.pdf")]
    assert said[0].endswith("it leaves its mark a hand higher or lower than before.")
    assert said[1].startswith("Nobody is told") and said[1].endswith("but all come to see it.")
    assert not any("Museum" in text or text.strip().isdigit() for text in said)


def test_a_pdf_without_text_says_what_to_do() -> None:
    with pytest.raises(UnreadableScript, match="pictures of pages and holds no text"):
        read_file(pdf([]), "scan.pdf")
    with pytest.raises(UnreadableScript, match="no PDF that can be read"):
        read_file(b"%PDF-1.7 torn", "torn.pdf")


@given(st.lists(st.lists(st.from_regex(r"[a-z]{2,8}( [a-z]{2,8}){0,7}[.]?", fullmatch=True), max_size=8), max_size=2))
def test_no_word_of_a_page_is_lost(pages: list[list[str]]) -> None:
    assert " ".join(paragraphs(pages)).split() == " ".join(row for page in pages for row in page).split()


@pytest.mark.parametrize(
    ("name", "data", "what"),
    [
        ("letter.rtf", rb"{\rtf1\ansi Hello}", "Rich Text"),
        ("letter.txt", rb"{\rtf1\ansi Hello}", "Rich Text"),
        ("old.doc", b"\xd0\xcf\x11\xe0\xa1\xb1\x1a\xe1" + b"\0" * 600, "old kind"),
        ("none.srt", b"no captions here", "no captions"),
    ],
)
def test_what_cannot_be_opened_says_what_to_do(name: str, data: bytes, what: str) -> None:
    with pytest.raises(UnreadableScript, match=what):
        read_file(data, name)


def test_captions_of_a_file_come_in_order_with_their_seconds() -> None:
    """SubRip and WebVTT, both to the thousandth (W3C WebVTT; SubRip has no standard: common practice, no source)."""
    later, sooner = ("00:01:02,500", "00:01:04,250", "It comes back."), ("00:00:01,000", "00:00:02,900", "It goes.")
    rows = "\n\n".join(
        f"{number}\n{begin} --> {end}\n{text}" for number, (begin, end, text) in enumerate((later, sooner), 1)
    )
    told = [("It goes.", 1.0, 2.9), ("It comes back.", 62.5, 64.25)]
    for text, name in ((rows, "a.srt"), ("WEBVTT\n\n" + rows.replace(",", "."), "a.vtt")):
        assert [(one.text, one.start, one.end) for one in captions_in(text, name)] == told
