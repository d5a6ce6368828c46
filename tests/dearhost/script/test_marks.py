"""Marks of Markdown and Fountain taken off, notes and comments found: whatever is written, in time that only grows with
the text."""

from __future__ import annotations

import re
import signal
from collections.abc import Iterator
from contextlib import contextmanager

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from dearhost.production import findings, read_script
from dearhost.script.inline_marks import escape_fountain, escape_markdown, strip_fountain, strip_markdown
from dearhost.script.pairs import BONEYARD, COMMENT, NOTE, pairs_in, without_pairs

MARKED = st.text(alphabet="ab []()*_`\\<>!&~/-;:", max_size=60)
PAIRED = st.lists(
    st.sampled_from(["[[", "]]", "/*", "*/", "<!--", "-->", "[", "]", "*", "/", "-", "<", ">", "a", " ", "b c"]),
    max_size=24,
).map("".join)
"""Marks that open and close, whole and in parts."""


@pytest.mark.parametrize(
    ("written", "said"),
    [
        # inline examples of the CommonMark specification 0.31.2: the text of what they render (numbers from memory)
        (r"\*not emphasized*", "*not emphasized*"),  # 14
        ("`foo`", "foo"),  # 328
        ("``foo`bar``", "foo`bar"),  # 329, without its padding
        ("*foo bar*", "foo bar"),  # 350
        ("a * foo bar*", "a * foo bar*"),  # 351
        ("foo*bar*", "foobar"),  # 355
        ("foo_bar_baz", "foo_bar_baz"),  # 360
        ("**foo bar**", "foo bar"),  # 378
        ("***foo** bar*", "foo bar"),  # 415
        ("[link](/uri 'title')", "link"),  # 482
        ("[link [foo [bar]]](/uri)", "link [foo [bar]]"),  # 512
        ("![foo](/url 'title')", "foo"),  # 572
        ("<http://foo.bar.baz>", "http://foo.bar.baz"),  # 594
        ("a<b>bold</b>", "abold"),  # 613 and following: raw HTML
        ("&copy; &amp; &#35;", "© & #"),  # 25, 26
        # and the strike-through of GitHub's extension of it, 491
        ("~~Hi~~ Hello", "Hi Hello"),
    ],
)
def test_markdown_inline_is_read_as_its_specification_says(written: str, said: str) -> None:
    assert strip_markdown(written) == said


@pytest.mark.parametrize(
    ("written", "said"),
    [
        # fountain.io/syntax, Emphasis
        ("*italics* and **bold** and ***both*** and _underline_", "italics and bold and both and underline"),
        ("_**both of them**_", "both of them"),
        (r"She types \*9765\* into the lock.", "She types *9765* into the lock."),
        ("He dialled *69 and then *23, and hung up.", "He dialled *69 and then *23, and hung up."),
        (r"a \path and `ticks` and [a](b)", r"a \path and `ticks` and [a](b)"),
    ],
)
def test_fountain_has_emphasis_and_nothing_else(written: str, said: str) -> None:
    assert strip_fountain(written) == said


def test_a_note_keeps_its_marks_and_emphasis_goes_over_it() -> None:
    for strip in (strip_markdown, strip_fountain):
        assert strip("**a [[cue: title text=*x*]] b** [[open") == "a [[cue: title text=*x*]] b [[open"


@given(MARKED | st.text(max_size=80))
@example("[a](b) ![c](d) <x> &amp; \\* [^1]")
def test_what_is_escaped_comes_back_as_it_was(text: str) -> None:
    text = text.replace("\0", "").replace("\r", "")
    assert strip_markdown(escape_markdown(text)) == text
    assert strip_fountain(escape_fountain(text)) == text


@given(MARKED | PAIRED)
@example("a[[b]]c [[d]] e")
@example("[[ /* ]] */ <!-- [[ --> ]] /* [[ ]]")
def test_pairs_are_what_a_plain_search_finds(text: str) -> None:
    slow = re.compile(r"\[\[.*?\]\]|/\*.*?\*/|<!--.*?-->", re.S)
    assert list(pairs_in(text, {**NOTE, **BONEYARD, **COMMENT})) == [m.span() for m in slow.finditer(text)]
    assert without_pairs(text, NOTE, lambda note: f"({len(note)})") == re.sub(
        r"(?s)\[\[.*?\]\]", lambda m: f"({len(m[0])})", text
    )


def test_a_paragraph_as_long_as_a_book_loses_no_word() -> None:
    text = "**Low** water _now_. " * 3000
    assert strip_markdown(text).split() == ["Low", "water", "now."] * 3000


@contextmanager
def at_most(seconds: int) -> Iterator[None]:
    """Ends what would go on for minutes: a guard against hanging, far above what is needed."""

    def ring(*_: object) -> None:
        raise AssertionError(f"still busy after {seconds} s")

    before = signal.signal(signal.SIGALRM, ring)
    signal.alarm(seconds)
    try:
        yield
    finally:
        signal.alarm(0)
        signal.signal(signal.SIGALRM, before)


OPENING = ("[", "[[", "**a ", "<!--", "![", "<a ", "(a)", "# ", "a: ")


@pytest.mark.parametrize(
    "run", [*OPENING, "\n".join(run * 20_000 for run in OPENING)[:1_000_000]], ids=[*OPENING, "all"]
)
def test_a_megabyte_of_opening_marks_is_read_and_checked(run: str) -> None:
    """All of them, and each for itself: of those that are quick a megabyte, of those that the Markdown library takes
    a second for each 100,000 letters a part of it."""
    size = 250_000 if run in OPENING[:6] else 1_000_000
    text = (run * (size // len(run) + 1))[:size]
    with at_most(90):
        for kind in ("markdown", "fountain"):
            findings(read_script(text, kind))
