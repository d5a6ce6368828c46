"""The say-as list: whose words, which phones, and PLS files."""

from __future__ import annotations

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree

from dearhost.errors import UnreadableScript
from dearhost.formats import Lexeme, read_pls, write_pls
from dearhost.production import Studio, manner_of
from dearhost.script import Cue, Line
from dearhost.speech import Manner, SayAs, sayings_of, stress_moved, unknown_names, uses_of

TEXT = "Quillhaven's bell rings in quillhaven, not in New Haven."
LIST = (SayAs("Quillhaven", alias="KWIL hay vun"), SayAs("bell", ipa="bɛl"))


def test_an_entry_holds_wherever_its_word_stands() -> None:
    found = sayings_of(TEXT, LIST)
    assert found.said_as == {0: "KWIL hay vun's", 4: "KWIL hay vun"}
    assert found.ipa == {1: "bɛl"}
    assert uses_of(LIST[0], [TEXT, TEXT]) == 4


def test_a_cue_on_a_word_comes_before_the_list() -> None:
    line = Line("a", "", TEXT, (Cue("c", "say-as", 13, {"text": "gong"}),))
    manner = manner_of(line, LIST)
    assert manner.said_as[1] == "gong" and 1 not in manner.ipa


@pytest.mark.parametrize("voice", ["joe", "formant-en-us"])
def test_given_phones_are_spoken_and_every_word_keeps_its_time(studio: Studio, voice: str) -> None:
    text = "It carries Quillhaven through one hill."
    plain = studio.speaker.read(text, voice)
    given_phones = studio.speaker.read(text, voice, Manner(ipa={2: "ˈkwɪlhɑːvən"}))
    symbols = [p.symbol for p in given_phones.phones if p.word == 2]
    assert "ɑː" in symbols and "eɪ" not in symbols
    assert [w.text for w in given_phones.words] == [w.text for w in plain.words]
    others = [[p.symbol for p in r.phones if p.word not in (2,)] for r in (plain, given_phones)]
    assert others[0] == others[1]


def test_names_no_dictionary_has_are_found() -> None:
    found = unknown_names(["Skerry and the barnacles of Quillhaven.", "Quillhaven's tide clock."], "en-US")
    assert [(n.word, n.count) for n in found] == [("Quillhaven", 2)]  # Skerry, a rock in the sea, is in CMUdict
    assert [n.word for n in unknown_names(["Ayer vi a Xochitl en la playa."], "es")] == ["Xochitl"]


def test_stress_is_tried_on_each_vowel() -> None:
    assert stress_moved("kwˈɪlheɪvən") == ["kwɪlhˈeɪvən", "kwɪlheɪvˈən"]


@pytest.mark.parametrize(
    ("entry", "says"),
    [
        (SayAs("two words", "x"), "one written word"),
        (SayAs("word"), "respell it"),
        (SayAs("word", ipa="w3:d"), "no sign of IPA"),
    ],
)
def test_what_is_wrong_with_an_entry_is_said(entry: SayAs, says: str) -> None:
    assert says in entry.problem()


WORDS = st.text("abcdeé&<'", min_size=1, max_size=8).filter(lambda w: w.strip() == w and w.strip())


@given(st.lists(st.tuples(WORDS, WORDS, st.booleans()), max_size=5))
def test_a_list_comes_back_from_its_file(entries: list[tuple[str, str, bool]]) -> None:
    lexemes = tuple(Lexeme(w, alias=s) if aliased else Lexeme(w, ipa=s) for w, s, aliased in entries)
    assert read_pls(write_pls("en-GB", lexemes)).lexemes == lexemes


def test_the_examples_of_the_standard_are_read() -> None:
    """From W3C PLS 1.0 (2008), sections 4.5 and 4.6: several spellings, an alias, a preferred pronunciation."""
    document = """<?xml version="1.0" encoding="UTF-8"?>
<lexicon version="1.0" xmlns="http://www.w3.org/2005/01/pronunciation-lexicon"
      xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance" alphabet="ipa" xml:lang="en-US">
  <lexeme><grapheme>W3C</grapheme><alias>World Wide Web Consortium</alias></lexeme>
  <lexeme><grapheme>theater</grapheme><grapheme>theatre</grapheme><phoneme>ˈθɪətər</phoneme></lexeme>
  <lexeme><grapheme>huge</grapheme><phoneme prefer="true">hjuːdʒ</phoneme><phoneme>juːdʒ</phoneme></lexeme>
  <lexeme><grapheme>Newton</grapheme><phoneme alphabet="x-sampa">"nju:t@n</phoneme></lexeme>
  <lexeme><grapheme>New York</grapheme><alias>NY</alias></lexeme>
  <other xmlns="http://example.org/">passed over</other>
</lexicon>"""
    found = read_pls(document.encode())
    assert found.language == "en-US"
    assert found.lexemes == (
        Lexeme("W3C", "World Wide Web Consortium"),
        Lexeme("theater", ipa="ˈθɪətər"),
        Lexeme("theatre", ipa="ˈθɪətər"),
        Lexeme("huge", ipa="hjuːdʒ"),
    )
    assert len(found.notes) == 3


def test_the_preferred_pronunciation_is_taken_wherever_it_stands() -> None:
    """W3C PLS 1.0, section 4.6: else the first, and what is said otherwise before what is not in IPA."""
    head = '<lexicon version="1.0" xmlns="http://www.w3.org/2005/01/pronunciation-lexicon" alphabet="ipa">'
    ways = ("<phoneme>juːdʒ</phoneme>", '<phoneme prefer="true">hjuːdʒ</phoneme>', "<alias>big</alias>")
    for order in itertools.permutations(ways):
        document = f"{head}<lexeme><grapheme>huge</grapheme>{''.join(order)}</lexeme></lexicon>"
        assert read_pls(document.encode()).lexemes == (Lexeme("huge", ipa="hjuːdʒ"),)
    first = f"{head}<lexeme><grapheme>huge</grapheme><phoneme>a</phoneme><phoneme>b</phoneme></lexeme></lexicon>"
    assert read_pls(first.encode()).lexemes == (Lexeme("huge", ipa="a"),)


def test_what_is_written_keeps_to_the_structure_of_the_standard() -> None:
    """W3C PLS 1.0, section 4: version, namespace, alphabet and language are required; each lexeme has a grapheme."""
    root = etree.fromstring(write_pls("en-US", [Lexeme("Maren", ipa="ˈmɑːrən")]))
    assert root.tag == "{http://www.w3.org/2005/01/pronunciation-lexicon}lexicon"
    assert (root.get("version"), root.get("alphabet")) == ("1.0", "ipa")
    assert root.get("{http://www.w3.org/XML/1998/namespace}lang") == "en-US"
    assert [etree.QName(e).localname for e in root[0]] == ["grapheme", "phoneme"]


@pytest.mark.parametrize(
    ("document", "says"),
    [
        (b"", "no pronunciation list"),
        (b"not xml", "no pronunciation list"),
        (b"<html/>", "first element"),
        (b'<lexicon xmlns="http://example.org/other"/>', "another kind"),
        (b'<!DOCTYPE lexicon [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><lexicon>&b;</lexicon>', "entities"),
        (b'<!DOCTYPE lexicon [<!ENTITY a SYSTEM "file:///etc/passwd">]><lexicon>&a;</lexicon>', "entities"),
    ],
)
def test_what_is_no_list_is_said(document: bytes, says: str) -> None:
    with pytest.raises(UnreadableScript, match=says):
        read_pls(document)
