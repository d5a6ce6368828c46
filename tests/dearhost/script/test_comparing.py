"""Two states of a script: each side can be read out of the difference, and what is the same is not in it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import compare, read_script
from dearhost.script import Line, Run, Script, words_differing

SCRIPT = read_script("# The pier\n\nMAREN: Every day, twice.\n\n(Waves.)\n\n# The bell\n\nSKERRY: It rings.\n")


def told(before: Script, after: Script) -> list[tuple[str, int, str, str]]:
    def marked(runs: Iterable[Run]) -> str:
        return "".join(f"<{run.text}>" if run.differs else run.text for run in runs)

    return [(d.kind, d.scene, marked(d.before), marked(d.after)) for d in compare(before, after)]


def edited(scene: int, block: int, **part: str) -> Script:
    scenes = list(SCRIPT.scenes)
    blocks = list(scenes[scene].blocks)
    blocks[block] = replace(blocks[block], **part)
    scenes[scene] = replace(scenes[scene], blocks=tuple(blocks))
    return replace(SCRIPT, scenes=tuple(scenes))


def test_a_changed_word_is_told_by_itself() -> None:
    assert told(SCRIPT, edited(0, 0, text="Every lunar day, twice.")) == [
        ("changed", 1, "Every day, twice.", "Every< lunar> day, twice.")
    ]
    assert told(SCRIPT, edited(1, 0, speaker="MAREN")) == [("changed", 2, "<SKERRY>: It rings.", "<MAREN>: It rings.")]


def test_another_speaker_is_told_whichever_comes_first_in_the_alphabet() -> None:
    for name in ("ADA", "MAREN", "ZOE"):
        [(kind, _, before, after)] = told(SCRIPT, edited(1, 0, speaker=name))
        assert (kind, before, after) == ("changed", "<SKERRY>: It rings.", f"<{name}>: It rings.")


def test_lines_added_removed_and_moved() -> None:
    pier, bell = SCRIPT.scenes
    more = replace(bell, blocks=(*bell.blocks, Line("new", "MAREN", "Again.")))
    assert told(SCRIPT, replace(SCRIPT, scenes=(replace(pier, blocks=pier.blocks[:1]), more))) == [
        ("removed", 1, "<(Waves.)>", ""),
        ("added", 2, "", "<Again.>"),
    ]
    swapped = told(SCRIPT, replace(SCRIPT, scenes=(bell, pier)))
    assert {kind for kind, *_ in swapped} == {"moved"} and 0 < len(swapped) < 5
    assert told(SCRIPT, SCRIPT) == []


def test_removed_lines_are_told_where_they_were_with_who_said_them() -> None:
    before = read_script("# One\n\n" + "\n\n".join(f"{'ADA' if n % 2 else 'ZOE'}: Line {n}." for n in range(8)))
    [scene] = before.scenes
    stays = (0, 3, 4, 7)
    after = replace(before, scenes=(replace(scene, blocks=tuple(scene.blocks[n] for n in stays)),))
    assert [(d.kind, d.speaker, d.before[0].text) for d in compare(before, after)] == [
        ("removed", "ADA", "Line 1."), ("removed", "ZOE", "Line 2."), ("removed", "ADA", "Line 5."),
        ("removed", "ZOE", "Line 6."),
    ]  # fmt: skip
    more = Line("new", "ADA", "A line more.")
    changed = replace(scene, blocks=(*(scene.blocks[n] for n in stays[1:]), more))
    told_now = [(d.kind, (d.after or d.before)[0].text) for d in compare(before, replace(before, scenes=(changed,)))]
    assert told_now[0] == ("removed", "Line 0.") and told_now[-1] == ("added", "A line more.")
    assert [text for kind, text in told_now if kind == "removed"] == [f"Line {n}." for n in (0, 1, 2, 5, 6)]


@given(st.lists(st.integers(0, 30), unique=True, max_size=20), st.lists(st.integers(0, 30), unique=True, max_size=20))
def test_what_is_told_is_all_that_differs(first: list[int], second: list[int]) -> None:
    """By the ids of lines: what is gone, what is new, and what no longer stands in the order of the others."""
    [scene] = read_script("# One\n\nADA: So.").scenes

    def script(numbers: list[int]) -> Script:
        lines = tuple(Line(f"l{n}", "ADA", f"Line {n}.") for n in numbers)
        return replace(SCRIPT, scenes=(replace(scene, blocks=lines),))

    told_ = [(d.kind, (d.after or d.before)[0].text) for d in compare(script(first), script(second))]
    by_kind = {kind: {text for k, text in told_ if k == kind} for kind in ("removed", "added", "moved")}
    assert by_kind["removed"] == {f"Line {n}." for n in set(first) - set(second)}
    assert by_kind["added"] == {f"Line {n}." for n in set(second) - set(first)}
    both = [n for n in second if n in first and f"Line {n}." not in by_kind["moved"]]
    assert both == [n for n in first if n in both], "what has not moved stands in its order"
    assert len(told_) == sum(map(len, by_kind.values())), "each once"


@given(st.text("ab. \n[é", max_size=40), st.text("ab. \n[é", max_size=40))
def test_both_texts_come_out_of_their_difference(before: str, after: str) -> None:
    left, right = words_differing(before, after)
    assert "".join(run.text for run in left) == before and "".join(run.text for run in right) == after
    if before == after:
        assert not any(run.differs for run in (*left, *right))
