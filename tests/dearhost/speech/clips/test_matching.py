"""Words of a line are found in a clip after they were struck, mended or moved."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.speech.clips import ClipWord, match_words
from dearhost.speech.plan import plan_words

SAID = (
    "The water was so low that I I saw the old slipway. We walked out to the wall. "
    "And the keeper, the keeper showed us the tide clock. It had twenty five wheels."
)


def clip_of(text: str) -> list[ClipWord]:
    """Words of half a second each, with their stops."""
    return [ClipWord(word, n * 0.5, n * 0.5 + 0.4) for n, word in enumerate(text.split())]


def found(line: str, said: str = SAID) -> list[str]:
    """What is heard for each written word of a line."""
    written = plan_words(line, "en-US").written
    ends = [word.start for word in written[1:]] + [len(line)]
    gaps = [line[word.end : end] for word, end in zip(written, ends, strict=True)]
    clip = clip_of(said)
    places = match_words([word.text for word in written], gaps, clip)
    return [" ".join(clip[i].plain for i in range(p.first, p.last + 1)) if p else "-" for p in places]


def test_what_is_said_twice_is_heard_as_it_was_said_the_last_time() -> None:
    written = plan_words("That I saw the slipway.", "en-US").written
    places = match_words([w.text for w in written], [" "] * 4 + ["."], clip_of(SAID))
    assert [place.first for place in places if place] == [5, 7, 8, 9, 11]


@pytest.mark.parametrize(
    ("line", "heard"),
    [
        ("We walked out to the wharf.", "we walked out to the wall"),  # the last word was misheard
        ("He walked out to the wall.", "we walked out to the wall"),
        ("The water was so slow that I saw her.", "the water was so low that i saw -"),
        ("I saw the old slip way.", "i saw the old slipway slipway"),
        ("It had 25 wheels.", "it had twenty five wheels"),
        ("And the keeper Oswin showed us.", "and the keeper - showed us"),
        ("Nobody sang yesterday.", "- - -"),
    ],
)
def test_words_that_were_mended_keep_their_sound(line: str, heard: str) -> None:
    assert " ".join(found(line)) == heard


def test_sentences_that_were_moved_are_found_where_they_are() -> None:
    assert " ".join(found("We walked out to the wall. The water was so low.")) == (
        "we walked out to the wall the water was so low"
    )


def test_of_two_places_the_nearer_one_counts() -> None:
    clip = clip_of("Yes. The tide turns. Yes. The tide turns. Yes.")
    for begins, expected in ((0, 0), (3, 4), (7, 8)):
        place = match_words(["Yes"], ["."], clip, begins)[0]
        assert place is not None and place.first == expected


@given(st.sets(st.integers(0, 59)), st.integers(0, 59))
def test_whatever_is_struck_the_rest_is_found_where_it_was(struck: set[int], begins: int) -> None:
    words = [f"w{chr(97 + n // 26)}{chr(97 + n % 26)}{n}" for n in range(60)]  # no two begin alike
    clip = [ClipWord(word, n * 0.5, n * 0.5 + 0.4) for n, word in enumerate(words)]
    kept = [n for n in range(60) if n not in struck]
    places = match_words([words[n] for n in kept], [" "] * len(kept), clip, begins)
    assert [(p.first, p.last) if p else None for p in places] == [(n, n) for n in kept]
