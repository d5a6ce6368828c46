"""Scripts as Word files, Markdown and plain text: what is written is read back, what is damaged is explained."""

from __future__ import annotations

import io
from dataclasses import replace

import docx
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import UnreadableScript
from dearhost.production import read_file, read_script, text_with_cues, write_markdown
from dearhost.script import (
    Cue,
    Direction,
    Line,
    Scene,
    Script,
    Unspoken,
    new_id,
    text_of_file,
    unspoken_spans,
    words_of,
    write_plain,
)


def word_file() -> bytes:
    document = docx.Document()
    document.add_heading("The lesson", 0)
    document.add_heading("The wet line", 1)
    document.add_paragraph("MAREN: Good ").add_run("morning").bold = True
    document.add_paragraph("(Skerry looks up.)")
    table = document.add_table(rows=1, cols=2)
    table.cell(0, 0).text = "Visual: the wall"
    table.cell(0, 1).text = "SKERRY: I sat above it."
    document.add_heading("Two hills", 2)
    document.add_paragraph("")
    document.add_paragraph("MAREN: The Moon pulls.")
    buffer = io.BytesIO()
    document.save(buffer)
    return buffer.getvalue()


def contents(script: Script) -> list[tuple[str, list[object]]]:
    return [
        (s.heading, [b.text if isinstance(b, Direction) else (b.speaker, text_with_cues(b)) for b in s.blocks])
        for s in script.scenes
    ]


def test_a_word_file_keeps_headings_and_paragraphs_and_drops_the_rest() -> None:
    script = read_file(word_file(), "lesson.docx")
    assert script.title == "The lesson"
    assert contents(script) == [
        (
            "The wet line",
            [("MAREN", "Good morning"), "Skerry looks up.", "Visual: the wall", ("SKERRY", "I sat above it.")],
        ),
        ("Two hills", [("MAREN", "The Moon pulls.")]),
    ]


@pytest.mark.parametrize("data", [b"", b"PK\x03\x04", b"\xd0\xcf\x11\xe0 an old one", word_file()[:900]])
def test_a_damaged_word_file_says_what_to_do(data: bytes) -> None:
    with pytest.raises(UnreadableScript, match=r"letter\.docx.*Save it again as \.docx"):
        read_file(data, "letter.docx")


words = st.lists(st.sampled_from(["tide", "café", "*star*", "a_b", "3.5", "`x`", "潮"]), min_size=1, max_size=6)
blocks = st.lists(st.tuples(st.sampled_from(["Maren", "SKERRY", ""]), words, st.booleans()), min_size=1, max_size=4)


@given(st.lists(blocks, min_size=1, max_size=3))
def test_a_directed_script_goes_through_markdown(scenes: list[list[tuple[str, list[str], bool]]]) -> None:
    def block(speaker: str, said: list[str], cued: bool) -> Line | Direction:
        text = f"Then {' '.join(said)} came."
        if not speaker:
            return Direction(new_id(), text)
        start = words_of(text)[-1].start
        return Line(new_id(), speaker, text, (Cue(new_id(), "wave", start, {"side": "left"}),) if cued else ())

    script = Script(
        "The bell",
        tuple(Scene(new_id(), f"Part {n}", tuple(block(*b) for b in bs)) for n, bs in enumerate(scenes)),
    )
    again = read_script(write_markdown(script), "markdown")
    assert again.title == "The bell" and contents(again) == contents(script)
    bare = replace(
        script,
        scenes=tuple(
            replace(s, blocks=tuple(replace(b, cues=()) if isinstance(b, Line) else b for b in s.blocks))
            for s in script.scenes
        ),
    )
    assert contents(read_script(write_plain(script), "plain")) == contents(bare)


def test_a_web_page_in_a_text_file_is_read_without_its_code() -> None:
    head = "<head><style>p { color: red }</style></head>"
    page = f"<!DOCTYPE html><html>{head}<body><p>The sea comes back.</p></body></html>"
    assert text_of_file(page.encode(), "notes.txt").strip() == "The sea comes back."
    assert text_of_file(b"1 < 2 and 3 > 2", "notes.txt") == "1 < 2 and 3 > 2"


@pytest.mark.parametrize(
    ("text", "is_slot"),
    [
        ("Hello [your name], welcome.", True),
        ("It costs [ amount ].", True),
        ("We open at [x], as ever.", True),  # a word is missing, straight before a comma
        ("We open at [x] as ever.", False),
        ("[x], as ever.", False),  # nothing is before it
        ("We open. [x], as ever.", False),
    ],
)
def test_a_slot_is_where_a_word_is_missing(text: str, is_slot: bool) -> None:
    spans = unspoken_spans(text)
    assert [span.kind is Unspoken.PLACEHOLDER for span in spans] == [is_slot]
