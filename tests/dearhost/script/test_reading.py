"""Scripts of every kind: who speaks, what is never spoken, what is still open."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from dearhost.errors import NothingToSay, UnfilledPlaceholder, UnreadableScript
from dearhost.production import ensure_speakable, findings, open_script, read_script
from dearhost.production.choices import own_choices_from_json
from dearhost.script import Direction, Line, blanked, count_words, from_json, to_json, words_of

PLAIN = """Scene 1: The wet line
Visual: the harbour at low water

MAREN: (smiling) Good morning [she waves] everyone.
Maren: The tide (about 5 metres) comes back.

On screen:
- the title
- the date

Music: soft
[Cut to the pier]
(Skerry looks up.)
<!-- check the numbers -->
// a remark
SKERRY: Remember: close the gate.
"""


def spoken(text: str) -> list[str]:
    """All spoken words of a script."""
    return [w.text for _, _, line in read_script(text).lines() for w in words_of(line.text)]


def test_plain_text_speaks_its_lines_and_nothing_else() -> None:
    script = read_script(PLAIN, "plain")
    assert [s.heading for s in script.scenes] == ["The wet line"]
    assert [line.speaker for _, _, line in script.lines()] == ["MAREN", "MAREN", "SKERRY"]
    said = " ".join(w.text for _, _, line in script.lines() for w in words_of(line.text))
    assert said == "Good morning everyone The tide about 5 metres comes back Remember close the gate"
    directions = [b.text for b in script.scenes[0].blocks if isinstance(b, Direction)]
    assert "smiling" in directions and "Skerry looks up." in directions and "the date" in directions


def test_markdown_keeps_the_words_and_drops_the_marks() -> None:
    script = read_script(
        "# Tides\n\n## Two hills\n\n**Maren:** The *Moon* pulls [hard](https://example.org), `gently`.\n\n"
        "- Visual: two hills\n- It piles up.\n\n```\nnot spoken\n```\n\n![a map](map.png)\n\n---\n\nThe end.\n",
        "markdown",
    )
    assert script.title == "Tides"
    assert [s.heading for s in script.scenes] == ["Two hills", ""]
    assert [line.text for _, _, line in script.lines()] == [
        "The Moon pulls hard, gently.",
        "It piles up.",
        "The end.",
    ]


@pytest.mark.parametrize("slot", ["[name]", "[First Name]", "{company}", "{{date}}", "<insert the price>", "____"])
def test_an_open_slot_is_named_with_its_place_and_stops_a_render(slot: str) -> None:
    script = read_script(f"Maren: Welcome to the pier, {slot}.")
    assert [f.kind for f in findings(script)] == ["placeholder"]
    assert count_words(script) == 4
    with pytest.raises(UnfilledPlaceholder, match="scene 1, line 1"):
        ensure_speakable(script)


@pytest.mark.parametrize("aside", ["[waves]", "[[a note]]", "/* cut */", "[Cut to the pier]"])
def test_a_direction_in_brackets_is_no_slot(aside: str) -> None:
    assert findings(read_script(f"Maren: Come in. {aside} Sit down.")) == ()
    assert spoken(f"Maren: Come in. {aside} Sit down.") == ["Come", "in", "Sit", "down"]


@pytest.mark.parametrize("text", ["", "   \n\n", "# Only a heading", "(He waves.)\n\n[Cut.]", "Visual: a map"])
def test_a_script_with_nothing_to_say_is_told_so(text: str) -> None:
    with pytest.raises(NothingToSay, match=r"Write|empty"):
        ensure_speakable(read_script(text))


def test_sixty_thousand_words_are_refused_and_a_long_line_is_remarked_on() -> None:
    long = read_script("word " * 60_000)
    with pytest.raises(UnreadableScript, match=r"60,000 words, about 7.4 hours"):
        ensure_speakable(long)
    remark = findings(read_script("tide " * 1000))
    assert [(f.kind, f.stops) for f in remark] == [("long-line", False)]


@pytest.mark.parametrize(
    ("data", "reason"),
    [(b"abc\0def", "NUL bytes"), (b"caf\xe9 au lait", r"not UTF-8 text \(row 1\)"), (b"x" * 5_000_000, "5.0 MB")],
)
def test_a_file_that_is_no_text_says_so(tmp_path: Path, data: bytes, reason: str) -> None:
    path = tmp_path / "script.txt"
    path.write_bytes(data)
    with pytest.raises(UnreadableScript, match=reason):
        open_script(path)


def test_utf16_with_its_mark_is_read(tmp_path: Path) -> None:
    path = tmp_path / "script.txt"
    path.write_bytes("Maren: Größe".encode("utf-16"))
    assert [line.text for _, _, line in open_script(path).lines()] == ["Größe"]


@given(st.text(max_size=400), st.sampled_from(["", "plain", "markdown", "fountain"]))
@example("\ue00e", "markdown")
@example("a \ue000\ue002 \ufdd0\ufdd2 b", "fountain")
def test_any_text_is_read_and_its_words_lie_where_they_say(text: str, kind: str) -> None:
    script = read_script(text, kind)
    for _, _, line in script.lines():
        assert len(blanked(line.text)) == len(line.text)
        last = 0
        for word in words_of(line.text):
            assert line.text[word.start : word.end] == word.text
            assert last <= word.start < word.end
            last = word.end
    assert from_json(to_json(script), own_choices_from_json) == script


def test_missing_and_doubled_ids_are_made_new() -> None:
    block = {"id": "same", "kind": "line", "speaker": "A", "text": "One."}
    script = from_json({"scenes": [{"heading": "", "blocks": [block, dict(block)]}]}, own_choices_from_json)
    ids = [b.id for b in script.scenes[0].blocks]
    assert ids[0] == "same" and ids[1] != "same" and isinstance(script.scenes[0].blocks[1], Line)


@pytest.mark.parametrize("bars", [True, False], ids=["with bars at its ends", "without"])
def test_a_markdown_table_is_seen_and_not_said(bars: bool) -> None:
    rows = ["day | tide", "--- | :---:", "Monday | 4.1 m", "Tuesday | 4.3 m"]
    table = "\n".join(f"| {row} |" if bars else row for row in rows)
    script = read_script(f"# Tides\n\nMaren: Look at this.\n\n{table}\n\nMaren: High | low, she said.\n", "markdown")
    assert [line.text for line in script.scenes[0].lines] == ["Look at this.", "High | low, she said."]
    directions = [b.text for b in script.scenes[0].blocks if isinstance(b, Direction)]
    assert any("Monday" in text and "4.1 m" in text for text in directions)


@pytest.mark.parametrize("position", ["first", "middle", "alone"])
def test_a_table_without_bars_at_its_ends_is_seen_from_its_head_on(position: str) -> None:
    table = "Month | High water\n--- | ---\nMay | 12:50\nJune | 1:20"
    text = {
        "first": f"{table}\n\nThat is all.",
        "middle": f"Look at this.\n\n{table}\n\nThat is all.",
        "alone": f"{table}\n\nSo | it goes.",
    }[position]
    said = " ".join(line.text for scene in read_script(text, kind="markdown").scenes for line in scene.lines)
    assert not {"Month", "May", "12:50", "June"} & set(said.split()), said


def test_a_row_of_dashes_after_words_is_no_table() -> None:
    [scene] = read_script("The tide turns.\n--- | ---\nIt comes back.", kind="plain").scenes
    assert "The tide turns." in " ".join(line.text for line in scene.lines)


@pytest.mark.parametrize(
    ("row", "spoken"),
    [
        ("MAREN: (softly) Good morning.", [("MAREN", "Good morning.")]),
        ("MAREN (softly): Good morning.", [("MAREN", "Good morning.")]),
        ("MAREN: Good morning.\nSKERRY: Is it?", [("MAREN", "Good morning."), ("SKERRY", "Is it?")]),
        ("MAREN: Good morning.\n(She waves.)\nNobody comes.", [("MAREN", "Good morning.")]),
    ],
)
def test_who_speaks_in_a_row_of_fountain_with_its_words(row: str, spoken: list[tuple[str, str]]) -> None:
    [scene] = read_script(row, kind="fountain").scenes
    assert [(line.speaker, line.text.replace("(softly) ", "")) for line in scene.lines] == spoken
