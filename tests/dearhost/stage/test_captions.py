"""Captions: every word once, in time, two lines at most, broken where one pauses."""

from __future__ import annotations

import re
from dataclasses import replace
from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import Studio, read_script
from dearhost.stage import compile_timeline
from dearhost.stage.caption_check import caption_rows
from dearhost.stage.captions import (
    CaptionCuts,
    CaptionWord,
    Nudge,
    corrected,
    make_captions,
    nudged,
    shown_words,
    with_sounds,
)
from dearhost.timebase import FrameRate
from tests.conftest import with_tones


def timed(text: str, pace: float = 0.35) -> list[CaptionWord]:
    words = []
    for index, word in enumerate(text.split()):
        words.append(CaptionWord(word, index * pace, index * pace + pace * 0.9))
    return words


words = st.lists(st.text("abcdefgh", min_size=1, max_size=14), min_size=1, max_size=60)


@given(words, st.integers(20, 40))
def test_every_word_is_shown_once_within_two_lines(parts: list[str], characters: int) -> None:
    captions = make_captions(timed(" ".join(parts)), "", characters=characters, until=1000)
    assert [w.text for c in captions for w in c.words] == parts
    for caption in captions:
        assert 1 <= len(caption.lines) <= 2
        for line in caption.texts():
            assert len(line) <= characters or " " not in line
        assert caption.start <= caption.words[0].start and caption.end >= caption.words[-1].end
    assert all(a.end <= b.start + 1e-9 for a, b in pairwise(captions))


def test_breaks_fall_at_sentences_and_clauses() -> None:
    text = (
        "Six hours ago, that line was under water. Six hours from now, it will be again. "
        "So where did the sea go, and why does it always come back?"
    )
    captions = make_captions(timed(text), "", characters=37, until=60)
    assert [" / ".join(c.texts()) for c in captions] == [
        "Six hours ago, / that line was under water.",
        "Six hours from now, it will be again.",
        "So where did the sea go, / and why does it always come back?",
    ]


def test_no_line_ends_on_an_article_or_a_preposition() -> None:
    text = "We walked along the edge of the harbour to the house of the keeper by the old wall in the evening"
    for caption in make_captions(timed(text), "", characters=37, until=60):
        for line in caption.texts()[:-1]:
            assert line.split()[-1] not in ("the", "of", "to", "by", "in", "a")


def test_shown_words_keep_punctuation_and_drop_what_is_not_spoken(studio: Studio) -> None:
    text = "“Great news,” she said [waves] — twice! 🎉"
    reading = studio.speaker.read(text, "fake")
    assert [w.text for w in shown_words(text, reading, 0)] == ["“Great", "news,”", "she", "said —", "twice! 🎉"]


def test_a_caption_lingers_but_not_into_the_next() -> None:
    captions = make_captions(timed("One two three."), "", characters=37, until=1.3)
    assert captions[0].end == 1.3
    assert captions[0].word_at(0.36) == 1 and captions[0].word_at(-1) == -1


def broken(text: str, cuts: CaptionCuts) -> list[str]:
    """The captions of a text whose written words are counted from 0."""
    counted = [replace(word, said=n) for n, word in enumerate(timed(text))]
    return [" / ".join(c.texts()) for c in make_captions(counted, "", characters=37, until=60, cuts=cuts)]


LOW = "The Moon pulls on the Earth. It piles up in two low hills: one under the Moon, and one on the far side."


def test_captions_begin_and_go_on_where_somebody_says_so() -> None:
    assert broken(LOW, CaptionCuts())[0] == "The Moon pulls on the Earth. / It piles up in two low hills:"
    parted = broken(LOW, CaptionCuts(begins=[6, 9]))
    assert parted[:2] == ["The Moon pulls on the Earth.", "It piles up"] and parted[2].startswith("in two low hills:")
    assert broken(LOW, CaptionCuts(begins=[6], rows=[3]))[0] == "The Moon pulls / on the Earth."
    first, second = broken("One two three. Four five six.", CaptionCuts(begins=[2], goes_on=[3]))
    assert (first, second.replace(" / ", " ")) == ("One two", "three. Four five six.")


def test_captions_that_do_not_fit_into_one_are_not_joined() -> None:
    everywhere = broken(LOW, CaptionCuts(goes_on=range(60)))
    assert all(len(row) <= 37 for caption in everywhere for row in caption.split(" / "))
    assert " ".join(everywhere).replace(" / ", " ") == LOW


@given(words, st.sets(st.integers(0, 59)), st.sets(st.integers(0, 59)), st.sets(st.integers(0, 59)))
def test_however_captions_are_cut_every_word_is_shown_once(
    parts: list[str], begins: set[int], goes_on: set[int], rows: set[int]
) -> None:
    counted = [replace(word, said=n) for n, word in enumerate(timed(" ".join(parts)))]
    cuts = CaptionCuts(begins, goes_on, rows)
    captions = make_captions(counted, "", characters=30, until=1000, cuts=cuts)
    assert [w.text for c in captions for w in c.words] == parts
    assert all(1 <= len(c.lines) <= 2 for c in captions)
    firsts = {c.words[0].said for c in captions}
    assert {cut for cut in begins - goes_on if cut < len(parts)} <= firsts | {0}


@given(words, st.integers(0, 59), st.integers(0, 8), st.text("abc 2", max_size=20))
def test_a_correction_changes_its_words_and_no_times_of_others(
    parts: list[str], first: int, more: int, text: str
) -> None:
    counted = tuple(replace(word, said=n) for n, word in enumerate(timed(" ".join(parts))))
    shown = corrected(counted, first, first + more, text)
    others = [word for word in counted if not first <= word.said <= first + more]
    if text.split() and first < len(parts):
        assert [w for w in shown if w in others] == others
        assert [w.text for w in shown if w not in others] == text.split()
    else:
        assert shown == counted
    assert all(a.end <= b.start + 1e-9 and a.start < a.end for a, b in pairwise(shown))


@given(words, st.integers(0, 59), st.floats(-1, 1), st.floats(-1, 2))
def test_nudged_captions_stay_in_order_and_are_seen(parts: list[str], said: int, begins: float, ends: float) -> None:
    counted = [replace(word, said=n) for n, word in enumerate(timed(" ".join(parts)))]
    until = counted[-1].end + 1.5
    captions = make_captions(counted, "", characters=30, until=until)
    moved = nudged(captions, {c.words[0].said: Nudge(begins, ends) for c in captions if c.words[0].said >= said}, until)
    assert [c.words for c in moved] == [c.words for c in captions]
    assert all(a.end <= b.start + 1e-9 for a, b in pairwise(moved))
    assert all(c.end - c.start >= 0.29 for c in moved if c.words[-1].end - c.words[0].start > 0.6)
    assert moved[-1].end <= until + 1e-9


def test_cues_correct_captions_and_not_what_is_said(studio: Studio) -> None:
    text = (
        "MAREN: It piles up in [[cue: caption text=2]]two [[cue: caption-cut begins]]low hills, "
        '[[cue: caption text="as on the sign"]]as you can see[[/cue]] there.'
    )
    plain = with_tones(read_script(re.sub(r"\[\[.*?\]\]", "", text)))
    production = with_tones(read_script(text))
    said, shown = (compile_timeline(p, studio, FrameRate.of(25)).scenes[0] for p in (plain, production))
    assert [w.start for w in said.lines[0].reading.words] == [w.start for w in shown.lines[0].reading.words]
    assert [" ".join(c.texts()) for c in shown.captions] == ["It piles up in 2", "low hills, as on the sign there."]
    rows = caption_rows(shown)
    assert [row.said for row in rows] == ["It piles up in two", "low hills, as you can see there"]
    # the words of a row as they are shown where nothing is corrected, and where they stand in the line
    assert [[word.text for word in row.words] for row in rows] == [
        "It piles up in two".split(),
        "low hills, as you can see there.".split(),
    ]
    for row in rows:
        assert all(shown.lines[0].text[word.offset : word.to] in word.text for word in row.words)


def test_what_is_read_too_quickly_is_told_with_what_would_mend_it(studio: Studio) -> None:
    text = 'MAREN: Go. [[cue: caption text="a great many words that nobody reads in time at all"]]Stop.'
    scene = compile_timeline(with_tones(read_script(text)), studio, FrameRate.of(25)).scenes[0]
    rows = caption_rows(scene)
    hasty = [row for row in rows if row.hasty]
    assert len(hasty) == 1 and hasty[0].texts[0].startswith(("Go.", "a great"))
    assert 0 <= hasty[0].mend <= scene.duration - hasty[0].end + 1e-6


def test_what_else_is_heard_stands_in_brackets_on_request(studio: Studio) -> None:
    text = "MAREN: Mama may [[cue: sound bell]]bring a boat. [[cue: sound gull]]Papa mends the map."
    for told in (True, False):
        production = with_tones(read_script(text), caption_sounds=told)
        scene = compile_timeline(production, studio, FrameRate.of(25)).scenes[0]
        shown = " ".join(row for caption in scene.captions for row in caption.texts())
        assert ("[bell rings] bring" in shown, "[gull cries] Papa" in shown) == (told, told)
        said = " ".join(row.said for row in caption_rows(scene))
        assert said.replace(".", "") == "Mama may bring a boat Papa mends the map"


@given(words, st.lists(st.floats(-1, 30), max_size=4))
def test_sounds_are_put_between_words_and_move_none(parts: list[str], moments: list[float]) -> None:
    counted = [replace(word, said=n) for n, word in enumerate(timed(" ".join(parts)))]
    told = with_sounds(counted, [(at, "bell rings") for at in moments])
    assert [word for word in told if word.text != "[bell rings]"] == counted
    assert len(told) == len(parts) + len(moments)
    assert all(a.start <= b.start + 1e-9 for a, b in pairwise(told))
