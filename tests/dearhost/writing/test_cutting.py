"""A long text is cut between sentences, and nothing of it is lost."""

from __future__ import annotations

import itertools

from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import read_script
from dearhost.script import Line, Scene
from dearhost.writing.advice import cuts_by_length, cuts_by_paragraph, pieces_of

PARAGRAPHS = "Dr. Oake counts to 3.5 metres. “Is it wet?” asks the bird. It is.\n\nThe bell rings. The tide is back."


def scene_of(text: str) -> Scene:
    return read_script(text, "plain").scenes[0]


def texts(scene: Scene) -> list[str]:
    return [
        block.text[piece.start : piece.end]
        for piece in pieces_of(scene, "en")
        if isinstance(block := scene.blocks[piece.block], Line)
    ]


def test_cuts_fall_between_sentences_and_quotes_stay_with_theirs() -> None:
    scene = scene_of(PARAGRAPHS)
    assert texts(scene) == [
        "Dr. Oake counts to 3.5 metres.",
        "“Is it wet?”",
        "asks the bird.",
        "It is.",
        "The bell rings.",
        "The tide is back.",
    ]
    assert cuts_by_paragraph(pieces_of(scene, "en")) == (4,)


def test_scenes_cut_by_length_are_of_about_the_length_that_is_wished() -> None:
    scene = scene_of("The tide comes in twice every single day and it goes out again. " * 24)  # 13 words each
    pieces = pieces_of(scene, "en")
    cuts = cuts_by_length(pieces, 20.0)
    borders = [0, *cuts, len(pieces)]
    lengths = [sum(p.seconds for p in pieces[a:b]) for a, b in itertools.pairwise(borders)]
    assert len(lengths) > 3
    assert all(14 < length < 26 for length in lengths)


@given(st.lists(st.text(min_size=1, max_size=80), min_size=1, max_size=6), st.floats(1, 60))
def test_no_word_is_lost_and_every_cut_makes_two_scenes(lines: list[str], seconds: float) -> None:
    scene = Scene("s", "", tuple(Line(str(i), "", text) for i, text in enumerate(lines)))
    pieces = pieces_of(scene, "en")
    for index, text in enumerate(lines):
        joined = "".join(text[p.start : p.end] for p in pieces if p.block == index)
        assert "".join(joined.split()) == "".join(text.split())
    for cuts in (cuts_by_length(pieces, seconds), cuts_by_paragraph(pieces)):
        assert list(cuts) == sorted(set(cuts)) and all(0 < cut < len(pieces) for cut in cuts)
