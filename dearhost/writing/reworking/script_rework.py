"""A script reworked sentence by sentence, so that every change can be taken or left."""

from __future__ import annotations

import re
from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass, replace
from difflib import SequenceMatcher

from dearhost.script import Direction, Line, Scene, Script, placeholders, with_text, words_of
from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.english.clauses import contracted, is_common_word, upper_first
from dearhost.writing.english.numbers import figures
from dearhost.writing.english.stems import covers, sentence_spans
from dearhost.writing.pace import Pace
from dearhost.writing.reworking.answers import short_answers
from dearhost.writing.reworking.changes import Change, left_alone
from dearhost.writing.reworking.shortening import shortened
from dearhost.writing.reworking.splitting import split_sentence
from dearhost.writing.reworking.tone import toned
from dearhost.writing.sayings import TOPIC, ways_of_saying

_SAID = 0.6
"""From which part of its words on a point is still said."""


@dataclass(frozen=True, slots=True)
class Sentence:
    """A sentence of a script: ``text`` is ``line.text[start:end]``."""

    line: Line
    start: int
    end: int

    @property
    def text(self) -> str:
        return self.line.text[self.start : self.end]


@dataclass(frozen=True, slots=True)
class Edit:
    """``text`` in place of the characters ``start`` to ``end`` of a line."""

    start: int
    end: int
    text: str


@dataclass(frozen=True, slots=True)
class Reworked:
    """What becomes of a sentence: ``edits`` make it, ``seconds`` are won by it (below 0: lost), ``cues`` are
    the ids of those whose word goes, ``lost`` the names and numbers that go with it."""

    sentence: Sentence
    change: Change
    edits: tuple[Edit, ...] = ()
    seconds: float = 0.0
    cues: tuple[str, ...] = ()
    lost: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Rework:
    """All sentences in their order; ``before`` and ``after`` are seconds of those that were reworked."""

    sentences: tuple[Reworked, ...]
    before: float
    after: float
    points_lost: tuple[str, ...] = ()
    """Points that were said before and would not be said after."""


@dataclass(frozen=True, slots=True)
class ShorterScript:
    script: Script
    changes: tuple[Change, ...]
    before: float
    after: float


def sentences_of(lines: Sequence[Line]) -> list[Sentence]:
    """The sentences of lines. A line with an open slot is one sentence, so that the slot stays whole."""
    found = []
    for line in lines:
        spans = [(0, len(line.text))] if placeholders(line.text) else sentence_spans(line.text)
        found += [Sentence(line, start, end) for start, end in spans if words_of(line.text[start:end])]
    return found


def shorter(
    lines: Sequence[Line],
    seconds: float,
    pace: Pace,
    points: Sequence[str] = (),
    step: Callable[[float], None] = lambda fraction: None,
) -> Rework:
    """Lines shortened to ``seconds``; see ``shortened``."""
    sentences = sentences_of(lines)
    changes = shortened([sentence.text for sentence in sentences], seconds, pace, points, step)
    return _reworked(sentences, changes, pace, points)


def sentence_by_sentence(
    lines: Sequence[Line], change: Callable[[str], Change], pace: Pace, points: Sequence[str] = ()
) -> Rework:
    """Lines of which every sentence is changed by itself; one with an open place stays as it is."""
    sentences = sentences_of(lines)
    changes = [left_alone(s.text) if placeholders(s.text) else change(s.text) for s in sentences]
    return _reworked(sentences, changes, pace, points)


def in_tone(lines: Sequence[Line], tone: str, pace: Pace, points: Sequence[str] = ()) -> Rework:
    """Lines in another tone, one of ``TONES``. Raises KeyError."""
    return sentence_by_sentence(lines, lambda sentence: toned(sentence, tone), pace, points)


def breathing(lines: Sequence[Line], longest: int, pace: Pace, points: Sequence[str] = ()) -> Rework:
    """Long sentences of lines cut where both halves stand alone."""

    def cut(sentence: str) -> Change:
        parts = split_sentence(sentence, longest)
        return Change(sentence, " ".join(parts), ("a long sentence cut",)) if len(parts) > 1 else left_alone(sentence)

    return sentence_by_sentence(lines, cut, pace, points)


def with_short_answers(lines: Sequence[Line], pace: Pace, points: Sequence[str] = ()) -> Rework:
    """Lines of which answers run at most 8 seconds; see ``short_answers``."""
    sentences = sentences_of(lines)
    return _reworked(sentences, short_answers([sentence.text for sentence in sentences], pace), pace, points)


def longer(lines: Sequence[Line], read: BriefRead, seconds: float) -> Rework:
    """Points of a brief that lines do not say yet, each after the sentence that is most like it, until ``seconds`` are
    added (0: all of them)."""
    sentences = sentences_of(lines)
    said = " ".join(sentence.text for sentence in sentences)
    after: dict[int, list[str]] = {}
    added = 0.0
    for point in read.points:
        if covers(point.text, said) >= _SAID or not sentences:
            continue
        text = contracted(
            ways_of_saying(point, read.subject, read.names)[0].text.replace(TOPIC, upper_first(read.topic))
        )
        if seconds and added and added + read.pace.seconds(text) > seconds + 1:
            continue
        place = max(range(len(sentences)), key=lambda index: (covers(point.text, sentences[index].text), index))
        after.setdefault(place, []).append(text)
        added += read.pace.seconds(text)
    done = []
    for index, sentence in enumerate(sentences):
        more = " ".join(after.get(index, []))
        if not more:
            done.append(Reworked(sentence, left_alone(sentence.text)))
            continue
        change = Change(sentence.text, f"{sentence.text} {more}", ("a point not said yet",))
        edit = Edit(sentence.end, sentence.end, f" {more}")
        done.append(Reworked(sentence, change, (edit,), -read.pace.seconds(more)))
    before = sum(read.pace.seconds(sentence.text) for sentence in sentences)
    return Rework(tuple(done), before, before + added)


def trimmed(lines: Sequence[Line], end: str, seconds: float, pace: Pace, points: Sequence[str] = ()) -> Rework:
    """The "opening" or the "closing" of lines, ``seconds`` shorter: whole sentences from that end, but the very first
    and the very last of all stay."""
    sentences = sentences_of(lines)
    order = range(1, len(sentences) - 1) if end == "opening" else range(len(sentences) - 2, 0, -1)
    gone: set[int] = set()
    won = 0.0
    for index in order:
        if won >= seconds:
            break
        text = sentences[index].text
        if not any(covers(point, text) >= _SAID for point in points):
            gone.add(index)
            won += pace.seconds(text)
    changes = [
        Change(sentence.text, "", (f"the {end} trimmed",)) if index in gone else left_alone(sentence.text)
        for index, sentence in enumerate(sentences)
    ]
    return _reworked(sentences, changes, pace, points)


def _reworked(sentences: Sequence[Sentence], changes: Sequence[Change], pace: Pace, points: Sequence[str]) -> Rework:
    done = [_one(sentence, change, pace) for sentence, change in zip(sentences, changes, strict=True)]
    before = sum(pace.seconds(sentence.text) for sentence in sentences)
    after = sum(pace.seconds(change.after) for change in changes)
    old, new = " ".join(change.before for change in changes), " ".join(change.after for change in changes)
    lost = tuple(point for point in points if covers(point, old) >= _SAID > covers(point, new))
    return Rework(tuple(done), before, after, lost)


def _one(sentence: Sentence, change: Change, pace: Pace) -> Reworked:
    if change.after == change.before:
        return Reworked(sentence, change)
    edits = tuple(edits_between(sentence, change.after))
    return Reworked(
        sentence,
        change,
        edits,
        pace.seconds(change.before) - pace.seconds(change.after),
        tuple(cue.id for cue in sentence.line.cues if any(edit.start <= cue.start < edit.end for edit in edits)),
        tuple(sorted(_named(change.before) - _named(change.after))),
    )


def _named(text: str) -> set[str]:
    names = re.findall(r"(?<=[a-z,] )[A-Z]\w+", text)
    return {name for name in names if not is_common_word(name)} | set(figures(text))


def edits_between(sentence: Sentence, after: str) -> list[Edit]:
    """The fewest replacements of whole words that make a sentence read ``after``; cues on words that stay stay."""
    if not after:
        end = sentence.end
        rest = sentence.line.text[end:]
        return [Edit(sentence.start, end + len(rest) - len(rest.lstrip()), "")]
    old = [(match[0], match.start(), match.end()) for match in re.finditer(r"\S+", sentence.text)]
    new = after.split()
    edits = []
    for kind, i, j, k, m in SequenceMatcher(None, [word for word, _, _ in old], new, autojunk=False).get_opcodes():
        if kind == "equal":
            continue
        text = " ".join(new[k:m])
        if kind == "insert":
            at = old[i][1] if i < len(old) else len(sentence.text)
            padded = f"{text} " if i < len(old) else f" {text}"
            edits.append(Edit(sentence.start + at, sentence.start + at, padded))
            continue
        start, end = old[i][1], old[j - 1][2]
        if kind == "delete":  # with the space that divided them
            if j < len(old):
                end = old[j][1]
            elif i:
                start = old[i - 1][2]
        edits.append(Edit(sentence.start + start, sentence.start + end, text))
    return edits


def with_edits(line: Line, edits: Collection[Edit]) -> Line:
    """A line with its edits made, from the last to the first."""
    for edit in sorted(edits, key=lambda edit: edit.start, reverse=True):
        line = with_text(line, edit.start, edit.end, edit.text)
    stripped = line.text.rstrip()
    return with_text(line, len(stripped), len(line.text), "") if stripped != line.text else line


def taken(script: Script, rework: Rework) -> Script:
    """The script with every change of a rework; a line without words goes, and a scene without lines."""
    edits: dict[str, list[Edit]] = {}
    for done in rework.sentences:
        edits.setdefault(done.sentence.line.id, []).extend(done.edits)
    scenes = [_with_lines(scene, edits) for scene in script.scenes]
    kept = [new for new, old in zip(scenes, script.scenes, strict=True) if new.lines or not old.lines]
    return replace(script, scenes=tuple(kept))


def _with_lines(scene: Scene, edits: dict[str, list[Edit]]) -> Scene:
    blocks: list[Line | Direction] = []
    for block in scene.blocks:
        if isinstance(block, Line):
            block = with_edits(block, edits.get(block.id, []))
            if not block.text.strip():
                continue
        blocks.append(block)
    return replace(scene, blocks=tuple(blocks))


def shortened_script(script: Script, seconds: float, pace: Pace, points: Sequence[str] = ()) -> ShorterScript:
    """The whole script shortened so that it runs ``seconds`` with the silence between its lines and scenes."""
    lines = [line for _, _, line in script.lines()]
    if not sentences_of(lines):
        return ShorterScript(script, (), 0.0, 0.0)
    rework = shorter_in(script, lines, seconds, pace, points)
    changes = tuple(done.change for done in rework.sentences)
    return ShorterScript(taken(script, rework), changes, rework.before, rework.after)


def shorter_in(script: Script, lines: Sequence[Line], seconds: float, pace: Pace, points: Sequence[str] = ()) -> Rework:
    """Lines of a script shortened to ``seconds`` with the silence between them; lines that go take theirs with them.

    There must be a sentence in them.
    """
    silence = before = silence_of(script, lines, pace)
    best: Rework | None = None
    for _ in range(3):
        rework = shorter(lines, max(1.0, seconds - silence), pace, points)
        ids = {line.id for line in lines}
        short = taken(script, rework)
        silence = silence_of(short, [line for _, _, line in short.lines() if line.id in ids], pace)
        found = replace(rework, before=rework.before + before, after=rework.after + silence)
        if best is None or abs(found.after - seconds) < abs(best.after - seconds):
            best = found
        if abs(found.after - seconds) <= 0.02 * seconds:
            break
    assert best is not None
    return best


def silence_of(script: Script, lines: Sequence[Line], pace: Pace) -> float:
    """Seconds of silence before, between and after lines of a script."""
    ids = {line.id for line in lines}
    scenes = sum(any(line.id in ids for line in scene.lines) for scene in script.scenes)
    return pace.line * len(lines) + pace.scene * scenes
