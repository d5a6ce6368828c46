"""Whether the first ten seconds give a reason to go on watching: a question, a number, a claim or a problem."""

from __future__ import annotations

import re
from collections.abc import Sequence

from dearhost.languages import LANGUAGES
from dearhost.writing.advice.notes import Advice, shown
from dearhost.writing.advice.sentences import Said, Sentence

SECONDS = 10.0
"""Those who will not stay have left by then (common practice, no source)."""
_ENGLISH = LANGUAGES["en"]
_NUMBER = re.compile(
    r"^(?:\d.*|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|twenty|thirty|forty|fifty|sixty|"
    r"seventy|eighty|ninety|hundred|thousand|million|billion|half|twice|double)$"
)


def _held(sentence: Sentence, words: Sequence[Said]) -> list[tuple[str, str]]:
    """What of the four some words of a sentence hold, as (kind, the words that show it)."""
    texts = [word.text.lower().replace("’", "'") for word in words]
    found = []
    if sentence.mark == "?":
        found.append(("a question", sentence.text))
    for kind, test in (
        ("a number", lambda t: _NUMBER.match(t)),
        ("a claim", lambda t: t in _ENGLISH.claims),
        ("a problem", lambda t: t in _ENGLISH.problems),
    ):
        hit = next((i for i, text in enumerate(texts) if test(text)), None)
        if hit is not None:
            found.append((kind, " ".join(w.text for w in words[max(0, hit - 2) : hit + 3])))
    return found


def opening(sentences: Sequence[Sentence], seconds_per_word: float) -> list[Advice]:
    """Advice on the words of the first ten seconds; none for a text that is over by then. English only."""
    last = int(SECONDS / seconds_per_word)
    if not sentences or sentences[-1].before + len(sentences[-1].words) <= last:
        return []
    late: tuple[Sentence, float] | None = None
    held: list[tuple[str, str]] = []
    for sentence in sentences:
        room = last - sentence.before
        if room > 0:
            held += _held(sentence, sentence.words[:room])
        elif late is None and sentence.mark == "?":
            late = sentence, sentence.before * seconds_per_word
    first = sentences[0]
    if held:
        kinds = list(dict.fromkeys(kind for kind, _ in held))
        why = f"{shown(held[0][1])} in the first ten seconds."
        return [Advice("opening", f"It opens with {' and '.join(kinds[:2])}.", why, first.place, settled=True)]
    if late:
        sentence, seconds = late
        why = f"{shown(sentence.text)} is asked {seconds:.0f} s in; people decide in ten."
        return [Advice("opening", "The question comes late.", why, sentence.place)]
    why = f"The first ten seconds hold no question, number, claim or problem. They begin: {shown(first.text, 30)}."
    return [Advice("opening", "Nothing in the opening asks to go on.", why, first.place)]
