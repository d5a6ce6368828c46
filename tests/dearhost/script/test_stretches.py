"""Cues over a stretch of words: they keep their words through edits, and go through text and JSON unchanged."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import CUE_KINDS, findings, read_script, text_with_cues, write_fountain, write_markdown
from dearhost.production.choices import own_choices_from_json
from dearhost.script import (
    Cue,
    CueKind,
    CueKinds,
    Line,
    Scene,
    Script,
    from_json,
    join_lines,
    put_cue,
    split_line,
    to_json,
    with_text,
    word_indices,
    words_of,
)
from dearhost.script.anchors import nearest, word_at
from dearhost.script.cue_notes import cue_notes, take_cues

TEXT = "The sea goes out and the boats sit down in the mud."
WORDS = [w.text for w in words_of(TEXT)]
STARTS = [w.start for w in words_of(TEXT)]
STRETCHY = [kind.name for kind in CUE_KINDS if kind.stretch]


def stretch(first: int, last: int, kind: str = "picture", cue_id: str = "c") -> Cue:
    return Cue(cue_id, kind, STARTS[first], {}, end=STARTS[last])


def line(*cues: Cue) -> Line:
    return Line("l", "MAREN", TEXT, cues)


def said_under(line: Line, cue: Cue) -> list[str]:
    first, last = word_indices(line, cue)
    return [w.text for w in words_of(line.text)][first : last + 1]


def test_pictures_framings_and_emphasis_may_last() -> None:
    assert {"picture", "emphasis", "close-up", "wide", "bubble"} <= set(STRETCHY)
    assert not {"wave", "pause", "title", "sit", "say-as", "delivery"} & set(STRETCHY)


@given(
    st.integers(0, 10), st.integers(0, 10), st.integers(0, len(TEXT)), st.integers(0, 12), st.text("ab é.", max_size=8)
)
def test_a_stretch_keeps_the_words_that_are_left_of_it(a: int, b: int, at: int, length: int, put: str) -> None:
    first, last = sorted((a, b))
    before = line(stretch(first, last))
    end = min(len(TEXT), at + length)
    after = with_text(before, at, end, put)
    touched = {i for i, w in enumerate(words_of(TEXT)) if w.start < end and at < w.end}
    whole = [WORDS[i] for i in range(first, last + 1) if i not in touched]
    if not after.cues:
        assert not words_of(after.text), "a cue is lost with the last word only"
        return
    (cue,) = after.cues
    under = said_under(after, cue)
    left = [word for i, word in enumerate(WORDS) if i not in touched]
    if whole and [w.text for w in words_of(after.text)] == left:
        assert under == whole and not cue.look, "whole words were cut: exactly the others are left"
    if cue.look:
        assert not whole, "only a stretch without any word of its own moves"
        assert cue.end is None
    for word in whole:
        if f" {word} " in f" {after.text} " and after.text.count(word) == TEXT.count(word) == 1:
            assert any(word in other for other in under), (word, under)


def test_cutting_inside_shortens_and_cutting_all_marks() -> None:
    before = line(stretch(2, 5))  # goes out and the
    cut = with_text(before, STARTS[2], STARTS[4], "")
    assert said_under(cut, cut.cues[0]) == ["and", "the"] and not cut.cues[0].look
    cut = with_text(before, STARTS[4], STARTS[6], "")
    assert said_under(cut, cut.cues[0]) == ["goes", "out"] and not cut.cues[0].look
    gone = with_text(before, STARTS[2], STARTS[6], "")
    assert gone.cues[0].look and gone.cues[0].end is None and said_under(gone, gone.cues[0]) == ["boats"]


def test_words_put_inside_belong_to_it() -> None:
    before = line(stretch(2, 3))
    after = with_text(before, STARTS[3], STARTS[3], "slowly ")
    assert said_under(after, after.cues[0]) == ["goes", "slowly", "out"]


def test_a_stretch_ends_with_its_line_and_joins_whole() -> None:
    first, second = split_line(line(stretch(2, 8)), STARTS[5])
    assert said_under(first, first.cues[0]) == ["goes", "out", "and"] and not second.cues
    first, second = split_line(line(stretch(6, 8)), STARTS[5])
    assert not first.cues and said_under(second, second.cues[0]) == ["boats", "sit", "down"]
    joined = join_lines(Line("a", "MAREN", "Look."), line(stretch(6, 8)))
    assert said_under(joined, joined.cues[0]) == ["boats", "sit", "down"]


def test_a_stretch_put_on_a_line_lies_on_words() -> None:
    placed = put_cue(Line("l", "", TEXT), Cue("c", "picture", STARTS[1] + 1, {}, end=STARTS[3] + 2))
    assert (placed.cues[0].start, placed.cues[0].end) == (STARTS[1], STARTS[3])
    turned = put_cue(Line("l", "", TEXT), Cue("c", "picture", STARTS[5], {}, end=STARTS[1]))
    assert said_under(turned, turned.cues[0]) == ["the"], "it never ends before it begins"


@st.composite
def cued_lines(draw: st.DrawFn) -> Line:
    """A line with cues on words and over stretches, which may lie in each other and cross."""
    cues = []
    for number in range(draw(st.integers(0, 5))):
        first = draw(st.integers(0, 10))
        last = draw(st.none() | st.integers(first, 10))
        kind = draw(st.sampled_from([*STRETCHY, "wave", "nod"]))
        end = None if last is None or kind not in STRETCHY else STARTS[last]
        cues.append(Cue(f"c{number}", kind, STARTS[first], {}, end=end))
    return line(*sorted(cues, key=lambda c: c.start))


def facts(line: Line) -> list[tuple[str, int, int | None]]:
    return [(c.kind, c.start, c.end) for c in line.cues]


@given(cued_lines())
def test_any_stretches_come_back_from_notes(before: Line) -> None:
    text, cues = take_cues(text_with_cues(before), CUE_KINDS)
    assert text == TEXT
    assert sorted(facts(replace(before, cues=cues)), key=str) == sorted(facts(before), key=str)


@given(cued_lines())
def test_any_stretches_come_back_from_files(before: Line) -> None:
    script = Script("A title", (Scene("s", "The pier", (before,)),))
    assert from_json(to_json(script), own_choices_from_json) == script
    for kind, write in (("fountain", write_fountain), ("markdown", write_markdown)):
        (again,) = read_script(write(script), kind).scenes[0].lines
        assert again.text == TEXT
        assert sorted(facts(again), key=str) == sorted(facts(before), key=str), kind


def test_the_shortest_closing_note_is_written() -> None:
    assert text_with_cues(line(stretch(1, 2))).startswith("The [[cue: picture]]sea goes[[/cue]] out")
    crossing = line(stretch(1, 4), stretch(2, 6, "emphasis", "d"))
    assert "and[[/cue: picture]] the boats[[/cue]]" in text_with_cues(crossing)


@pytest.mark.parametrize(
    ("text", "under"),
    [
        ("The [[cue: picture boat]]sea goes[[/cue]] out.", ["sea", "goes"]),
        ("The [[cue: picture boat]] sea goes [[/cue]] out.", ["sea", "goes"]),
        ("The [[cue: picture boat]]sea goes out[[ / cue ]].", ["sea", "goes", "out"]),
        ("The [[cue: picture boat]]sea goes [[/cue]].", ["sea", "goes"]),
        ("The [[cue: picture boat]]sea goes[[/cue: picture]] out.", ["sea", "goes"]),
        ("The [[cue: picture boat]]sea goes[[/cue: emphasis]] out.", None),
        ("The [[cue: picture boat]]sea goes[[/cue: picture 9]] out.", None),
        ("The [[cue: picture boat]]sea [[cue: wave]]goes[[/cue]] out.", ["sea", "goes"]),
        ("[[/cue]]The sea goes out.", None),
    ],
)
def test_notes_of_people_are_read(text: str, under: list[str] | None) -> None:
    clean, cues = take_cues(text, CUE_KINDS)
    assert clean.rstrip(".").rstrip().endswith(("out", "goes"))
    lasting = [c for c in cues if c.end is not None]
    if under is None:
        assert not lasting
    else:
        assert [said_under(Line("l", "", clean, cues), c) for c in lasting] == [under]
        assert "  " not in clean and " ." not in clean


def test_a_closing_note_is_not_spoken_wherever_it_stands() -> None:
    script = read_script("MAREN: The sea[[/cue]] goes out.")
    assert [w.text for w in words_of(script.scenes[0].lines[0].text)] == ["The", "sea", "goes", "out"]


def test_a_kind_that_cannot_last_is_told_and_kept() -> None:
    bad = replace(line(), cues=(Cue("c", "wave", STARTS[0], {}, end=STARTS[3]),))
    (finding,) = findings(Script("", (Scene("s", "", (bad,)),)))
    assert "single word" in finding.message and not finding.stops


def test_kinds_are_a_value_and_know_only_themselves() -> None:
    """Nothing is registered by an import: two tables live side by side."""
    bells = CueKinds([CueKind("bell", "Bell", "sound", "Sound", stretch=True)])
    text = "The [[cue: bell]]sea goes[[/cue]] out."
    assert [c.kind for c in take_cues(text, bells)[1]] == ["bell"]
    assert bells.problem(Cue("c", "wave", 0)) and not bells.problem(Cue("c", "bell", 0, {}, end=4))
    assert CUE_KINDS.get("bell") is None
    with pytest.raises(ValueError, match="already"):
        CueKinds([CueKind("bell", "Bell", "sound", "Sound"), CueKind("bell", "Bell", "sound", "Sound")])


@pytest.mark.parametrize("junk", ["[[" * 100_000, "[[cue: " * 60_000, "]]" * 100_000, "[[/cue" * 60_000])
def test_notes_are_found_in_time_that_grows_with_the_text(junk: str) -> None:
    assert len(list(cue_notes(junk))) <= 1


@pytest.mark.parametrize(
    ("position", "word"),
    [(0, "Mind"), (4, "Mind"), (5, "the"), (15, "mud"), (16, "said"), (17, "said"), (23, "said"), (99, "Papa")],
)
def test_the_nearest_word_is_the_later_of_two_as_close(position: int, word: str) -> None:
    words = words_of("Mind the mud,       said Papa.")
    assert nearest(words, position).text == word


@pytest.mark.parametrize(
    ("start", "end", "kept", "look"),
    [(8, 12, "sand", False), (4, 8, "bank", False), (0, 6, "ndbank", False), (4, 13, "and", True)],
)
def test_a_word_of_which_a_part_is_left_keeps_its_cue(start: int, end: int, kept: str, look: bool) -> None:
    line = Line("a", "MAREN", "The sandbank and we.", (Cue("c", "wave", 4),))
    changed = with_text(line, start, end, "")
    (cue,) = changed.cues
    word = word_at(words_of(changed.text), cue.start)
    assert word is not None and (word.text, cue.look) == (kept, look)


def test_a_stretch_behind_a_split_keeps_both_its_ends_whatever_space_is_between() -> None:
    text = "Mind the mud.    The boats leave the harbour."
    first, last = text.index("boats"), text.index("harbour")
    line = Line("a", "MAREN", text, (Cue("c", "picture", first, {"shows": "boat"}, end=last),))
    left, right = split_line(line, text.index("mud.") + 4)
    assert left.text == "Mind the mud." and left.cues == ()
    (cue,) = right.cues
    assert right.text[cue.start :].startswith("boats") and cue.end is not None
    assert right.text[cue.end :].startswith("harbour")


def test_a_line_without_words_stays_as_it_is() -> None:
    empty = Line("l", "", " ")
    assert put_cue(empty, Cue("c", "picture", 0, {})) is empty
