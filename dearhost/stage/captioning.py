"""The captions of a scene from its lines: corrected, cut and nudged by hand, and otherwise over stretches of words."""

from __future__ import annotations

import itertools
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace

from dearhost.production import Choices, Production, playable
from dearhost.production.caption_choices import KIND, Own, own_of, with_own
from dearhost.script import Line, Scene, display_name, word_indices
from dearhost.stage.caption_styles import SIZES
from dearhost.stage.captions import SHORTEST, Caption, CaptionWord, make_captions, nudged, shown_words, with_sounds
from dearhost.stage.direction.caption_cues import caption_cuts, caption_nudges, with_corrections
from dearhost.stage.direction.cueing import described_sounds
from dearhost.stage.layout.caption_room import MOST_ROWS
from dearhost.stage.timeline import PlacedLine

CHARACTERS = {"16:9": 37, "1:1": 34, "9:16": 30}
"""Characters a caption line, as far as the captions' box allows at their size."""


def caption_characters(choices: Choices) -> int:
    """How many characters a row of a caption has at most."""
    return round(CHARACTERS[choices.shape] / SIZES[choices.caption_size])


def captions_of_scene(
    production: Production, choices: Choices, placed: Sequence[PlacedLine], scene: Scene, duration: float
) -> list[Caption]:
    """All captions of a scene, in scene time."""
    captions: list[Caption] = []
    written = {line.id: line for line in scene.lines}
    speakers = production.script.speakers()
    for index, item in enumerate(placed):
        until = placed[index + 1].span.start if index + 1 < len(placed) else duration
        line = written[item.id]
        name = display_name(item.speaker) if len(speakers) > 1 else ""
        words = with_corrections(shown_words(item.text, item.reading, item.span.start), line)
        if production.choices.caption_sounds:
            words = with_sounds(words, described_sounds(line, item.reading, item.span.start))
        made = nudged(list(_captions_of_line(choices, line, words, name, until)), caption_nudges(line), until)
        turn = speakers.index(item.speaker) if item.speaker in speakers else 0
        made = tuple(replace(caption, turn=turn) for caption in made)
        if made and captions and captions[-1].end > made[0].start:  # nudged to begin before the line
            captions[-1] = replace(captions[-1], end=max(made[0].start, captions[-1].start + SHORTEST))
            made = (replace(made[0], start=max(made[0].start, captions[-1].end)), *made[1:])
        if made and production.choices.caption_names:
            made = (replace(made[0], label=name), *made[1:])  # a speaker is named as they begin
        captions += made
    return captions


def _captions_of_line(
    choices: Choices, line: Line, words: Sequence[CaptionWord], name: str, until: float
) -> Iterator[Caption]:
    """A caption ends where others are chosen for the words that follow."""
    cuts = caption_cuts(line)
    parts = [(own, list(part)) for own, part in itertools.groupby(words, _own_of_words(line))]
    for number, (own, part) in enumerate(parts):
        here = with_own(choices, own)
        following = parts[number + 1][1][0].start if number + 1 < len(parts) else until
        made = make_captions(
            part, name, characters=caption_characters(here), until=following,
            lines=MOST_ROWS[here.caption_lines], cuts=cuts,
        )  # fmt: skip
        yield from (replace(caption, own=own) for caption in made)


def _own_of_words(line: Line) -> Callable[[CaptionWord], Own]:
    """What is chosen for each word of a line as captions show it."""
    stretches = [(*word_indices(line, cue), cue) for cue in playable(line) if cue.kind == KIND]

    def own(word: CaptionWord) -> Own:
        return own_of([cue for first, last, cue in stretches if first <= word.said <= last])

    return own
