"""The captions of a scene as a reader checks them: what is shown for which words, and what is read too quickly.

After the BBC Subtitle Guidelines (version 1.2): at least 0.3 seconds a word, lines of about 37 characters; the figures
from memory. They allow the pace of the programme, so only what is quicker than 240 words a minute is told.
"""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.production.caption_choices import with_own
from dearhost.stage.captioning import caption_characters
from dearhost.stage.captions import Caption, shown_texts
from dearhost.stage.timeline import PlacedLine, SceneTimeline

SECONDS_A_WORD, HASTY = 0.3, 0.25


@dataclass(frozen=True, slots=True)
class SaidWord:
    """A word of a line, from ``offset`` to ``to``, and how captions show it where it is not corrected."""

    text: str
    offset: int
    to: int


@dataclass(frozen=True, slots=True)
class CaptionRow:
    """A caption: seconds of the scene, the line's text from ``first`` to ``last`` that is heard meanwhile, its words,
    and what is shown. ``hasty``: it is read too quickly; ``mend``: by how many seconds it could end later; ``wide``:
    a row of it is longer than captions are here."""

    line: str
    start: float
    end: float
    first: int
    last: int
    said: str
    words: tuple[SaidWord, ...]
    texts: tuple[str, ...]
    letters_a_second: float
    hasty: bool
    mend: float
    wide: bool


def caption_rows(scene: SceneTimeline) -> list[CaptionRow]:
    """All captions of a scene."""
    rows: list[CaptionRow] = []
    left = list(scene.captions)
    for number, line in enumerate(scene.lines):
        following = scene.lines[number + 1].span.start if number + 1 < len(scene.lines) else float("inf")
        own = [caption for caption in left if caption.words[0].start < following - 1e-6]
        left = left[len(own) :]
        for index, caption in enumerate(own):
            after = own[index + 1] if index + 1 < len(own) else None
            until = after.start if after else left[0].start if left else scene.duration
            characters = caption_characters(with_own(scene.choices, caption.own))
            rows.append(_row(line, caption, after, until, characters))
    return rows


def _row(line: PlacedLine, caption: Caption, after: Caption | None, until: float, characters: int) -> CaptionRow:
    words = line.reading.words[caption.words[0].said : after.words[0].said if after else None]
    first, last = words[0], words[-1]
    shown = shown_texts(line.text, [word.from_ for word in line.reading.words])[caption.words[0].said :]
    seconds = max(0.01, caption.end - caption.start)
    texts = caption.texts()
    words_shown = sum(len(text.split()) for text in texts)
    wanted, hasty = SECONDS_A_WORD * words_shown, seconds < HASTY * words_shown
    return CaptionRow(
        line.id,
        caption.start,
        caption.end,
        first.from_,
        last.to,
        line.text[first.from_ : last.to],
        tuple(SaidWord(text, word.from_, word.to) for text, word in zip(shown, words, strict=False)),
        texts,
        round(sum(map(len, texts)) / seconds, 1),
        hasty,
        round(min(wanted - seconds, max(0.0, until - caption.end)), 2) if hasty else 0.0,
        any(len(text) > characters for text in texts),
    )
