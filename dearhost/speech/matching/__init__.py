"""A voice made from somebody's sample: fitted, measured, kept with their consent."""

from dearhost.speech.matching.closeness import Closeness
from dearhost.speech.matching.consent import Consent, consent_from_json
from dearhost.speech.matching.guide import GOOD_SECONDS, LEAST_SECONDS, SENTENCES, Heard, judge_sentence
from dearhost.speech.matching.matcher import match_voice
from dearhost.speech.matching.nearest import NearVoice
from dearhost.speech.matching.sample import SampleSentence
from dearhost.speech.matching.voice_file import MatchedVoice, load_voice, save_voice, without_models

__all__ = [
    "GOOD_SECONDS",
    "LEAST_SECONDS",
    "SENTENCES",
    "Closeness",
    "Consent",
    "Heard",
    "MatchedVoice",
    "NearVoice",
    "SampleSentence",
    "consent_from_json",
    "judge_sentence",
    "load_voice",
    "match_voice",
    "save_voice",
    "without_models",
]
