"""All advice on a script for a brief."""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.script import SECONDS_PER_WORD, Brief, Script, words_of
from dearhost.writing.advice.coverage import call_to_action, points_said
from dearhost.writing.advice.fluency import breath, hard_words, repeats
from dearhost.writing.advice.notes import Advice
from dearhost.writing.advice.opening import opening
from dearhost.writing.advice.quoting import quoted
from dearhost.writing.advice.readability import Readability, readability
from dearhost.writing.advice.sentences import sentences_of


@dataclass(frozen=True, slots=True)
class Report:
    """``readability`` is None for another language than English, for which the formulas were not made."""

    readability: Readability | None
    advice: tuple[Advice, ...]


def advise(script: Script, brief: Brief, language: str, seconds: float = 0.0) -> Report:
    """Advice in the order: the brief's points and call to action, the opening, then what is hard to say.

    ``language`` is BCP 47; ``seconds`` is how long the script runs, 0 when it is not known.
    """
    sentences = list(sentences_of(script, language))
    words = sentences[-1].before + len({w.start for w in sentences[-1].words}) if sentences else 0
    pace = seconds / words if words and seconds else SECONDS_PER_WORD
    english = language.split("-")[0].lower() == "en"
    found = [
        *points_said(brief.points, sentences, language),
        *call_to_action(brief.call_to_action, sentences, language),
        *quoted(script, brief),
    ]
    if english:
        found += opening(sentences, pace)
    found += breath(sentences)
    if english:
        found += hard_words(sentences)
    found += repeats(sentences, language, _topic(script, brief))
    return Report(readability(sentences) if english else None, tuple(found))


def _topic(script: Script, brief: Brief) -> set[str]:
    """The words the script is about, and the names in it: they may be said as often as one likes."""
    texts = [script.title, brief.purpose, *brief.points, brief.call_to_action]
    texts += [scene.heading for scene in script.scenes]
    texts += script.speakers()
    return {word.text for text in texts for word in words_of(text)}
