"""Captions: every word once, in time, two lines at most, broken where one pauses."""

from __future__ import annotations

from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import Studio
from dearhost.stage.captions import CaptionWord, make_captions, shown_words


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
