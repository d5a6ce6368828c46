"""Reworking: squeezing adds nothing, shortening keeps what must be said, a tone never touches what somebody said."""

from __future__ import annotations

import re

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from rouge_score.rouge_scorer import RougeScorer

from dearhost.production.texts import read_script
from dearhost.script import Cue, Line, Script, with_text
from dearhost.writing.english.numbers import figures
from dearhost.writing.english.stems import covers, sentences, stems
from dearhost.writing.english.tagging import expanded, has_finite_verb, tagged
from dearhost.writing.pace import Pace, syllables_of
from dearhost.writing.reworking.mending import leans_back, mended
from dearhost.writing.reworking.script_rework import (
    Sentence,
    breathing,
    edits_between,
    in_tone,
    sentences_of,
    shortened_script,
    shorter,
    taken,
    trimmed,
    with_edits,
)
from dearhost.writing.reworking.shortening import shortened
from dearhost.writing.reworking.splitting import split_sentence
from dearhost.writing.reworking.squeezing import squeezed, word_count
from dearhost.writing.reworking.tone import TONES, toned
from tests.dearhost.writing.public_texts import SHORT, TEXTS

PACE = Pace()
SENTENCES = [sentence for text in TEXTS.values() for sentence in sentences(" ".join(text.split()))]
POINTS = {
    "alice": ("the hole went straight on like a tunnel", "there were doors all round the hall"),
    "boat": ("I went to the British Museum", "the picture would be up crooked", "the nail would be lost"),
    "willows": ("the Mole had never seen a river before", "it was the Water Rat"),
}
_NEW_IN_SHORT_WAYS = {"becaus", "can", "could", "about", "if", "use", "then", "happen", "mani", "some", "let"}


@pytest.mark.parametrize(
    ("long", "short", "rule"),
    [
        ("In fact, the bell is old.", "The bell is old.", "an opener"),
        ("It is worth knowing that the gate shuts at six.", "The gate shuts at six.", "a run-up"),
        ("Note that the path is wet, and never run.", "The path is wet, so never run.", "a run-up"),
        ("The bell, which was cast in 1884, hangs there.", "The bell hangs there.", "a relative clause inside"),
        ("He left the lamp, which was old.", "He left the lamp.", "a relative clause at the end"),
        ("She crossed the pier, carrying a lamp.", "She crossed the pier.", "an -ing phrase at the end"),
        ("There is a map that shows the way.", "A map shows the way.", "there is"),
        ("Each and every boat came home.", "Every boat came home.", "a doubling"),
        ("We walk in order to see the birds.", "We walk to see the birds.", "a long way of saying it"),
        ("At this point in time he ran.", "Then he ran.", "a long way of saying it"),
        ("The stone is really very heavy.", "The stone is heavy.", "words that weaken"),
        ("The pier (built in 1902) is open.", "The pier is open.", "what stands in brackets"),
        ("The keeper – nobody knows why – went to bed.", "The keeper went to bed.", "what stands between dashes"),
        ("The lamp still works, as you can see.", "The lamp still works.", "an empty ending"),
        ("The bell rang, and the boat turned.", "The bell rang.", "a second clause"),
    ],
)
def test_every_rule_takes_out_what_it_says(long: str, short: str, rule: str) -> None:
    assert (short, rule) in [(found.text, found.rules[-1]) for found in squeezed(long)]


@pytest.mark.parametrize(
    "sentence",
    [
        "The tide is in.",
        "It is not very deep.",
        "He said “it is really very cold” and left.",
        "Rather than wait, she swam.",
        "There are children who learn it in a day, and there are captains who never do.",
        "Bring bread, butter and jam.",
    ],
)
def test_what_is_needed_stays(sentence: str) -> None:
    assert all(word_count(found.text) >= 3 for found in squeezed(sentence))
    if "“" in sentence or "not" in sentence or "Rather" in sentence or "Bring" in sentence:
        assert squeezed(sentence) == ()


@pytest.mark.parametrize("hedge", ["rather", "perhaps", "somewhat", "more or less", "almost", "probably", "about"])
@pytest.mark.parametrize("sentence", ["The wall is {} really very old, and nobody knows why.", "It was {} noon."])
def test_no_claim_grows_surer_than_it_was(hedge: str, sentence: str) -> None:
    for found in squeezed(sentence.format(hedge)):
        assert hedge in found.text
    assert "really" in sentence or squeezed(sentence.format(hedge)) == ()


@pytest.mark.parametrize("sentence", SENTENCES)
def test_squeezing_adds_no_stem_no_number_and_no_name(sentence: str) -> None:
    for found in squeezed(sentence):
        assert word_count(found.text) < word_count(sentence)
        assert set(stems(found.text)) - set(stems(sentence)) <= _NEW_IN_SHORT_WAYS
        assert figures(found.text) <= figures(sentence)
        names = set(re.findall(r"(?<=[a-z,] )[A-Z]\w+", found.text))
        assert names <= set(re.findall(r"[A-Z]\w+", sentence))
        assert found.text[-1] == sentence[-1]
        assert has_finite_verb(tagged(expanded(found.text.rstrip(".?!")))), found.text


@pytest.mark.parametrize("text", ["a, and b " * 1300, "so, " * 3000, "(" * 12_000, "very " * 2400])
def test_what_is_no_sentence_is_left_alone(text: str) -> None:
    assert squeezed(text) == ()
    assert split_sentence(text) == [text]
    assert mended(text, [text]) == text
    assert toned(text, "plain").after == text


@settings(max_examples=150, deadline=None)
@given(st.text(max_size=160))
def test_any_text_can_be_squeezed_and_split(text: str) -> None:
    for found in squeezed(text):
        assert word_count(found.text) < word_count(expanded(text)) + 1
    assert "".join(split_sentence(text)).replace(" ", "") or not text.strip()


@pytest.mark.parametrize("name", TEXTS)
@pytest.mark.parametrize("share", [0.8, 0.5, 0.3, 0.2])
def test_shortening_comes_within_five_per_cent_and_keeps_the_points(name: str, share: float) -> None:
    text = sentences(" ".join(TEXTS[name].split()))
    whole = sum(PACE.seconds(sentence) for sentence in text)
    changes = shortened(text, share * whole, PACE, POINTS[name])
    kept = [change.after for change in changes if change.after]
    assert [change.before for change in changes] == text
    assert abs(sum(PACE.seconds(sentence) for sentence in kept) - share * whole) <= 0.05 * share * whole
    for point in POINTS[name]:
        assert covers(point, " ".join(kept)) >= 0.6, point
    assert all(change.rules for change in changes if change.after != change.before)


@pytest.mark.parametrize("name", TEXTS)
def test_shortening_beats_the_first_sentences(name: str) -> None:
    """ROUGE-L (Lin 2004), by the rouge-score package, against short versions written by hand."""
    text, wanted = sentences(" ".join(TEXTS[name].split())), " ".join(SHORT[name].split())
    seconds = sum(PACE.seconds(sentence) for sentence in sentences(wanted))
    made = " ".join(change.after for change in shortened(text, seconds, PACE) if change.after)
    first, ran = [], 0.0
    for sentence in text:
        if ran >= seconds:
            break
        first.append(sentence)
        ran += PACE.seconds(sentence)
    scorer = RougeScorer(["rougeL"], use_stemmer=True)
    score = scorer.score(wanted, made)["rougeL"].fmeasure
    assert score > scorer.score(wanted, " ".join(first))["rougeL"].fmeasure


def test_a_text_that_is_short_enough_stays() -> None:
    text = ["The bell rings.", "The boat turns."]
    assert [change.after for change in shortened(text, 60.0, PACE)] == text
    with pytest.raises(ValueError, match="sentences"):
        shortened([], 10.0, PACE)


def test_shortening_can_be_stopped() -> None:
    def stop(fraction: float) -> None:
        if fraction > 0.1:
            raise KeyboardInterrupt

    with pytest.raises(KeyboardInterrupt):
        shortened(SENTENCES, 60.0, PACE, step=stop)


@pytest.mark.parametrize(
    ("sentence", "before", "after"),
    [
        ("So the tide turns.", ["It was noon."], "The tide turns."),
        ("That is why the bell rings.", ["It was noon."], "The bell rings."),
        ("It hangs by the post.", ["The bell is old."], "The bell hangs by the post."),
        ("They stay still.", ["The hills are low."], "The hills stay still."),
        ("He rang for hours.", ["Nessa lit the lamp."], "Nessa rang for hours."),
        ("She left.", ["Maren met Skerra.", "Nobody spoke."], "She left."),
        ("It was the Water Rat.", ["A face grew round it."], "It was the Water Rat."),
        ("It is no wonder that he ran.", ["The bell is old."], "It is no wonder that he ran."),
    ],
)
def test_a_sentence_whose_forerunner_went(sentence: str, before: list[str], after: str) -> None:
    assert expanded(mended(sentence, before)) == after


def test_what_cannot_be_mended_leans_back() -> None:
    assert leans_back("She left.", ["Maren met Skerra."])
    assert leans_back("That is called a neap.", ["The tide is small."])
    assert not leans_back("The bell hangs there.", ["It was noon."])


@pytest.mark.parametrize(
    ("sentence", "parts"),
    [
        (
            "The water reaches the middle of the road first, and the way back closes long before anybody sees it.",
            [
                "The water reaches the middle of the road first.",
                "The way back closes long before anybody sees it.",
            ],
        ),
        ("A short one stays.", ["A short one stays."]),
    ],
)
def test_long_sentences_are_cut_where_both_halves_stand(sentence: str, parts: list[str]) -> None:
    assert split_sentence(sentence, 14) == parts


@pytest.mark.parametrize("sentence", SENTENCES)
def test_cutting_loses_no_word_that_says_something(sentence: str) -> None:
    parts = " ".join(split_sentence(sentence))
    lost = set(stems(sentence)) - set(stems(parts))
    assert lost == set()


@pytest.mark.parametrize(
    ("tone", "before", "after"),
    [
        ("formal", "Don't buy a lot of kids' maps!", "Do not purchase many children' maps."),
        ("formal", "Hang it on the rail.", "Please hang it on the rail."),
        ("plain", "However, one must purchase additional wicks.", "But one must buy more wicks."),
        ("warmer", "Visitors leave their bags at the desk.", "You leave your bags at the desk."),
        ("sinister", "It is a lovely night!", "It is a night."),
        ("calmer", "Stop!", "Stop."),
    ],
)
def test_a_tone_does_what_it_names(tone: str, before: str, after: str) -> None:
    change = toned(before, tone)
    assert change.after == after
    assert change.rules


@pytest.mark.parametrize("tone", TONES)
def test_no_tone_touches_what_somebody_said_or_adds_a_number(tone: str) -> None:
    assert toned("“It's a lot of fun!” she said.", tone).rules == ()
    for sentence in SENTENCES[:40]:
        change = toned(sentence, tone)
        assert figures(change.after) == figures(sentence)
        assert bool(change.rules) is (change.after != sentence)


# Scripts

SCRIPT = """# The bell

Maren: In fact, the old bell, which was cast here, hangs by the post. It is really very loud. Ask {whom?} for the key.

(Picture: the bell.)

Skerry: It rang for two hours in order to warn the boats, and nobody slept.

# The end

Maren: So come and hear it.
"""


def _script() -> Script:
    return read_script(SCRIPT, "markdown")


def _lines(script: Script) -> list[Line]:
    return [line for _, _, line in script.lines()]


def test_a_script_is_shortened_and_keeps_its_shape() -> None:
    script = _script()
    made = shortened_script(script, 14.0, PACE, ["the bell hangs by the post"])
    assert made.after < made.before
    assert abs(made.after - 14.0) <= 1.5
    assert made.script.scenes[0].heading == "The bell"
    text = " ".join(line.text for line in _lines(made.script))
    assert "hangs by the post" in text


def test_a_line_with_an_open_slot_is_one_sentence() -> None:
    texts = [sentence.text for sentence in sentences_of(_lines(_script()))]
    assert texts[0].endswith("{whom?} for the key.")
    assert texts[1].startswith("It rang")


def test_a_script_without_words_stays() -> None:
    assert shortened_script(Script(), 10.0, PACE).changes == ()


def test_a_cue_on_a_word_that_stays_stays_and_one_that_goes_is_told() -> None:
    line = Line("a", "Maren", "In fact, the old bell is really very loud.")
    cues = tuple(
        Cue(name, "wave", line.text.index(word)) for name, word in (("x", "fact"), ("y", "bell"), ("z", "loud"))
    )
    line = Line("a", "Maren", line.text, cues)
    rework = shorter([line], 1.0, PACE)
    done = rework.sentences[0]
    assert done.change.after == "The old bell is loud."
    assert done.cues == ("x",)
    assert done.seconds > 0
    after = with_edits(line, done.edits)
    assert after.text == "The old bell is loud."
    kept = {cue.id: after.text[cue.start :].split()[0].strip(".") for cue in after.cues}
    assert (kept["y"], kept["z"]) == ("bell", "loud")


_WORDS = st.lists(st.sampled_from("the bell rang out and a boat came home at noon".split()), min_size=1, max_size=9)


@given(_WORDS, _WORDS)
def test_edits_make_the_new_sentence(old: list[str], new: list[str]) -> None:
    line = Line("a", "", f"Before. {' '.join(old)}. After.")
    sentence = Sentence(line, 8, 8 + len(" ".join(old)) + 1)
    edits = edits_between(sentence, " ".join(new) + ".")
    assert with_edits(line, edits).text == f"Before. {' '.join(new)}. After."
    assert with_edits(line, edits_between(sentence, "")).text == "Before. After."


def test_taking_everything_and_nothing() -> None:
    script = _script()
    rework = breathing(_lines(script), 8, PACE)
    assert taken(script, rework) != script
    untouched = breathing(_lines(script), 99, PACE)
    assert taken(script, untouched) == script
    assert untouched.before == untouched.after


def test_trimming_the_opening_leaves_the_first_sentence_and_the_points() -> None:
    lines = [Line("a", "", "We are here. It is noon. The tide is in. The bell rings. Come along. Good night.")]
    rework = trimmed(lines, "opening", 3.0, PACE, ["the tide is in"])
    kept = [done.change.after for done in rework.sentences]
    assert kept[0] == "We are here."
    assert "The tide is in." in kept
    assert kept[1] == ""
    assert trimmed(lines, "closing", 2.0, PACE).sentences[-2].change.after == ""


def test_a_tone_over_a_script_names_points_that_would_be_lost() -> None:
    lines = [Line("a", "", "It is a lovely night. Do not go."), Line("b", "", "Call {whom?} now!")]
    rework = in_tone(lines, "sinister", PACE, ["a lovely night"])
    assert rework.sentences[-1].change.rules == ()
    assert rework.points_lost == ("a lovely night",)


# Pace


@pytest.mark.parametrize(
    ("word", "count"),
    [("harbour", 2), ("lantern", 2), ("£38", 4), ("1911", 5), ("62", 3), ("it's", 1), ("Quillhaven", 3), ("rhythm", 2)],
)
def test_syllables(word: str, count: int) -> None:
    assert syllables_of(word) == count


def test_slots_take_no_time_but_names_do() -> None:
    assert PACE.seconds("{what should they do now?}") == 0.0
    assert PACE.seconds("Hello [name].") == PACE.seconds("Hello Anna.") - PACE.syllable
    assert PACE.at(2.0).seconds("The tide is in.") == pytest.approx(PACE.seconds("The tide is in.") / 2)
    assert PACE.at(2.0).line == PACE.line


def test_a_usual_text_runs_at_a_usual_pace() -> None:
    """140 to 180 words a minute are usual for narration (common practice, no source)."""
    text = " ".join(SHORT["willows"].split())
    words = 60 * word_count(text) / PACE.seconds(text)
    assert 115 <= words <= 180


def test_a_longer_text_never_runs_shorter() -> None:
    line = with_text(Line("a", "", "The tide is in."), 0, 0, "Today ")
    assert PACE.seconds(line.text) > PACE.seconds("The tide is in.")
