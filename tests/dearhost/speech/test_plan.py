"""Every written word gets spoken words, a place and a time."""

from __future__ import annotations

from itertools import pairwise
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import NothingToSay, UnspeakableText
from dearhost.production import Studio
from dearhost.speech.plan import plan_words
from dearhost.speech.sharing import share_out
from dearhost.speech.verbalise import say

SENTENCES = (Path(__file__).parent / "sentences.txt").read_text(encoding="utf-8").splitlines()


def test_there_are_sixty_sentences() -> None:
    assert len(SENTENCES) == 60


@pytest.mark.parametrize("voice", ["joe", "formant-en-gb"])
def test_every_written_word_of_sixty_sentences_gets_its_time(studio: Studio, voice: str) -> None:
    for sentence in SENTENCES:
        plan = plan_words(sentence, "en-US")
        assert {w.written for s in plan.sentences for w in s.words} == set(range(len(plan.written))), sentence
        reading = studio.speaker.read(sentence, voice)
        assert [w.text for w in reading.words] == [w.text for w in plan.written], sentence
        assert [sentence[w.from_ : w.to] for w in reading.words] == [w.text for w in reading.words]
        before = 0.0
        for word in reading.words:
            assert before - 1e-6 <= word.start < word.end <= reading.duration + 1e-6, (sentence, word)
            before = word.end
        assert {p.word for p in reading.phones} == set(range(len(reading.words))), sentence


@pytest.mark.parametrize(
    ("language", "core", "words"),
    [
        ("en", "$5.99", "five dollars ninety nine"),
        ("en", "1,250,000", "one million two hundred and fifty thousand"),
        ("en", "2010", "twenty ten"),
        ("en", "3/4", "three quarters"),
        ("en", "BBC", "B B C"),
        ("es", "12", "doce"),
        ("es", "9:30", "nueve y treinta"),
        ("fr", "3,5", "trois virgule cinq"),
        ("fr", "12€", "douze euros"),
        ("de", "21", "einundzwanzig"),
        ("de", "50%", "fünfzig Prozent"),
    ],
)
def test_numbers_money_and_times_are_said_in_the_language(language: str, core: str, words: str) -> None:
    assert " ".join(say(core, language)) == words


@given(
    st.text(st.characters(blacklist_categories=("Cs",)), min_size=1, max_size=12),
    st.sampled_from(["en", "es", "fr", "de"]),
)
def test_saying_is_total(core: str, language: str) -> None:
    words = say(core, language)
    if any(c.isalnum() for c in core):
        assert words and all(words)


phones = st.lists(st.sampled_from("ptkbdgmnszaeiou"), min_size=1, max_size=6)


@given(st.lists(phones, min_size=1, max_size=6), st.data())
def test_phones_are_shared_out_whole_and_in_order(words: list[list[str]], data: st.DataObject) -> None:
    flat = [p for w in words for p in w]
    breaks = data.draw(st.lists(st.booleans(), min_size=len(flat), max_size=len(flat)))
    cuts = share_out(flat, breaks, words)
    assert cuts[0] == 0 and cuts[-1] == len(flat)
    assert all(a < b for a, b in pairwise(cuts))


def test_words_the_engine_ran_together_find_their_own_phones() -> None:
    # "of the" spoken as one run: the cut falls where the words said alone begin
    assert share_out(list("əvðə"), [True, False, False, False], [["ə", "v"], ["ð", "ə"]]) == [0, 2, 4]


def test_letters_a_voice_cannot_read_are_named(studio: Studio) -> None:
    with pytest.raises(UnspeakableText, match="'البحر' is written in Arabic letters, and the voice Joe"):
        studio.speaker.read("The word is البحر today.", "joe")
    with pytest.raises(UnspeakableText, match="Cjk|Hiragana"):
        studio.speaker.read("潮 and しお", "formant-es")
    with pytest.raises(NothingToSay):
        studio.speaker.read("🎉 [waves]", "joe")
    assert studio.speaker.read("Great 🎉 news!", "joe").words[1].text == "news"


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("We met in 2019 in Paris.", "in Paris"),
        ("It costs $5.99 in Quillhaven.", "in Quillhaven"),
        ("The pipe is 12 in. wide.", "inches wide"),
        ("It measures 12 in, about.", "inches about"),
    ],
)
def test_in_after_a_number_is_inches_only_where_something_stands_behind_it(text: str, said: str) -> None:
    spoken = " ".join(w.text for s in plan_words(text, "en-US").sentences for w in s.words)
    assert said in spoken and ("inches" in spoken) == ("inches" in said)
