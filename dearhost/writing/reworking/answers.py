"""Answers cut to what is said in one go."""

from __future__ import annotations

from collections.abc import Sequence

from dearhost.writing.pace import Pace
from dearhost.writing.reworking.changes import Change, left_alone
from dearhost.writing.reworking.squeezing import squeezed

LONGEST = 8.0
"""Seconds of an answer (common practice for answers in the street, no source)."""


def short_answers(sentences: Sequence[str], pace: Pace) -> list[Change]:
    """Every sentence with what becomes of it: an answer, from its question to the next, runs at most ``LONGEST``.

    Its first sentence stays, squeezed where it must be; later ones stay while there is time.
    """
    changes: list[Change] = []
    left: float | None = None
    first = False
    for sentence in sentences:
        if sentence.rstrip().endswith("?"):
            left, first = LONGEST, True
            changes.append(left_alone(sentence))
            continue
        if left is None:
            changes.append(left_alone(sentence))
            continue
        forms = [Change(sentence, sentence), *(Change(sentence, f.text, f.rules) for f in squeezed(sentence))]
        fitting = next((form for form in forms if pace.seconds(form.after) <= left), forms[-1] if first else None)
        chosen = fitting or Change(sentence, "", ("beyond a short answer",))
        left, first = left - pace.seconds(chosen.after), False
        changes.append(chosen)
    return changes
