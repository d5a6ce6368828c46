"""Short sounds and sounds that go on, all made by synthesis. To add one: its function, and its row here."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from dearhost.sound.placing import Mono
from dearhost.sound.stings import classic, doings, places, signals
from dearhost.sound.stings.making import RATE, Floats

LEVEL = -21.0
"""dB full scale of a sting's loudest 100 ms."""
_CROSS = 0.5
"""Seconds in which what goes on goes over into itself."""
_EDGE, _TAPER = 48, 0.06


@dataclass(frozen=True, slots=True)
class Sting:
    """``also``: words it is looked for by, beside its name. ``lasts``: it goes on for as long as it is wanted.
    ``caption``: how it is described to those who do not hear it."""

    make: Callable[[], Floats]
    also: str
    caption: str
    lasts: bool = False


STINGS: Mapping[str, Sting] = {
    "bell": Sting(classic.bell, "ring strike hour church", "bell rings"),
    "chime": Sting(classic.chime, "rise arrive start opening", "chime"),
    "page": Sting(classic.page, "turn paper book leaf", "page turns"),
    "whoosh": Sting(classic.whoosh, "swish pass fly transition", "whoosh"),
    "wave": Sting(classic.wave, "sea surf splash water", "wave breaks"),
    "tick": Sting(classic.tick, "clock second small", "tick"),
    "drum": Sting(classic.drum, "hit boom low", "drum"),
    "gull": Sting(classic.gull, "bird seagull cry", "gull cries"),
    "success": Sting(signals.success, "right well done win correct yes", "cheerful chime"),
    "fanfare": Sting(signals.fanfare, "trumpet brass announce win", "fanfare"),
    "wrong": Sting(signals.wrong, "error no buzzer fail mistake", "buzzer"),
    "question": Sting(signals.question, "ask what why quiz", "questioning chime"),
    "alert": Sting(signals.alert, "warning attention alarm", "alert sounds"),
    "notice": Sting(signals.notice, "message notification ping mail", "message tone"),
    "countdown": Sting(signals.countdown, "beep three two one start", "countdown beeps"),
    "sparkle": Sting(signals.sparkle, "magic glitter shine twinkle", "sparkling"),
    "pop": Sting(signals.pop, "appear burst small", "pop"),
    "bubble": Sting(signals.bubble, "drop water plop", "bubbles"),
    "click": Sting(signals.click, "button mouse switch press", "click"),
    "coin": Sting(signals.coin, "money price pay cash", "coin clinks"),
    "camera": Sting(signals.camera, "shutter photo picture snap", "camera shutter"),
    "typing": Sting(signals.typing, "keyboard typewriter write keys", "typing"),
    "stamp": Sting(signals.stamp, "seal press approve thud", "stamp"),
    "phone": Sting(signals.phone, "telephone ring call", "telephone rings"),
    "rise": Sting(signals.rise, "build up tension before reveal", "rising tone"),
    "fall": Sting(signals.fall, "down slide drop", "falling tone"),
    "rain": Sting(places.rain, "weather shower wet drops", "rain", lasts=True),
    "wind": Sting(places.wind, "weather storm gust blow", "wind", lasts=True),
    "stream": Sting(places.stream, "brook river water creek", "stream", lasts=True),
    "sea": Sting(places.sea, "waves beach ocean surf shore", "waves", lasts=True),
    "fire": Sting(places.fire, "crackle flame hearth burn", "fire crackles", lasts=True),
    "birds": Sting(places.birds, "garden song morning spring forest", "birdsong", lasts=True),
    "crickets": Sting(places.crickets, "night summer insects", "crickets", lasts=True),
    "crowd": Sting(places.crowd, "people murmur talk room audience cafe", "murmur of a crowd", lasts=True),
    "clock": Sting(places.clock, "ticking time room seconds", "clock ticks", lasts=True),
    "train": Sting(places.train, "railway rails travel journey", "train passes", lasts=True),
    "thunder": Sting(places.thunder, "storm lightning weather", "thunder"),
    "foghorn": Sting(places.foghorn, "ship horn harbour boat", "foghorn"),
    "applause": Sting(doings.applause, "clapping audience bravo", "applause"),
    "clap": Sting(doings.clap, "hands once", "clap"),
    "steps": Sting(doings.steps, "walk footsteps feet floor", "footsteps"),
    "door": Sting(doings.door, "close shut room", "door closes"),
    "knock": Sting(doings.knock, "door visitor", "knocking"),
    "heartbeat": Sting(doings.heartbeat, "pulse heart alive", "heartbeat"),
    "tear": Sting(doings.tear, "rip paper", "paper tears"),
    "pencil": Sting(doings.pencil, "write draw sketch scratch", "pencil scratches"),
    "pour": Sting(doings.pour, "water drink fill cup tea", "water is poured"),
    "glass": Sting(doings.glass, "cheers toast clink celebrate", "glasses clink"),
    "cork": Sting(doings.cork, "bottle open celebrate", "cork pops"),
    "drum-roll": Sting(doings.drum_roll, "suspense reveal snare", "drum roll"),
    "cymbal": Sting(doings.cymbal, "crash accent", "cymbal"),
    "gong": Sting(doings.gong, "deep strike meditation", "gong"),
    "harp": Sting(doings.harp, "dream glissando rise magic", "harp"),
    "pluck": Sting(doings.pluck, "string guitar note", "string is plucked"),
    "brush": Sting(doings.brush, "sweep paint paper", "brush stroke"),
    "zip": Sting(doings.zipper, "bag close coat zipper", "zip closes"),
}
"""By name."""


@lru_cache(maxsize=24)
def sting(name: str) -> Mono:
    """The sound of this name, mono at ``RATE``, at ``LEVEL``. Raises KeyError for another name."""
    sound = np.asarray(STINGS[name].make(), float)
    edge = min(len(sound) // 4, int(_TAPER * RATE))
    if not STINGS[name].lasts:
        sound[-edge:] *= 0.5 + 0.5 * np.cos(np.linspace(0, np.pi, edge))
        start = min(_EDGE, len(sound))
        sound[:start] *= np.linspace(0, 1, start)
    span = min(len(sound), int(0.1 * RATE))
    power = np.convolve(sound**2, np.ones(span) / span, "valid")[:: max(1, span // 8)]
    gain = 10 ** (LEVEL / 20) / np.sqrt(power.max())
    made: Mono = (sound * min(gain, 0.7 / np.abs(sound).max())).astype(np.float32)
    return made


def sting_over(name: str, seconds: float) -> Mono:
    """The sound of this name for about so long: what goes on is laid over itself, what is over in a moment is heard
    once."""
    sound = sting(name)
    if not STINGS[name].lasts or seconds <= 0:
        return sound
    cross, count = int(_CROSS * RATE), round(max(1.0, seconds) * RATE)
    rising = np.sin(np.linspace(0, np.pi / 2, cross)).astype(np.float32)
    turn = sound.copy()
    turn[:cross] *= rising
    turn[-cross:] *= rising[::-1]
    made, step = np.zeros(count + len(turn), np.float32), len(turn) - cross
    for first in range(0, count, step):
        made[first : first + len(turn)] += turn
    made = made[:count]
    made[-min(cross, count) :] *= rising[::-1][-min(cross, count) :]
    return made
