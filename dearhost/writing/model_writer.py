"""Drafts by a model on this machine. They pass the same grounding as all others."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from dearhost.script import Brief, placeholders
from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.frames import LONGEST_SLOT
from dearhost.writing.grounding import Ungrounded, ungrounded, with_slots
from dearhost.writing.model_server import Message, ModelServer
from dearhost.writing.structures import Structure

RETRIES = 2
"""How often a model is told what was wrong with its draft."""
_NEAR = 0.05
_SYSTEM = (
    "You write words to be spoken by a presenter. Use only the facts given. Where a fact is missing, write {what is "
    "missing} in braces, at most 50 letters. No markdown. Begin each part with # and its heading. Directions stand in "
    "round brackets on a line of their own. Where there are two speakers, begin a speech with its NAME and a colon."
)


@dataclass(frozen=True, slots=True)
class Written:
    """What a model wrote: Markdown that opens as a script, what in it was invented, and its seconds.

    In ``text`` everything invented is an open slot.
    """

    text: str
    invented: tuple[Ungrounded, ...]
    seconds: float


def messages_for(read: BriefRead, structure: Structure, target: float) -> list[Message]:
    """What is sent to the model for a draft: the brief, and nothing else."""
    words = round(target / 60 * 135)
    return [
        {"role": "system", "content": _SYSTEM},
        {"role": "user", "content": f"{_facts(read.brief, read.speakers)}\n\nOrder: {structure.name}. "
                                    f"About {words} words, {target:.0f} seconds."},
    ]  # fmt: skip


def write_draft(
    server: ModelServer,
    read: BriefRead,
    structure: Structure,
    target: float,
    seed: int = 0,
    wait: Callable[[], None] = lambda: None,
) -> Written:
    """A draft by a model. What the brief does not hold is named to it, at most ``RETRIES`` times; what is still there
    becomes an open slot. Raises ModelServerError; ``wait`` may raise to stop."""
    asked = messages_for(read, structure, target)
    messages = list(asked)
    best: Written | None = None
    for turn in range(RETRIES + 1):
        text = tidied(server.ask(messages, seed + 100 * turn, wait))
        invented = tuple(ungrounded(spoken_part(text), read.brief, read.speakers))
        seconds = read.pace.seconds(spoken_part(text))
        written = Written(_shortened_slots(with_slots(text, invented)), invented, seconds)
        if best is None or len(invented) <= len(best.invented):
            best = written
        if not invented and abs(seconds - target) <= _NEAR * target:
            break
        messages = [
            *asked,
            {"role": "assistant", "content": text},
            {"role": "user", "content": _faults(written, target)},
        ]
    assert best is not None
    return best


def tidied(text: str) -> str:
    """A model's answer without what models add: fences, bold, thinking, an opening remark, a closing offer."""
    text = re.sub(r"<think>.*?(?:</think>|$)", "", text, flags=re.S)
    text = re.sub(r"^```\w*\s*\n?|^```\s*$", "", text.strip(), flags=re.M)
    text = re.sub(r"\*\*([^*\n]+)\*\*|__([^_\n]+)__", lambda match: match[1] or match[2], text)
    text = re.sub(r"^(sure|certainly|of course|okay|here(?:'s| is))\b[^\n]*[:!.]\s*\n", "", text.strip(), flags=re.I)
    text = re.sub(r"\n(?:let me know|would you like|i hope|feel free)[^\n]*$", "", text.strip(), flags=re.I)
    text = re.sub(r"<[^>\n]{1,200}>", "", text)
    return re.sub(r"^#+ ?", "# ", text.strip(), flags=re.M)


def spoken_part(text: str) -> str:
    """The words of a draft that are spoken: no headings, no names before speeches, no directions."""
    rows = [row for row in text.split("\n") if not row.startswith("#") and not re.match(r"\s*[(\[].*[)\]]\s*$", row)]
    return re.sub(r"^[A-Z][A-Z .'’-]{0,30}: ?", "", "\n".join(rows), flags=re.M)


def _facts(brief: Brief, speakers: Sequence[str]) -> str:
    answers = (
        ("About", brief.topic),
        ("For", brief.purpose),
        ("Audience", brief.audience),
        ("Shown", brief.channel),
        ("Tone", brief.tone),
        ("At the end they should", brief.call_to_action),
        ("Speakers", ", ".join(speakers)),
    )
    facts = [f"{name}: {' '.join(text.split())}" for name, text in answers if text.strip()]
    facts += ["Facts:", *[f"- {' '.join(point.split())}" for point in brief.points if point.strip()]]
    remarks = [line.strip() for line in brief.own_words.split("\n") if line.strip()]
    if remarks:
        facts += ["The audience's own words, to be quoted exactly or not at all:", *[f"- {said}" for said in remarks]]
    return "\n".join(facts)


def _faults(written: Written, target: float) -> str:
    faults = [f"It runs {written.seconds:.0f} of {target:.0f} seconds."]
    if written.invented:
        faults.append("Not in the facts: " + "; ".join(fault.sentence for fault in written.invented[:5]))
    return " ".join([*faults, "Write it once more, whole."])


def _shortened_slots(text: str) -> str:
    """Slots of a model that are too long to be found as slots are cut."""
    known = {text[slot.start : slot.end] for slot in placeholders(text)}

    def cut(match: re.Match[str]) -> str:
        return match[0] if match[0] in known else f"{{{match[1][: LONGEST_SLOT - 4].strip()}}}"

    return re.sub(r"\{([^{}\n]+)\}", cut, text)
