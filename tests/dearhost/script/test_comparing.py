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


@given(st.text("ab. \n[é", max_size=40), st.text("ab. \n[é", max_size=40))
def test_both_texts_come_out_of_their_difference(before: str, after: str) -> None:
    left, right = words_differing(before, after)
    assert "".join(run.text for run in left) == before and "".join(run.text for run in right) == after
    if before == after:
        assert not any(run.differs for run in (*left, *right))
