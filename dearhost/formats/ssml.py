"""Speech markup in W3C SSML 1.1 (Speech Synthesis Markup Language, Recommendation of 7 September 2010)."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from lxml import etree

NAMESPACE = "http://www.w3.org/2001/10/synthesis"
_LANG = "{http://www.w3.org/XML/1998/namespace}lang"


@dataclass(frozen=True, slots=True)
class Prosody:
    """``rate`` and ``range`` as factors, ``pitch`` in semitones, ``volume`` in dB; as it comes by default."""

    rate: float = 1.0
    pitch: float = 0.0
    range: float = 1.0
    volume: float = 0.0


AS_IT_COMES = Prosody()


@dataclass(frozen=True, slots=True)
class Mark:
    """Something about ``text[start:end]`` of a passage: ``kind`` is break (empty, ``value`` in seconds), emphasis
    (value strong, moderate, reduced or none), sub (the words said instead), phoneme (IPA), or say-as (its kind)."""

    kind: str
    start: int
    end: int
    value: str | float


@dataclass(frozen=True, slots=True)
class Passage:
    """What one voice ("" for the usual one) says in one manner."""

    text: str
    voice: str = ""
    prosody: Prosody = AS_IT_COMES
    marks: tuple[Mark, ...] = ()
    comment: str = ""
    """Written before it, for whoever reads the file."""


@dataclass(frozen=True, slots=True)
class SpeechMarkup:
    """Passages in a language (BCP 47), and ``notes`` on what was passed over, in sentences."""

    language: str
    passages: tuple[Passage, ...]
    notes: tuple[str, ...] = ()


def write_ssml(language: str, passages: Iterable[Passage]) -> bytes:
    """An SSML document, a paragraph a passage."""
    root = etree.Element(_tag("speak"), nsmap={None: NAMESPACE}, version="1.1")
    root.set(_LANG, language)
    for passage in passages:
        if passage.comment:
            root.append(etree.Comment(f" {passage.comment.replace('--', '- -')} "))
        inner = etree.SubElement(root, _tag("p"))
        if passage.voice:
            inner = etree.SubElement(inner, _tag("voice"), name=passage.voice)
        attributes = _prosody_attributes(passage.prosody)
        if attributes:
            inner = etree.SubElement(inner, _tag("prosody"), **attributes)
        _write_marks(inner, passage)
    made: bytes = etree.tostring(root, encoding="UTF-8", xml_declaration=True, pretty_print=True)
    return made


def _tag(name: str) -> str:
    return f"{{{NAMESPACE}}}{name}"


def _prosody_attributes(prosody: Prosody) -> dict[str, str]:
    made = {}
    if round(prosody.rate, 2) != 1:
        made["rate"] = f"{prosody.rate * 100:.0f}%"
    if round(prosody.pitch, 2):
        made["pitch"] = f"{prosody.pitch:+.2f}st"
    if round(prosody.range, 2) != 1:
        made["range"] = f"{(prosody.range - 1) * 100:+.0f}%"
    if round(prosody.volume, 1):
        made["volume"] = f"{prosody.volume:+.1f}dB"
    return made


def _write_marks(parent: Any, passage: Passage) -> None:
    """The text with its marks; of marks over the same words the later lie inside the earlier."""

    def write(into: Any, start: int, end: int, marks: list[Mark]) -> None:
        last: Any = None
        at = start

        def add(text: str) -> None:
            if last is None:
                into.text = (into.text or "") + text
            else:
                last.tail = (last.tail or "") + text

        while marks:
            mark = marks.pop(0)
            add(passage.text[at : mark.start])
            last = _element(into, mark)
            inside = [m for m in marks if m.kind != "break" and m.start >= mark.start and m.end <= mark.end]
            if mark.kind != "break":
                marks = [m for m in marks if m not in inside]
                write(last, mark.start, mark.end, inside)
            at = mark.end
        add(passage.text[at:end])

    write(parent, 0, len(passage.text), sorted(passage.marks, key=lambda m: (m.start, m.kind != "break", -m.end)))


def _element(parent: Any, mark: Mark) -> Any:
    value = str(mark.value)
    if mark.kind == "break":
        return etree.SubElement(parent, _tag("break"), time=f"{round(float(mark.value) * 1000)}ms")
    attributes = {
        "emphasis": {"level": value},
        "sub": {"alias": value},
        "phoneme": {"alphabet": "ipa", "ph": value},
        "say-as": {"interpret-as": value},
    }[mark.kind]
    return etree.SubElement(parent, _tag(mark.kind), **attributes)
