"""Reading speech markup: SSML 1.0 and 1.1 (W3C, 2004 and 2010)."""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from typing import Any

from lxml import etree

from dearhost.errors import UnreadableScript
from dearhost.formats.ssml import AS_IT_COMES, NAMESPACE, Mark, Passage, Prosody, SpeechMarkup

_LARGEST = 4_000_000
_LANG = "{http://www.w3.org/XML/1998/namespace}lang"
_BREAKS = {"none": 0.0, "x-weak": 0.1, "weak": 0.2, "medium": 0.4, "strong": 0.7, "x-strong": 1.2}
_RATES = {"x-slow": 0.7, "slow": 0.85, "medium": 1.0, "default": 1.0, "fast": 1.15, "x-fast": 1.35}
_PITCHES = {"x-low": -4.0, "low": -2.0, "medium": 0.0, "default": 0.0, "high": 2.0, "x-high": 4.0}
_RANGES = {"x-low": 0.5, "low": 0.75, "medium": 1.0, "default": 1.0, "high": 1.3, "x-high": 1.6}
_VOLUMES = {"x-soft": -6.0, "soft": -3.0, "medium": 0.0, "default": 0.0, "loud": 3.0, "x-loud": 6.0}
"""SSML leaves to the processor what its labels are worth; these are ours."""
_BLOCKS = ("p", "s", "voice", "prosody")
_PLAIN = ("token", "w", "lang")
_INLINE = ("emphasis", "sub", "phoneme", "say-as")


def read_ssml(data: bytes) -> SpeechMarkup:
    """Read SSML 1.0 or 1.1: passages end where paragraphs, sentences, voices and prosodies of whole sentences do.

    Elements and attributes without a meaning here are passed over, their words kept, and noted once a kind. Raises
    UnreadableScript for what is no SSML, and for documents that declare entities.
    """
    root = _parsed(data)
    reader = _Reader(etree.QName(root).namespace)
    reader.read(root, _State())
    reader.end_passage()
    return SpeechMarkup(root.get(_LANG, ""), tuple(reader.passages), tuple(dict.fromkeys(reader.notes)))


def _parsed(data: bytes) -> Any:
    if len(data) > _LARGEST:
        raise UnreadableScript("This file is too big for speech markup (over 4 MB).")
    parser = etree.XMLParser(resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False)
    try:
        root = etree.fromstring(data, parser)
    except (etree.XMLSyntaxError, ValueError) as error:
        raise UnreadableScript(f"This is no speech markup (SSML): {str(error)[:120]}.") from error
    if etree.QName(root).localname != "speak" or etree.QName(root).namespace not in (NAMESPACE, None):
        raise UnreadableScript("This is XML, but no speech markup (SSML): its first element is no 'speak'.")
    declared = root.getroottree().docinfo.internalDTD
    if declared is not None and list(declared.iterentities()):
        raise UnreadableScript("This speech markup declares entities of its own. Save it without them.")
    return root


@dataclass(frozen=True, slots=True)
class _State:
    voice: str = ""
    prosody: Prosody = AS_IT_COMES
    level: str = ""


@dataclass
class _Reader:
    space: str | None
    passages: list[Passage] = field(default_factory=list)
    notes: list[str] = field(default_factory=list)
    text: str = ""
    marks: list[Mark] = field(default_factory=list)
    state: _State = _State()

    def read(self, element: Any, state: _State) -> None:
        """The words of an element and of everything in it."""
        self.words(element.text, state)
        for child in element:
            if isinstance(child.tag, str):
                name = etree.QName(child)
                self.child(child, name.localname if name.namespace == self.space else f"{name.localname}?", state)
            self.words(child.tail, state)

    def child(self, child: Any, name: str, state: _State) -> None:
        if name in _BLOCKS:
            self.block(child, name, state)
        elif name == "break":
            seconds = _seconds(child, self.notes)
            if seconds:
                self.marks.append(Mark("break", len(self.text), len(self.text), seconds))
        elif name in _INLINE:
            self.inline(child, name, state)
        elif name in _PLAIN:
            if child.get(_LANG):
                self.notes.append("Words in another language within a passage are read in the language of their voice.")
            self.read(child, state)
        elif name == "audio":
            self.notes.append("Sound files ('audio') are left out; the words inside them are spoken.")
            self.read(child, state)
        elif name not in ("meta", "metadata", "desc"):
            self.notes.append(f"'{name.rstrip('?')}' has no meaning here and was passed over.")
            if name.endswith("?"):
                self.read(child, state)

    def block(self, child: Any, name: str, state: _State) -> None:
        inside = state
        if name == "voice":
            inside = replace(state, voice=child.get("name", "").split()[0] if child.get("name", "").split() else "")
            if not inside.voice:
                self.notes.append("A voice asked for by sex, age or language alone is the usual one.")
        elif name == "prosody":
            inside = replace(state, prosody=_prosody(child, state.prosody, self.notes))
            if self.within_sentence(child):
                self.notes.append("A prosody of some words of a sentence is left out: it holds for whole sentences.")
                return self.read(child, state)
        self.end_passage()
        self.read(child, inside)
        self.end_passage()
        return None

    def within_sentence(self, child: Any) -> bool:
        """Whether words of the same sentence stand before or after an element."""
        before, after = self.text.rstrip(), (child.tail or "").strip()
        said = "".join(child.itertext()).rstrip()
        return bool(before and before[-1] not in ".!?…") or bool(after and said and said[-1] not in ".!?…")

    def inline(self, child: Any, name: str, state: _State) -> None:
        start = len(self.text)
        self.read(child, state)
        lead = len(self.text[start:]) - len(self.text[start:].lstrip())
        first, last = start + lead, len(self.text.rstrip())
        if last <= first:
            return
        value = {
            "emphasis": child.get("level", "moderate"),
            "sub": child.get("alias", ""),
            "phoneme": child.get("ph", ""),
            "say-as": child.get("interpret-as", ""),
        }[name].strip()
        if name == "phoneme" and child.get("alphabet", "ipa").lower() != "ipa":
            self.notes.append(f"Phones in the alphabet '{child.get('alphabet')}' are left out; IPA is read.")
        elif value:
            self.marks.append(Mark(name, first, last, value))

    def words(self, text: str | None, state: _State) -> None:
        """Words in a row, with single spaces."""
        if not text:
            return
        if state != self.state:
            self.end_passage()
            self.state = state
        made = re.sub(r"\s+", " ", text)
        if made.startswith(" ") and (not self.text or self.text.endswith(" ")):
            made = made[1:]
        self.text += made

    def end_passage(self) -> None:
        """What was read so far is a passage."""
        text = self.text.rstrip()
        if text:
            self.passages.append(Passage(text, self.state.voice, self.state.prosody, tuple(self.marks)))
            self.marks = []
        self.text = ""
        self.marks = [replace(mark, start=0, end=0) for mark in self.marks if mark.kind == "break"]


def _seconds(element: Any, notes: list[str]) -> float:
    time = element.get("time", "").strip()
    if not time:
        return _BREAKS.get(element.get("strength", "medium"), 0.4)
    match = re.fullmatch(r"\+?(\d*\.?\d+)(ms|s)", time)
    if not match:
        notes.append(f"'{time[:20]}' is no length of a break and was passed over.")
        return 0.0
    return float(match[1]) / (1000 if match[2] == "ms" else 1)


def _prosody(element: Any, outer: Prosody, notes: list[str]) -> Prosody:
    """The attributes of a prosody on top of the one round it."""

    def read(name: str, labels: Mapping[str, float], others: Callable[[str], float | None]) -> float | None:
        value = element.get(name, "").strip()
        if not value:
            return None
        found = labels.get(value) if value in labels else others(value)
        if found is None:
            notes.append(f"The prosody {name}='{value[:20]}' has no meaning here and was passed over.")
        return found

    rate = read("rate", _RATES, lambda v: _percent(v, r"(\d*\.?\d+)%", 0.0))
    pitch = read("pitch", _PITCHES, _semitones)
    spread = read("range", _RANGES, lambda v: _percent(v, r"([+-]\d*\.?\d+)%", 1.0))
    volume = read("volume", _VOLUMES, lambda v: float(m[1]) if (m := re.fullmatch(r"([+-]\d*\.?\d+)dB", v)) else None)
    for name in sorted({"contour", "duration"} & set(element.attrib)):
        notes.append(f"The prosody '{name}' has no meaning here and was passed over.")
    return Prosody(
        outer.rate * (1.0 if rate is None else rate),
        outer.pitch + (pitch or 0.0),
        outer.range * (1.0 if spread is None else spread),
        outer.volume + (volume or 0.0),
    )


def _percent(value: str, pattern: str, on: float) -> float | None:
    match = re.fullmatch(pattern, value)
    return max(0.1, on + float(match[1]) / 100) if match else None


def _semitones(value: str) -> float | None:
    match = re.fullmatch(r"([+-]\d*\.?\d+)(st|%)", value)
    if not match:
        return None
    if match[2] == "st":
        return float(match[1])
    factor = 1 + float(match[1]) / 100
    return 12 * math.log2(factor) if factor > 0.1 else None
