"""The elements of Fountain 1.1 (fountain.io/syntax), in sentences of our own."""

from __future__ import annotations

from pathlib import Path

import pytest
from jouvence.document import TYPE_ACTION, TYPE_CHARACTER, TYPE_DIALOG, TYPE_SECTION
from jouvence.parser import JouvenceParser

from dearhost.production import open_script, read_script, text_with_cues, write_fountain
from dearhost.script import Direction, Line, words_of


def blocks(text: str) -> list[tuple[str, str, str]]:
    """Every block as (kind, speaker, text)."""
    return [
        ("line", b.speaker, b.text) if isinstance(b, Line) else ("direction", "", b.text)
        for scene in read_script(text, "fountain").scenes
        for b in scene.blocks
    ]


def spoken(text: str) -> str:
    script = read_script(text, "fountain")
    return " ".join(w.text for _, _, line in script.lines() for w in words_of(line.text))


def test_title_page_scene_headings_and_numbers() -> None:
    script = read_script(
        "Title:\n    _**The Bell**_\nCredit: written for\nAuthor: The Tide Museum\n\n"
        "INT. TIDE ROOM - MORNING #1#\n\nMAREN\nIt is wet.\n\n.THE PIER, LATER\n\nMAREN\nIt is dry.\n",
        "fountain",
    )
    assert script.title == "The Bell"
    assert [s.heading for s in script.scenes] == ["INT. TIDE ROOM - MORNING", "THE PIER, LATER"]
    assert [line.text for _, _, line in script.lines()] == ["It is wet.", "It is dry."]


@pytest.mark.parametrize("opening", ["INT", "EXT", "EST", "INT./EXT", "INT/EXT", "I/E"])
def test_scene_headings_begin_so(opening: str) -> None:
    script = read_script(f"{opening}. THE PIER - DAY\n\nMAREN\nHello.\n", "fountain")
    assert [s.heading for s in script.scenes] == [f"{opening}. THE PIER - DAY"]


def test_a_character_in_capitals_speaks_what_follows() -> None:
    assert blocks("MAREN\nThe tide is in.\nMind your feet.\n") == [
        ("line", "MAREN", "The tide is in. Mind your feet."),
    ]
    assert blocks("@McKay\nLow water at six.\n")[0][:2] == ("line", "McKay")
    assert blocks("MAREN (O.S.)\nI am below.\n")[0][:2] == ("line", "MAREN")


def test_parentheticals_and_dual_dialogue() -> None:
    made = blocks("MAREN\n(quietly)\nListen.\n\nSKERRY ^\nI hear it.\n")
    assert ("direction", "", "quietly") in made or any("quietly" in text for _, _, text in made)
    assert [b[1] for b in made if b[0] == "line"] == ["MAREN", "SKERRY"]
    assert spoken("MAREN\n(quietly)\nListen.\n\nSKERRY ^\nI hear it.\n") == "Listen I hear it"


def test_action_notes_boneyard_sections_and_synopses_are_not_said() -> None:
    text = (
        "# Act one\n\n= Where we meet the sea.\n\nThe bell rings twice.\n\n!SPLASH\n\n"
        "MAREN\nThe bell [[check the date]] is old.\n\n/* cut:\nMAREN\nNever said.\n*/\n\n"
        "> THE END <\n\nCUT TO:\n\n> FADE OUT.\n\n===\n\nSKERRY\nWet.\n"
    )
    assert spoken(text) == "The bell is old Wet"
    directions = [b.text for s in read_script(text, "fountain").scenes for b in s.blocks if isinstance(b, Direction)]
    assert "The bell rings twice." in directions and "SPLASH" in directions


def test_emphasis_is_not_read_out_and_escapes_are() -> None:
    assert spoken("MAREN\nIt is *very* **wet** and _old_.\n") == "It is very wet and old"
    assert "5" in spoken("MAREN\nIt costs \\*5\\* today.\n")


def test_lyrics_are_spoken_or_told_apart_but_never_lost() -> None:
    made = blocks("MAREN\n~The sea comes in,\n~the sea goes out.\n")
    assert "The sea comes in" in " ".join(b[2] for b in made)


def test_what_is_written_is_read_alike_by_an_independent_parser() -> None:
    """jouvence, a Fountain parser from the registry, finds the same sections, characters, dialogue and action."""
    script = open_script(Path(__file__).parents[2] / "demo" / "why-the-sea-comes-back.fountain")
    theirs = JouvenceParser().parseString(write_fountain(script))
    assert theirs.title_values["title"] == script.title
    elements = [(e.type, e.text) for scene in theirs.scenes for e in scene.paragraphs]
    assert [text for kind, text in elements if kind == TYPE_SECTION] == [s.heading for s in script.scenes]
    assert [text for kind, text in elements if kind == TYPE_CHARACTER] == [
        line.speaker for _, _, line in script.lines()
    ]
    assert [text for kind, text in elements if kind == TYPE_DIALOG] == [
        text_with_cues(line) for _, _, line in script.lines()
    ]
    directions = [b.text for s in script.scenes for b in s.blocks if isinstance(b, Direction)]
    assert directions and [text for kind, text in elements if kind == TYPE_ACTION] == directions
