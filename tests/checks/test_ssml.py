"""Speech markup against W3C SSML 1.1 (Recommendation of 7 September 2010): its examples, its elements, its limits."""

from __future__ import annotations

import itertools

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from lxml import etree

from dearhost.errors import UnreadableScript
from dearhost.formats.ssml import NAMESPACE, Mark, Passage, Prosody, write_ssml
from dearhost.formats.ssml_reading import read_ssml
from dearhost.production import (
    OpenedProduction,
    Studio,
    manner_in,
    open_production,
    pauses_of,
    production_as_ssml,
    read_script,
)
from dearhost.speech import SayAs
from tests.conftest import with_tones

# sections 3.1.1, 3.1.10, 3.1.11, 3.2.2, 3.2.3, 3.2.4 of the recommendation, put into one document; from memory
EXAMPLES = """<?xml version="1.0"?>
<speak version="1.1" xmlns="http://www.w3.org/2001/10/synthesis" xml:lang="en-US">
  <p>
    <s>You have 4 new messages.</s>
    <s>The first is from Stephanie Williams and arrived at <break/> 3:45pm.</s>
    <s>The subject is <prosody rate="20%">ski trip</prosody></s>
  </p>
  <s>That is a <emphasis> big </emphasis> car!</s>
  <s>That is a <emphasis level="strong"> huge </emphasis> bank account!</s>
  <s>Take a deep breath <break/> then continue. Press 1 or wait for the tone. <break time="3s"/> I didn't hear you!
     <break strength="weak"/> Please repeat.</s>
  <s><phoneme alphabet="ipa" ph="təˈmeɪtoʊ"> tomato </phoneme> is here.</s>
  <s>The <sub alias="World Wide Web Consortium">W3C</sub> wrote it.</s>
  <s>The price of <token>XYZ</token> is <prosody rate="90%">$45</prosody></s>
  <p><prosody rate="120%" pitch="+2st">The whole thing is quicker.</prosody></p>
</speak>""".encode()
# the elements of section 3 that are written, and their attributes there; from memory
ATTRIBUTES = {
    "speak": {"version", "{http://www.w3.org/XML/1998/namespace}lang"},
    "p": set(), "voice": {"name"}, "prosody": {"rate", "pitch", "range", "volume"}, "break": {"time"},
    "emphasis": {"level"}, "sub": {"alias"}, "phoneme": {"alphabet", "ph"}, "say-as": {"interpret-as"},
}  # fmt: skip


def opened(data: bytes, studio: Studio) -> OpenedProduction:
    return open_production(data, "lesson.ssml", studio)


def test_the_examples_of_the_recommendation_are_read(studio: Studio) -> None:
    made = opened(EXAMPLES, studio)
    lines = [line for _, _, line in made.production.script.lines()]
    assert [line.text for line in lines][:3] == [
        "You have 4 new messages.",
        "The first is from Stephanie Williams and arrived at 3:45pm.",
        "The subject is ski trip",
    ]
    cues = {line.text.split()[0] + " " + line.text.split()[1]: {c.kind: c for c in line.cues} for line in lines}
    assert cues["The first"]["pause"].start == lines[1].text.index("3:45pm")
    big, huge = [line for line in lines if "car" in line.text or "bank" in line.text]
    assert big.cues[0].start == big.text.index("big") and huge.cues[0].start == huge.text.index("huge")
    assert huge.cues[0].number("strength") > big.cues[0].number("strength")
    breath = next(line for line in lines if line.text.startswith("Take"))
    pauses = [(breath.text[c.start :].split()[0], c.number("seconds")) for c in breath.cues]
    assert [word for word, _ in pauses] == ["then", "I", "Please"]
    assert pauses[1][1] == 3.0 and pauses[2][1] < pauses[0][1]
    assert made.production.say_as == (SayAs("tomato", ipa="təˈmeɪtoʊ"),)
    assert cues["The W3C"]["say-as"].text("text") == "World Wide Web Consortium"
    assert "XYZ" in next(line.text for line in lines if "price" in line.text)
    whole = cues["The whole"]["delivery"]
    assert (whole.number("pace"), whole.number("pitch")) == (1.2, 2.0)
    assert [n for n in made.notes if "some words of a sentence" in n], "what was left out is told"
    assert made.production.checked(studio)


def test_what_is_written_is_of_the_recommendation_and_comes_back(studio: Studio) -> None:
    script = read_script(
        "MAREN: Mind [softly] the [[cue: emphasis]]mud, & [[cue: pause seconds=0.8]]the "
        "[[cue: say-as text='tide clock']]TC.\n\n"
        "SKERRY: [[cue: delivery bright pace=1.2 pitch=1 level=3 effect=radio]]Wise bird in Skerravoe."
    )
    production = with_tones(script, "nell", say_as=(SayAs("Skerravoe", ipa="ˈskɛrəvoʊ"),))
    data = production_as_ssml(production, studio)
    root = etree.fromstring(data)
    assert root.tag == f"{{{NAMESPACE}}}speak" and root.get("version") == "1.1"
    for element in root.iter(tag=etree.Element):
        name = etree.QName(element)
        assert name.namespace == NAMESPACE and set(element.attrib) <= ATTRIBUTES[name.localname]
    assert "radio" in "".join(str(c) for c in root.iter(tag=etree.Comment)), "what SSML cannot say is told"
    back = opened(data, studio).production.checked(studio)
    before, after = ([line for _, _, line in p.script.lines()] for p in (production.checked(studio), back))
    assert [line.text for line in after] == ["Mind the mud, & the TC.", "Wise bird in Skerravoe."]
    assert back.entry(after[0].speaker).voice == "nell"
    for was, now in zip(before, after, strict=True):
        old, new = manner_in(production.checked(studio), was), manner_in(back, now)
        assert (new.said_as, new.emphasis, new.ipa, pauses_of(now)) == (
            old.said_as,
            old.emphasis,
            old.ipa,
            pauses_of(was),
        )
        assert new.delivery.shape.pace == pytest.approx(old.delivery.shape.pace, abs=0.01)
        assert new.delivery.shape.raised == pytest.approx(old.delivery.shape.raised, abs=0.01)
        assert new.delivery.level == old.delivery.level
    alone = opened(production_as_ssml(production, studio, before[1].id), studio).production
    assert [line.text for _, _, line in alone.script.lines()] == ["Wise bird in Skerravoe."]


def prosody_of(attributes: str) -> Prosody:
    said = f"<prosody {attributes}>The sea.</prosody>"
    [passage] = read_ssml(f'<speak version="1.1" xmlns="{NAMESPACE}" xml:lang="en">{said}</speak>'.encode()).passages
    return passage.prosody


@pytest.mark.parametrize(
    ("attribute", "field", "labels", "usual"),
    [
        ("rate", "rate", "x-slow slow medium fast x-fast", 1.0),
        ("pitch", "pitch", "x-low low medium high x-high", 0.0),
        ("range", "range", "x-low low medium high x-high", 1.0),
        ("volume", "volume", "x-soft soft medium loud x-loud", 0.0),
    ],
)
def test_labels_of_prosody_rise_and_their_middle_changes_nothing(
    attribute: str, field: str, labels: str, usual: float
) -> None:
    """SSML 1.1, 3.2.4: a monotonically non-decreasing sequence; "default" is what is usual."""
    values = [getattr(prosody_of(f'{attribute}="{label}"'), field) for label in labels.split()]
    assert values == sorted(set(values)) and values[2] == usual
    assert getattr(prosody_of(f'{attribute}="default"'), field) == usual
    steps = [b - a for a, b in itertools.pairwise(values)]
    assert max(steps) < 4 * min(steps), "steps of about the same size"


@pytest.mark.parametrize(
    ("attributes", "field", "value"),
    [
        ('rate="150%"', "rate", 1.5),  # a percentage of the usual rate: SSML 1.1, 3.2.4
        ('pitch="+2st"', "pitch", 2.0),
        ('pitch="+100%"', "pitch", 12.0),  # twice the frequency is an octave
        ('range="+20%"', "range", 1.2),
        ('volume="-6dB"', "volume", -6.0),
    ],
)
def test_numbers_of_prosody_are_those_of_the_recommendation(attributes: str, field: str, value: float) -> None:
    assert getattr(prosody_of(attributes), field) == pytest.approx(value)


WORDS = st.lists(st.sampled_from(["mud", "tide", "boats", "<clock>", "&", "été", "潮"]), min_size=1, max_size=6)


@settings(max_examples=60)
@given(WORDS, st.floats(0.5, 2), st.floats(-6, 6), st.floats(0.1, 4), st.data())
def test_any_passage_comes_back(words: list[str], rate: float, pitch: float, pause: float, data: st.DataObject) -> None:
    text = " ".join(words)
    index = data.draw(st.integers(0, len(words) - 1))
    start = len(" ".join(words[:index])) + (index > 0)
    marks = (Mark("break", start, start, pause), Mark("sub", start, start + len(words[index]), "some <other> words"))
    passage = Passage(text, "nell", Prosody(rate, pitch), marks)
    (back,) = read_ssml(write_ssml("en-US", [passage])).passages
    assert (back.text, back.voice) == (text, "nell") and back.marks[1] == marks[1]
    assert back.prosody.rate == pytest.approx(rate, abs=0.01) and back.prosody.pitch == pytest.approx(pitch, abs=0.01)
    assert back.marks[0].value == pytest.approx(pause, abs=0.001) and back.marks[0].start == start


@pytest.mark.parametrize(
    ("markup", "told"),
    [
        ("<audio src='bell.wav'>A bell.</audio>", "Sound files"),
        ("<mark name='here'/>One.", "'mark' has no meaning"),
        ("<say-as interpret-as='nonsense'>One</say-as> two.", "say-as 'nonsense'"),
        ("<voice name='Nobody-Here'>One.</voice>", "no voice 'Nobody-Here'"),
        ("<prosody contour='(0%,+20Hz)'>One.</prosody>", "'contour'"),
        ("<prosody rate='300%'>One.</prosody>", "held at 1.4"),
        ("<phoneme alphabet='x-other' ph='a'>One</phoneme>.", "x-other"),
        ("<break time='soon'/>One.", "no length of a break"),
        ("<x:glow xmlns:x='urn:other'>One.</x:glow>", "'glow' has no meaning"),
    ],
)  # fmt: skip
def test_what_is_passed_over_is_told_and_its_words_are_kept(markup: str, told: str, studio: Studio) -> None:
    made = opened(f"<speak version='1.1' xmlns='{NAMESPACE}'>{markup}</speak>".encode(), studio)
    assert [note for note in made.notes if told in note], made.notes
    text = " ".join(line.text for _, _, line in made.production.script.lines())
    assert "One" in text or "A bell." in text


def test_kinds_of_say_as(studio: Studio) -> None:
    kinds = {"characters": "QTM", "digits": "407", "ordinal": "3", "date": "5/6/2026"}
    body = " ".join(f"<say-as interpret-as='{kind}'>{word}</say-as>" for kind, word in kinds.items())
    made = opened(f"<speak version='1.1' xmlns='{NAMESPACE}' xml:lang='en-GB'>{body}</speak>".encode(), studio)
    (line,) = [line for _, _, line in made.production.script.lines()]
    assert [c.text("text") for c in line.cues] == ["Q T M", "four zero seven", "third"] and not made.notes


@pytest.mark.parametrize(
    "data",
    [
        b"", b"Not XML at all.", b"<html><body/></html>", b"<speak>", b"\x00\x01",
        b"<!DOCTYPE speak [<!ENTITY a 'boom'>]><speak version='1.1'>&a;</speak>",
    ],
)  # fmt: skip
def test_what_is_no_speech_markup_is_refused_in_words(data: bytes, studio: Studio) -> None:
    with pytest.raises(UnreadableScript, match="speech markup"):
        opened(data, studio)


def test_markup_in_another_language_gets_a_voice_of_it(studio: Studio) -> None:
    made = opened(f"<speak version='1.1' xmlns='{NAMESPACE}' xml:lang='es-ES'>El mar vuelve.</speak>".encode(), studio)
    (entry,) = made.production.cast.values()
    assert studio.voices.voice(entry.voice).language == "es"


def test_breaks_by_strength_are_longer_the_stronger_they_are() -> None:
    """W3C SSML 1.1, section 3.2.3: none is no break, and each strength is no shorter than the one before."""
    strengths = ("none", "x-weak", "weak", "medium", "strong", "x-strong")
    lengths = []
    for strength in strengths:
        markup = f'<speak version="1.1" xmlns="{NAMESPACE}">Now <break strength="{strength}"/> then.</speak>'
        [passage] = read_ssml(markup.encode()).passages
        lengths.append(sum(mark.value for mark in passage.marks if isinstance(mark.value, float)))
    assert lengths[0] == 0 and all(b > a for a, b in itertools.pairwise(lengths)), lengths


@pytest.mark.parametrize(
    "prosody",
    [
        Prosody(range=0.6),
        Prosody(range=1.4),
        Prosody(rate=0.8),
        Prosody(rate=1.25),
        Prosody(pitch=-2.0),
        Prosody(volume=-6.0),
    ],
)
def test_each_part_of_prosody_comes_back_alone(prosody: Prosody) -> None:
    written = write_ssml("en", [Passage("The tide turns.", prosody=prosody)])
    [passage] = read_ssml(written).passages
    for name in ("rate", "pitch", "range", "volume"):
        assert getattr(passage.prosody, name) == pytest.approx(getattr(prosody, name), abs=0.011), name
    assert written.count(b'="') - write_ssml("en", [Passage("The tide turns.")]).count(b'="') == 1


def test_what_is_not_other_than_usual_is_not_written() -> None:
    assert b"prosody" not in write_ssml("en", [Passage("The tide turns.", prosody=Prosody(rate=1.004, range=0.997))])


def test_a_voice_alone_changes_no_prosody() -> None:
    markup = f'''<speak version="1.1" xmlns="{NAMESPACE}"><prosody rate="150%"><voice name="ada">All of it is
    quick.</voice></prosody></speak>'''
    [passage] = read_ssml(markup.encode()).passages
    assert (passage.voice, passage.prosody.rate) == ("ada", 1.5)


def test_markup_of_over_four_megabytes_is_refused() -> None:
    head, foot = f'<speak version="1.1" xmlns="{NAMESPACE}">Low water.'.encode(), b"</speak>"
    fits = head + b" " * (4_000_000 - len(head) - len(foot)) + foot
    assert read_ssml(fits).passages
    with pytest.raises(UnreadableScript, match="too big"):
        read_ssml(head + b" " * 4_300_000 + foot)
