"""Drafts, ideas and rework. All of it is worked out from what is sent, and changes nothing."""

from __future__ import annotations

from dataclasses import asdict, replace
from typing import Any

from django.http import HttpRequest
from ninja import Router

from dearhost.errors import WritingError
from dearhost.production import own_choices_from_json
from dearhost.script import Line, Script, from_json
from dearhost.writing.drafts import draft_all
from dearhost.writing.ideas import Idea, ideas
from dearhost.writing.language import ensure_english
from dearhost.writing.pace import Pace
from dearhost.writing.portrait import in_words, portrait_of
from dearhost.writing.reworking.script_rework import (
    Rework,
    Reworked,
    breathing,
    in_tone,
    longer,
    sentence_by_sentence,
    sentences_of,
    shorter_in,
    silence_of,
    trimmed,
    with_short_answers,
)
from dearhost.writing.reworking.tone import TONES, ToneRule, like_a_sample
from dearhost.writing.structures import STRUCTURES
from server.writing.reading import brief_of, draft_data, voice_pace
from server.writing.schemas import DraftsIn, DraftsOut, IdeaOut, ReworkIn, ReworkOut, ToneOut, WriterIn

router = Router(tags=["writing"])
MOST_SENTENCES = 800
"""Of a script that is reworked in one go, about an hour and a half."""


@router.post("/drafts", response=DraftsOut, operation_id="writeDrafts")
def drafts(request: HttpRequest, data: DraftsIn) -> dict[str, Any]:
    """Drafts in every structure the brief carries."""
    read = brief_of(data)
    made = draft_all(read, data.target, data.seed, data.structures or None)
    return {
        "drafts": [draft_data(draft, read) for draft in made.drafts],
        "held_back": [{**asdict(held), "name": STRUCTURES[held.structure].name} for held in made.held_back],
        "points": len(read.points),
    }


@router.post("/ideas", response=list[IdeaOut], operation_id="findIdeas")
def find_ideas(request: HttpRequest, data: WriterIn) -> tuple[Idea, ...]:
    """Ten angles on the topic of a brief."""
    return ideas(brief_of(data))


@router.get("/tones", response=list[ToneOut], operation_id="listTones")
def tones(request: HttpRequest) -> list[ToneRule]:
    """The tones one can ask for."""
    return list(TONES.values())


@router.post("/rework", response=ReworkOut, operation_id="reworkScript")
def rework(request: HttpRequest, data: ReworkIn) -> dict[str, Any]:
    """A script, or some of its lines, reworked sentence by sentence."""
    script = from_json(data.script.dict(), own_choices_from_json)
    wanted = set(data.lines)
    lines = [line for _, _, line in script.lines() if not wanted or line.id in wanted]
    if not any(line.text.strip() for line in lines):
        raise WritingError("There is nothing to rework yet: write a line first.")
    if len(sentences_of(lines)) > MOST_SENTENCES:
        raise WritingError("This is more than can be reworked in one go: rework it scene by scene.")
    ensure_english(" ".join(line.text for line in lines))
    tone = TONES.get(data.tone)
    if tone is None:
        raise WritingError(f"There is no tone “{data.tone}”. There are: {', '.join(TONES)}.")
    done = _reworked(data, script, lines)
    answer: dict[str, Any] = {
        "sentences": [_sentence(sentence) for sentence in done.sentences],
        "before": done.before,
        "after": done.after,
        "points_lost": list(done.points_lost),
    }
    if data.kind == "tone":
        answer |= {"asks": tone.asks, "delivery": tone.delivery, "pace": tone.pace}
    if data.kind == "sample":
        answer["asks"] = f"Your text has {in_words(portrait_of(data.brief.sample))}."
    return answer


def _reworked(data: ReworkIn, script: Script, lines: list[Line]) -> Rework:
    pace = voice_pace(data)
    if data.kind == "shorter":
        if not data.seconds:
            raise WritingError("How long may it run? Give a length in seconds.")
        return shorter_in(script, lines, data.seconds, pace, data.brief.points)
    rework, silence = _without_silence(data, lines, pace), silence_of(script, lines, pace)
    return replace(rework, before=rework.before + silence, after=rework.after + silence)


def _without_silence(data: ReworkIn, lines: list[Line], pace: Pace) -> Rework:
    points = data.brief.points
    if data.kind == "tone":
        return in_tone(lines, data.tone, pace, points)
    if data.kind == "breathing":
        return breathing(lines, data.longest, pace, points)
    if data.kind in ("opening", "closing"):
        return trimmed(lines, data.kind, data.seconds or 5.0, pace, points)
    if data.kind == "longer":
        return longer(lines, brief_of(data), data.seconds)
    if data.kind == "answers":
        return with_short_answers(lines, pace, points)
    if data.kind == "sample":
        if not data.brief.sample.strip():
            raise WritingError("There is no text to go by: put one of your own under Sounds like in the brief.")
        style = portrait_of(data.brief.sample)
        return sentence_by_sentence(lines, lambda sentence: like_a_sample(sentence, style), pace, points)
    raise WritingError(f"There is no rework “{data.kind}”.")


def _sentence(done: Reworked) -> dict[str, Any]:
    return {
        "line": done.sentence.line.id,
        "start": done.sentence.start,
        "end": done.sentence.end,
        "before": done.change.before,
        "after": done.change.after,
        "rules": list(done.change.rules),
        "seconds": done.seconds,
        "edits": [asdict(edit) for edit in done.edits],
        "cues": list(done.cues),
        "lost": list(done.lost),
    }
