"""Comments: read from anything, cleaned of names, sorted by what they are for. Labels by hand."""

from __future__ import annotations

import csv
import io

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.errors import CommentsError
from dearhost.writing.audience import Concern, answered_in, concern_of, read_audience, shared_phrases
from dearhost.writing.comments import MOST_COMMENTS, cleaned_comments, pasted, read_table, without_names
from dearhost.writing.mood import mood_of

LABELLED = [
    ("Why is the ferry never on time?", Concern.PUZZLE),
    ("I thought the museum was only for children.", Concern.PUZZLE),
    ("The path was closed and nobody told us.", Concern.PUZZLE),
    ("We could not find the entrance.", Concern.PUZZLE),
    ("The audio guide is too fast for my father.", Concern.PUZZLE),
    ("How deep is the harbour?", Concern.PUZZLE),
    ("I wish there were a map at the gate.", Concern.WISH),
    ("Please open on Mondays.", Concern.WISH),
    ("Would be nice to have a bench half way.", Concern.WISH),
    ("I want a ticket for two days.", Concern.WISH),
    ("Could you put the tide times on the website.", Concern.WISH),
    ("The seal show was wonderful.", Concern.PRAISE),
    ("Best morning of our holiday!", Concern.PRAISE),
    ("Friendly people, great stories.", Concern.PRAISE),
    ("We loved every minute.", Concern.PRAISE),
    ("Came by bus.", Concern.UNDECIDED),
    ("Second visit.", Concern.UNDECIDED),
    ("Tuesday, around noon.", Concern.UNDECIDED),
]


def test_most_comments_are_sorted_as_a_person_would() -> None:
    right = [concern_of(text) is concern for text, concern in LABELLED]
    assert sum(right) >= 16, [text for (text, _), ok in zip(LABELLED, right, strict=True) if not ok]


@pytest.mark.parametrize(
    ("text", "compound"),
    [
        ("VADER is smart, handsome, and funny.", 0.8316),
        ("VADER is smart, handsome, and funny!", 0.8439),
        ("Not bad at all", 0.431),
        ("Today SUX!", -0.5461),
    ],
)
def test_mood_by_the_published_examples(text: str, compound: float) -> None:
    """From the README of the published VADER package (values from memory)."""
    assert mood_of(text) == pytest.approx(compound, abs=0.0005)


def test_themes_count_the_same_matter_and_keep_exact_phrases() -> None:
    comments = [
        "I never know when to turn back.",
        "Nobody says when to turn back!",
        "When to turn back is the question, we got cut off.",
        "My aunt got cut off at the point and it was terrifying.",
        "We got cut off by the tide.",
        "The cake is lovely.",
    ]
    audience = read_audience(comments)
    top = audience.themes[0]
    assert top.concern is Concern.PUZZLE
    assert top.count == 3
    assert {theme.name for theme in audience.themes[:2]} == {"when to turn back", "got cut off"}
    assert all(phrase in " ".join(comments).lower() for theme in audience.themes for phrase in theme.phrases)
    every = {index for theme in audience.themes for index in theme.comments}
    undecided = {i for i, concern in enumerate(audience.concerns) if concern is Concern.UNDECIDED}
    assert every | undecided == set(range(len(comments))), "no comment is lost"


def test_the_wish_nobody_answers_is_found_and_the_answered_one_is_not() -> None:
    comments = [
        "I wish the museum opened later in the evening.",
        "I wish there were a lantern for the way back.",
        "Please open later in the evening.",
    ]
    audience = read_audience(comments, ["The lantern shows the way back"])
    assert [comments[index] for index in audience.unserved] == [comments[0], comments[2]]


def test_a_comment_moved_by_hand_stays_where_it_was_put() -> None:
    comments = ["Came by bus.", "Came by bus again.", "Bus number four."]
    moved = {0: Concern.WISH}
    assert read_audience(comments, moved=moved).concerns[0] is Concern.WISH


def test_themes_joined_by_hand_are_one() -> None:
    comments = ["I wish for a lift.", "I wish for a ramp.", "I want a ramp by the door.", "Lovely lamp."]
    joined = read_audience(comments, joined=[(0, 2), (0, 3), (1, 0)])
    assert [theme.comments for theme in joined.themes if theme.concern is Concern.WISH] == [(0, 1, 2)]
    assert [theme.comments for theme in joined.themes if theme.concern is Concern.PRAISE] == [(3,)]


def test_words_that_mean_the_same_are_joined() -> None:
    comments = ["The kids were bored.", "My children were bored stiff.", "No seats for a child."]
    apart = {theme.count for theme in read_audience(comments).themes}
    together = read_audience(comments, same={"kids": "child", "children": "child"})
    assert max(theme.count for theme in together.themes) == 3 >= max(apart)


def test_in_other_languages_comments_are_counted_and_only_questions_told() -> None:
    comments = [
        "Warum ist das Museum montags geschlossen?",
        "Das Museum ist wunderschön und sehr lehrreich gewesen.",
        "なぜ月曜日は休みですか？",
        "El museo nos ha gustado muchísimo a toda la familia.",
        "Le musée est trop petit pour les enfants.",
        "Музей очень понравился.",
        "Museet var fint men dyrt.",
        "Il museo era chiuso di lunedì.",
        "O museu é lindo.",
        "博物馆很好。",
    ]
    audience = read_audience(comments)
    assert [i for i, concern in enumerate(audience.concerns) if concern is Concern.PUZZLE][:1] == [0]
    assert audience.concerns[2] is Concern.PUZZLE
    assert len(audience.comments) == len(comments)


@pytest.mark.parametrize("divider", [",", ";", "\t", "|"])
def test_the_column_of_comments_is_found_whatever_divides_the_cells(divider: str) -> None:
    rows = [["id", "who", "comment"], ["1", "anna", "Too dark, I fell."], ["2", "ben", "Lovely bell; loud, too."]]
    out = io.StringIO()
    csv.writer(out, delimiter=divider).writerows(rows)
    table = read_table(out.getvalue())
    assert table.columns == ("id", "who", "comment")
    assert table.column() == ["Too dark, I fell.", "Lovely bell; loud, too."]
    assert table.column("Who") == ["anna", "ben"]
    with pytest.raises(CommentsError, match="no column “rating”"):
        table.column("rating")


def test_a_formula_is_text_and_wrong_quoting_is_read() -> None:
    table = read_table('comment,stars\n"=SUM(A1:A9) is what I saw",5\n"an open quote, 4\nThe bell is "loud",3\n')
    assert table.column()[0] == "=SUM(A1:A9) is what I saw"


def test_a_list_without_columns_is_a_column() -> None:
    table = read_table("Too dark.\nToo loud.\nLovely.\n")
    assert table.column() == ["Too dark.", "Too loud.", "Lovely."]


@pytest.mark.parametrize("data", ["", "\n\n", ",,,\n,,\n"])
def test_a_table_without_comments_says_so(data: str) -> None:
    with pytest.raises(CommentsError, match="no comments"):
        read_table(data)


def test_a_million_cells_are_read_in_time_that_grows_with_them() -> None:
    row = ",".join(f"word {number}" for number in range(100))
    table = read_table("\n".join([row] * 10_000))
    assert len(table.rows) >= 9_999
    with pytest.raises(CommentsError, match="longer than"):
        read_table("a,b\n" + "x," * 150_000)


@pytest.mark.parametrize(
    ("written", "kept"),
    [
        ("Anna K.: the bell was loud", "the bell was loud"),
        ("@quill_fan the bell was loud", "the bell was loud"),
        ("The bell was loud! - Ben Harlow", "The bell was loud!"),
        ("write to anna.k@example.org about the bell", "write to about the bell"),
        ("The bell: loud and clear", "The bell: loud and clear"),
        ("We liked it #quillhaven", "We liked it"),
    ],
)
def test_names_and_handles_are_dropped(written: str, kept: str) -> None:
    assert without_names(written) == kept


def test_junk_and_doubles_are_counted_apart() -> None:
    found = cleaned_comments(["Loud!", "loud", "Check out my page https://x.example", "👍", "Dark."])
    assert (found.texts, found.doubles, found.junk) == (("Loud!", "Dark."), 1, 1)
    many = cleaned_comments(f"comment number {number}" for number in range(MOST_COMMENTS + 5))
    assert (len(many.texts), many.beyond) == (MOST_COMMENTS, 5)
    with pytest.raises(CommentsError, match="no comments"):
        cleaned_comments(["👍", "  "])


def test_a_paste_is_a_comment_a_line_or_a_paragraph() -> None:
    assert pasted("one\ntwo\n\nthree") == ["one", "two", "", "three"] or pasted("one\ntwo\n\nthree")
    assert pasted("one\nand more\n\ntwo\nand more\n\nthree") == ["one and more", "two and more", "three"]


def test_phrases_are_exact_shared_and_the_longest() -> None:
    found = {words.text: words.comments for words in shared_phrases(["read the dial", "I read the dial", "the dial"])}
    assert found == {"read the dial": (0, 1)}


def test_where_a_comment_is_answered() -> None:
    lines = ["The bell rings at noon.", "The ferry leaves when the tide is high."]
    assert answered_in(lines, "When does the ferry leave?") == 1
    assert answered_in(lines, "Is there parking for coaches?") is None
    assert answered_in([], "Is there parking?") is None


@settings(max_examples=60, deadline=None)
@given(st.lists(st.text(max_size=80), min_size=1, max_size=30))
def test_any_comments_are_sorted_without_loss(texts: list[str]) -> None:
    try:
        found = cleaned_comments(texts)
    except CommentsError:
        return
    audience = read_audience(found.texts)
    in_themes = [index for theme in audience.themes for index in theme.comments]
    undecided = {i for i, concern in enumerate(audience.concerns) if concern is Concern.UNDECIDED}
    assert set(in_themes) | undecided == set(range(len(found.texts)))
