"""Sounds for the words of a scene: pale suggestions, few of them. Nothing is set by them."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from dearhost.script import blanked
from dearhost.things.stems import words_in

_HEARD: Mapping[str, tuple[str, ...]] = {
    "bell": ("bell", "bells"), "gull": ("gull", "gulls", "seagull", "seagulls"), "thunder": ("thunder", "thunderstorm"),
    "foghorn": ("foghorn", "foghorns"), "applause": ("applause", "applaud", "applauds", "applauded"),
    "train": ("train", "trains"), "coin": ("coins",), "camera": ("photograph", "photographs", "snapshot"),
    "knock": ("knock", "knocks", "knocked"), "gong": ("gong",), "heartbeat": ("heartbeat",), "tick": ("ticking",),
    "phone": ("phone rings", "telephone rings", "phone rang", "ringing phone"), "steps": ("footsteps",),
    "door": ("door closes", "door opens", "door slams", "door shuts", "door closed", "close the door", "shut the door"),
    "page": ("turn the page", "turns the page", "turned the page"), "typing": ("typing", "typewriter", "keyboard"),
    "pour": ("pour", "pours", "poured"), "cork": ("champagne",), "drum-roll": ("drum roll", "drumroll"),
    "fanfare": ("fanfare",), "tear": ("torn up", "tears it up"), "clock": ("clock ticks",),
    "rain": ("rain", "rains", "rained", "raining", "drizzle"), "wind": ("the wind", "gale", "gales", "gusts"),
    "sea": ("waves", "surf", "breakers"), "fire": ("campfire", "fireplace", "bonfire"), "stream": ("brook",),
    "birds": ("birdsong", "songbirds", "birds sing"), "crickets": ("crickets",), "crowd": ("crowd",),
}  # fmt: skip
"""What in a text is heard by everybody, by the names of ``sound.STINGS``: not every word a sound can be found by."""
_GO_ON = frozenset({"rain", "wind", "sea", "fire", "birds", "crickets", "crowd", "stream", "clock"})
"""Sounds that lie under the whole clause."""
_CLAUSE = re.compile(r"[^.!?;:…]+[.!?;:…]*")
_DENIED = frozenset(
    {"no", "not", "never", "without", "nobody", "nothing", "silent", "stopped", "cannot", "neither", "nor"}
)
MOST = 3
"""Suggestions for a scene."""


@dataclass(frozen=True, slots=True)
class SoundProposal:
    """``sound`` for ``words``, which stand at ``start`` to ``end`` of ``line``; one that ``goes_on`` lies under them
    all, another comes on the first of them. ``word`` is what it was offered for."""

    line: str
    start: int
    end: int
    words: str
    sound: str
    word: str
    goes_on: bool


def sounds_for(lines: Iterable[tuple[str, str]]) -> list[SoundProposal]:
    """Sounds for the lines of a scene, as (id, English text): one a clause, each sound once, MOST of them."""
    found: list[SoundProposal] = []
    for line, text in lines:
        for proposal in _in_line(line, text):
            if all(proposal.sound != other.sound for other in found):
                found.append(proposal)
    return found[:MOST]


def _in_line(line: str, text: str) -> Iterator[SoundProposal]:
    for clause in _CLAUSE.finditer(blanked(text)):
        words = [(match.group(), clause.start() + match.start(), clause.start() + match.end())
                 for match in words_in(clause.group())]  # fmt: skip
        if any(word.lower() in _DENIED or word.lower().endswith("n't") for word, _, _ in words):
            continue
        plain = [word.lower() if index == 0 or word[:1].islower() else word for index, (word, _, _) in enumerate(words)]
        for sound, heard in _PHRASES.items():
            at = next(((index, len(wanted)) for wanted in heard for index in range(len(plain))
                       if tuple(plain[index : index + len(wanted)]) == wanted), None)  # fmt: skip
            if at is None:
                continue
            index, count = at
            goes_on = sound in _GO_ON
            first, last = (0, len(words) - 1) if goes_on else (index, index + count - 1)
            start, end = words[first][1], words[last][2]
            word = " ".join(one for one, _, _ in words[index : index + count])
            yield SoundProposal(line, start, end, text[start:end], sound, word, goes_on)
            break


_PHRASES: Mapping[str, tuple[tuple[str, ...], ...]] = {
    sound: tuple(tuple(phrase.split()) for phrase in phrases) for sound, phrases in _HEARD.items()
}
