"""Cues keep their word, are written and read as notes, and are checked."""

from __future__ import annotations

from dataclasses import FrozenInstanceError, replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, rule

from dearhost.production import CUE_KINDS, findings, read_script, text_with_cues, write_fountain
from dearhost.production.choices import own_choices_from_json
from dearhost.script import (
    Cue,
    Direction,
    Line,
    Parameter,
    Scene,
    Script,
    from_json,
    join_lines,
    new_id,
    split_line,
    to_json,
    with_text,
    word_index,
    words_of,
)
from dearhost.script.cue_notes import take_cues

WORDS = [f"w{i:02d}" for i in range(12)]
CUED = WORDS[1::3]


class EditedScript(RuleBasedStateMachine):
    """A page of lines under random edits. Every word is unlike every other, so each cue knows its own."""

    def __init__(self) -> None:
        super().__init__()
        cues = tuple(Cue(f"on-{w}", "nod", WORDS.index(w) * 4) for w in CUED)
        self.lines = [Line("first", "MAREN", " ".join(WORDS), cues)]
        self.history: list[list[Line]] = []

    def _pick(self, number: int) -> int:
        self.history.append(list(self.lines))
        return number % len(self.lines)

    @rule(number=st.integers(0, 9), share=st.floats(0, 1), text=st.sampled_from([" ", "new ", " a, b ", ". "]))
    def insert(self, number: int, share: float, text: str) -> None:
        at = self._pick(number)
        line = self.lines[at]
        starts = [w.start for w in words_of(line.text)] or [0]
        place = starts[min(len(starts) - 1, int(share * len(starts)))]
        self.lines[at] = with_text(line, place, place, text)

    @rule(number=st.integers(0, 9), share=st.floats(0, 1), count=st.integers(1, 3))
    def delete_words(self, number: int, share: float, count: int) -> None:
        at = self._pick(number)
        words = words_of(self.lines[at].text)
        if words:
            first = min(len(words) - 1, int(share * len(words)))
            last = min(len(words) - 1, first + count - 1)
            self.lines[at] = with_text(self.lines[at], words[first].start, words[last].end, "")

    @rule(number=st.integers(0, 9), share=st.floats(0, 1))
    def split(self, number: int, share: float) -> None:
        at = self._pick(number)
        line = self.lines[at]
        starts = [w.start for w in words_of(line.text)]
        if starts:
            self.lines[at : at + 1] = split_line(line, starts[int(share * (len(starts) - 1))])

    @rule(number=st.integers(0, 9))
    def join(self, number: int) -> None:
        at = self._pick(number)
        if at + 1 < len(self.lines):
            self.lines[at : at + 2] = [join_lines(self.lines[at], self.lines[at + 1])]

    @rule(number=st.integers(0, 9), to=st.integers(0, 9))
    def move(self, number: int, to: int) -> None:
        line = self.lines.pop(self._pick(number))
        self.lines.insert(to % (len(self.lines) + 1), line)

    @rule()
    def undo(self) -> None:
        if self.history:
            self.lines = self.history.pop()

    @invariant()
    def cues_stay_with_their_words(self) -> None:
        alive = {w.text for line in self.lines for w in words_of(line.text)}
        kept = {cue.id: cue for line in self.lines for cue in line.cues}
        assert all(f"on-{word}" in kept for word in CUED if word in alive)
        for line in self.lines:
            words = words_of(line.text)
            assert list(line.cues) == sorted(line.cues, key=lambda c: c.start)
            for cue in line.cues:
                on = next(w for w in words if w.start == cue.start)
                assert words[word_index(line, cue)] == on
                assert on.text == cue.id[3:] or cue.look, f"{cue.id} is on {on} and not marked"


TestEditedScript = EditedScript.TestCase


def test_a_word_changed_inside_keeps_its_cue_and_a_lost_one_moves_to_the_nearest() -> None:
    line = Line("a", "", "the far side of it", (Cue("c", "nod", 4),))
    assert with_text(line, 5, 7, "ull").cues == (Cue("c", "nod", 4),)  # far, full
    assert with_text(line, 4, 5, "").cues == (Cue("c", "nod", 4),)  # far, ar
    gone = with_text(line, 4, 8, "")
    assert gone.text == "the side of it" and gone.cues == (Cue("c", "nod", 4, look=True),)
    assert with_text(line, 4, 18, "").cues == (Cue("c", "nod", 0, look=True),)
    assert with_text(line, 0, 18, "").cues == ()
    with pytest.raises(ValueError, match="must lie in the text"):
        with_text(line, 5, 99, "")


@pytest.mark.parametrize(
    ("note", "kind", "parameters"),
    [
        ("wave left strength=0.8", "wave", {"side": "left", "strength": 0.8}),
        ("point left", "point-left", {}),
        ("Thumb-Up", "thumb-up", {}),
        ('title text="The tide room" seconds=2', "title", {"text": "The tide room", "seconds": 2.0}),
        ("somersault twice", "somersault", {"twice": "twice"}),
    ],
)
def test_notes_are_read(note: str, kind: str, parameters: dict[str, object]) -> None:
    assert CUE_KINDS.parse_note(note) == (kind, parameters)


def _values(parameter: Parameter) -> st.SearchStrategy[str | float]:
    if parameter.kind == "choice":
        return st.sampled_from(parameter.choices)
    if parameter.kind == "number":
        return st.integers(0, 20).map(lambda n: round(parameter.low + (parameter.high - parameter.low) * n / 20, 3))
    between = "" if parameter.asset and not parameter.several else " "
    return st.text("abc \"'é=*_", min_size=1, max_size=12).map(lambda t: between.join(t.split())).filter(bool)


@st.composite
def cues(draw: st.DrawFn) -> Cue:
    kind = draw(st.sampled_from(list(CUE_KINDS)))
    return Cue("c", kind.name, 0, {p.name: draw(_values(p)) for p in kind.parameters})


@given(cues())
def test_any_cue_is_read_back_from_its_note(cue: Cue) -> None:
    assert not CUE_KINDS.problem(cue)
    text, found = take_cues(f"Look {CUE_KINDS.format_note(cue)}there.", CUE_KINDS)
    assert text == "Look there."
    assert [(c.kind, c.parameters, c.start) for c in found] == [(cue.kind, cue.parameters, 5)]


@given(st.lists(st.lists(cues(), max_size=3), min_size=1, max_size=4))
def test_a_directed_script_goes_through_fountain_and_json_unchanged(lines: list[list[Cue]]) -> None:
    blocks: list[Line | Direction] = [Direction(new_id(), "The *bell* rings_twice.")]
    for number, given_cues in enumerate(lines):
        text = f"Line {number} has *stars*, a_mark and an end."
        starts = [w.start for w in words_of(text)]
        placed = tuple(replace(c, id=new_id(), start=starts[2 * i]) for i, c in enumerate(given_cues))
        blocks.append(Line(new_id(), ("Maren", "SKERRY")[number % 2], text, placed))
    script = Script("A title", (Scene(new_id(), "The tide room", tuple(blocks)),))
    assert from_json(to_json(script), own_choices_from_json) == script
    again = read_script(write_fountain(script), "fountain")
    assert (again.title, again.scenes[0].heading) == ("A title", "The tide room")
    assert [_content(b) for b in again.scenes[0].blocks] == [_content(b) for b in blocks]


def _content(block: Line | Direction) -> object:
    return block.text if isinstance(block, Direction) else (block.speaker, text_with_cues(block))


def test_cues_that_cannot_be_played_are_findings_and_stop_nothing() -> None:
    script = read_script("MAREN: Come [[cue: somersault]]here, [[cue: wave strength=9]]now. [[cue: nod]]\n")
    told = [f.message for f in findings(script)]
    assert any("there is no cue 'somersault'" in m for m in told)
    assert any("'strength' must be from 0.3 to 1.3" in m for m in told)
    assert any("lost its word and moved, to 'now'" in m for m in told)
    assert not any(f.stops for f in findings(script))


@pytest.mark.parametrize(
    ("note", "said"),
    [
        ("take own-picture", "shows nothing yet: choose a picture"),
        ("take sign", "shows an empty sign"),
        ('take sign text="Mind the step"', ""),
        ("take lantern", ""),
        ("take own-picture picture=3f2a", ""),
    ],
)
def test_a_cue_that_shows_nothing_yet_is_a_finding(note: str, said: str) -> None:
    script = read_script(f"MAREN: Mama may [[cue: {note}]]bring a boat.")
    (line,) = (line for _, _, line in script.lines())
    assert [cue.kind for cue in line.cues] == ["take"] and not CUE_KINDS.problem(line.cues[0])
    found = [finding for finding in findings(script) if finding.kind == "empty-cue"]
    assert bool(found) == bool(said) and all(said in f.message and not f.stops for f in found)


def test_nothing_of_a_script_changes_under_who_holds_it() -> None:
    line = Line("a", "MAREN", "Low water.", (Cue("c", "nod", 0),))
    scene = Scene("s", "The pier", (line, Direction("d", "Waves.")))
    for thing, name in (
        (line.cues[0], "start"),
        (line, "text"),
        (scene, "heading"),
        (scene.blocks[1], "text"),
        (Script("", (scene,)), "title"),
    ):
        with pytest.raises(FrozenInstanceError):
            setattr(thing, name, getattr(thing, name))
