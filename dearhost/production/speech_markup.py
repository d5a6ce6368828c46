"""A production to and from SSML: lines with how they are said, as other speech engines read them."""

from __future__ import annotations

import math
import re

from num2words import num2words

from dearhost.formats.ssml import AS_IT_COMES, Mark, Passage, Prosody, write_ssml
from dearhost.formats.ssml_reading import read_ssml
from dearhost.production.line_reading import manner_in, pauses_of
from dearhost.production.production import CastEntry, Production, full_cast
from dearhost.production.project_file import OpenedProduction
from dearhost.production.studio import Studio
from dearhost.script import Cue, Line, Scene, Script, blanked, new_id, words_of
from dearhost.speech import AS_EVER, Delivery, SayAs, VoiceRegistry

ENDINGS = (".ssml", ".xml")
_STRONG = 0.85
_LEVELS = {"strong": 1.0, "moderate": 0.6}
_LIMITS = {"pace": (0.7, 1.4), "pitch": (-4.0, 4.0), "level": (-6.0, 6.0), "steadiness": (0.0, 1.0)}
_AS_WRITTEN = ("cardinal", "number", "date", "time", "currency", "unit", "fraction", "address", "name")
_SPELLED = ("characters", "spell-out", "verbatim")


def production_as_ssml(production: Production, studio: Studio, line_id: str = "") -> bytes:
    """The spoken lines, or one of them, each with its voice, delivery, pauses, stress and pronunciations.

    What SSML cannot say stands in comments. Raises UnknownVoice.
    """
    production = production.checked(studio)
    passages = []
    for number, (_, _, line) in enumerate(production.script.lines(), 1):
        if words_of(line.text) and line_id in ("", line.id):
            passages.append(_passage(production, line, number))
    first = next(iter(production.cast.values()))
    return write_ssml(studio.voices.voice(first.voice).language, passages)


def _passage(production: Production, line: Line, number: int) -> Passage:
    manner = manner_in(production, line)
    text, at = _spoken(line.text)
    words = words_of(line.text)

    def mark(kind: str, index: int, value: str | float) -> Mark:
        start = at[words[index].start]
        return Mark(kind, start, start if kind == "break" else start + len(words[index].text), value)

    marks = [mark("break", index, seconds) for index, seconds in pauses_of(line).items()]
    for index, strength in manner.emphasis.items():
        marks.append(mark("emphasis", index, "strong" if strength >= _STRONG else "moderate"))
    marks += [mark("sub", index, said) for index, said in manner.said_as.items()]
    marks += [mark("phoneme", index, ipa) for index, ipa in manner.ipa.items()]
    shape = manner.delivery.shape
    prosody = Prosody(shape.pace, 12 * math.log2(shape.raised), shape.spread or 1.0, manner.delivery.level)
    lost = _unsaid(manner.delivery, manner.is_recorded)
    comment = f"line {number}: SSML has no {', '.join(lost)}" if lost else ""
    return Passage(text, production.entry(line.speaker).voice, prosody, tuple(marks), comment)


def _unsaid(delivery: Delivery, recorded: bool) -> list[str]:
    """What of a delivery SSML cannot say."""
    lost = ["recording"] if recorded else []
    if delivery.shape.breath:
        lost.append("breath")
    if delivery.shape.tilt:
        lost.append("colour")
    if delivery.ending != AS_EVER.ending:
        lost.append(f"{delivery.ending} end")
    if delivery.effect != AS_EVER.effect:
        lost.append(f"effect ({delivery.effect})")
    return lost


def _spoken(text: str) -> tuple[str, dict[int, int]]:
    """The text without what is never spoken, and where each character of it went."""
    made: list[str] = []
    at: dict[int, int] = {}
    for index, character in enumerate(blanked(text)):
        if character.isspace() and (not made or made[-1] == " "):
            continue
        at[index] = len(made)
        made.append(" " if character.isspace() else character)
    return "".join(made).rstrip(), at


def open_ssml(data: bytes, studio: Studio) -> OpenedProduction:
    """A production of one scene out of SSML: a speaker a voice, with deliveries, pauses, stress and the say-as list.

    The notes say what was passed over. Raises UnreadableScript.
    """
    markup, voices = read_ssml(data), studio.voices
    notes = list(markup.notes)
    known = {name.casefold(): v.id for v in voices.voices() for name in (v.name, v.id)}
    cast: dict[str, str] = {}
    say_as: dict[str, SayAs] = {}
    blocks: list[Line] = []
    for passage in markup.passages:
        voice = known.get(passage.voice.casefold(), "")
        speaker = re.sub(r"[^\w ]+", " ", passage.voice).strip().upper()
        if voice:
            cast[speaker] = voice
            speaker_name = voices.voice(voice).name.upper()
            cast[speaker_name] = cast.pop(speaker)
            speaker = speaker_name
        elif passage.voice:
            notes.append(f"There is no voice '{passage.voice}' here; {speaker} got another one.")
        blocks.append(_line(passage, speaker, say_as, notes, markup.language or "en"))
    script = Script("", (Scene(new_id(), "", tuple(blocks)),) if blocks else ())
    full = full_cast(script, {}, voices)
    played = {s: CastEntry(e.host, cast.get(s) or _usual(markup.language, voices) or e.voice) for s, e in full.items()}
    return OpenedProduction(Production(script, played, say_as=tuple(say_as.values())), tuple(dict.fromkeys(notes)))


def _usual(language: str, voices: VoiceRegistry) -> str:
    """A voice of a language; "" for the usual ones."""
    if not language or language.split("-")[0] == voices.default().language.split("-")[0]:
        return ""
    near = [v for v in voices.voices() if v.language.split("-")[0].lower() == language.split("-")[0].lower()]
    exact = [v for v in near if v.language.lower() == language.lower()]
    return next((v.id for v in (*exact, *near)), "")


def _line(passage: Passage, speaker: str, say_as: dict[str, SayAs], notes: list[str], language: str) -> Line:
    text, marks = _with_phrases_said(passage)
    words = words_of(text)
    cues: list[Cue] = []

    def word_at(mark: Mark) -> int | None:
        following = [i for i, word in enumerate(words) if word.end > mark.start]
        return following[0] if following else None

    if passage.prosody != AS_IT_COMES and words:
        cues.append(Cue(new_id(), "delivery", words[0].start, _delivery(passage.prosody, notes)))
    for mark in marks:
        index = word_at(mark)
        if index is None:
            notes.append(f"A pause after the last word of “{text[:40]}” was left out.")
            continue
        start, word = words[index].start, words[index].text
        if mark.kind == "break":
            seconds = min(max(float(mark.value), 0.1), 5.0)
            cues.append(Cue(new_id(), "pause", start, {"seconds": seconds}))
        elif mark.kind == "emphasis" and str(mark.value) in _LEVELS:
            cues += [
                Cue(new_id(), "emphasis", w.start, {"strength": _LEVELS[str(mark.value)]})
                for w in words
                if mark.start <= w.start < mark.end
            ]
        elif mark.kind == "emphasis":
            if mark.value == "reduced":
                notes.append("Words said with less stress ('reduced') are said as they come.")
        elif mark.kind == "phoneme":
            entry = SayAs(word, ipa=str(mark.value))
            if entry.problem() or words[index].end < mark.end:
                notes.append(
                    f"The phones of “{text[mark.start : mark.end]}” were left out: they are for one word, in IPA."
                )
            elif say_as.setdefault(word.casefold(), entry) != entry:
                notes.append(f"'{word}' is said in two ways; the first is on the say-as list.")
        else:
            said = str(mark.value) if mark.kind == "sub" else _interpreted(word, str(mark.value), language, notes)
            if said:
                cues.append(Cue(new_id(), "say-as", start, {"text": said}))
    return Line(new_id(), speaker, text, tuple(sorted(cues, key=lambda cue: cue.start)))


def _with_phrases_said(passage: Passage) -> tuple[str, list[Mark]]:
    """The text with what is said instead of several words in their place: a cue stands on one word."""
    text, marks = passage.text, list(passage.marks)
    phrases = [m for m in marks if m.kind == "sub" and len(words_of(text[m.start : m.end])) > 1]
    for phrase in sorted(phrases, key=lambda m: -m.start):
        said, longer = str(phrase.value), len(str(phrase.value)) - (phrase.end - phrase.start)
        text = text[: phrase.start] + said + text[phrase.end :]
        marks = [
            Mark(m.kind, m.start + longer * (m.start >= phrase.end), m.end + longer * (m.end >= phrase.end), m.value)
            for m in marks
            if m != phrase
        ]
    return text, marks


def _delivery(prosody: Prosody, notes: list[str]) -> dict[str, float | str]:
    wanted = {
        "pace": prosody.rate,
        "pitch": prosody.pitch,
        "level": prosody.volume,
        "steadiness": 0.5 - math.log2(prosody.range) / 1.4,
    }
    made: dict[str, float | str] = {"manner": "neutral"}
    for name, value in wanted.items():
        low, high = _LIMITS[name]
        if not low - 1e-6 <= value <= high + 1e-6:
            notes.append(f"A {name} beyond what a line can have was held at {min(max(value, low), high):g}.")
        made[name] = round(min(max(value, low), high), 3)
    return made


def _interpreted(word: str, kind: str, language: str, notes: list[str]) -> str:
    """What is said for a word of a say-as kind; "" as it is written. The kinds are those of the W3C Note "SSML 1.0
    say-as attribute values" (2005) and others in common use."""
    if kind in _SPELLED:
        return " ".join(word.upper())
    if kind in ("digits", "telephone"):
        return " ".join(_number(int(c), language) if c.isdigit() else c for c in word if c.isalnum())
    if kind == "ordinal" and word.rstrip(".").isdigit():
        return _number(int(word.rstrip(".")), language, ordinal=True)
    if kind not in _AS_WRITTEN and kind != "ordinal":
        notes.append(f"say-as '{kind[:30]}' has no meaning here; its words are read by our own rules.")
    return ""


def _number(value: int, language: str, *, ordinal: bool = False) -> str:
    try:
        return str(num2words(value, lang=language.replace("-", "_"), to="ordinal" if ordinal else "cardinal"))
    except NotImplementedError:
        try:
            return str(num2words(value, lang=language.split("-")[0], to="ordinal" if ordinal else "cardinal"))
        except NotImplementedError:
            return str(value)
