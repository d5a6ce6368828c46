"""A line and a voice become a reading: sound, and when each word and phone is heard."""

from dearhost.speech.clips import ClipStore
from dearhost.speech.delivery import AS_EVER, MANNERS, Delivery
from dearhost.speech.drafting import DraftLine, draft_lines
from dearhost.speech.intonation import ENDINGS
from dearhost.speech.manner import PLAIN, ClipTaken, Manner, spoken_otherwise
from dearhost.speech.names import UnknownName, unknown_names
from dearhost.speech.pausing import with_pauses
from dearhost.speech.plan import WordPlan, plan_words
from dearhost.speech.reading import Piece, Prosody, Reading, Samples, TimedPhone, TimedWord, timings_to_json
from dearhost.speech.recordings import borders_of
from dearhost.speech.registry import VoiceRegistry
from dearhost.speech.say_as import SayAs, Sayings, sayings_of, stress_moved, uses_of
from dearhost.speech.speaking import Speaker
from dearhost.speech.taking import Taken, take_in, take_in_lines, tidied
from dearhost.speech.voices import Voice

__all__ = [
    "AS_EVER",
    "ENDINGS",
    "MANNERS",
    "PLAIN",
    "ClipStore",
    "ClipTaken",
    "Delivery",
    "DraftLine",
    "Manner",
    "Piece",
    "Prosody",
    "Reading",
    "Samples",
    "SayAs",
    "Sayings",
    "Speaker",
    "Taken",
    "TimedPhone",
    "TimedWord",
    "UnknownName",
    "Voice",
    "VoiceRegistry",
    "WordPlan",
    "borders_of",
    "draft_lines",
    "plan_words",
    "sayings_of",
    "spoken_otherwise",
    "stress_moved",
    "take_in",
    "take_in_lines",
    "tidied",
    "timings_to_json",
    "unknown_names",
    "uses_of",
    "with_pauses",
]
