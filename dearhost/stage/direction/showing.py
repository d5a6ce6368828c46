"""What cues show on the picture: when, where it has room, and on which words its rows fall."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from dearhost.assets.shelf import CLIP, kind_of
from dearhost.hosts import THINGS, things_for
from dearhost.languages import LANGUAGES
from dearhost.production import CLIP_LINE, CUE_KINDS, Choices, is_in_clip, playable
from dearhost.production.shown_cues import BESIDE, BOARDED, BY_HAND, INK, ON_THE_WALL, things_named
from dearhost.script import Cue, Line, display_name, word_index, word_indices
from dearhost.speech import Reading
from dearhost.stage.clip_time import ClipTime, time_behind
from dearhost.stage.direction.cueing import end_of, moment_of
from dearhost.stage.layout.blocking import BUBBLES
from dearhost.stage.layout.shots import NOBODY, Room
from dearhost.stage.nearing import Nearing
from dearhost.stage.timeline import HEADING, PlacedFootage, Shown, ShownRow
from dearhost.things.stems import stem, words_in
from dearhost.timebase import Span

NO_BOARD = "none"
_SHOWN = frozenset(kind.name for kind in CUE_KINDS if kind.shown)
_SPLIT = re.compile(r"\s*[.;:!?]\s+|\s*,\s+(?:and |or |then )?|\s+(?:and|or) (?:then )?|\n")
_ORDINALS = re.compile(
    r"\b(?:first|second|third|fourth|fifth|finally|lastly|then|next|one|two|three)(?:ly)?[,:]\s+", re.I
)
MOST_ROWS = 6
_UNSEEN = ("seconds", "sound")
_SPEECH_WORDS = frozenset().union(*(language.function_words for language in LANGUAGES.values()))


@dataclass(frozen=True, slots=True)
class Arrangement:
    """How a scene is laid out, as far as what is shown asks: its ``layout`` and ``framing``, what is shown drawn on a
    ``board`` and with what, whether the camera ``follows``, and the film's ``shape``."""

    layout: str
    framing: str
    board: str = NO_BOARD
    pen: str = ""
    follows: bool = False
    shape: str = "16:9"

    @classmethod
    def of(cls, choices: Choices) -> Arrangement:
        """What a scene chooses."""
        near = choices.board_camera == "near"
        return cls(choices.layout, choices.framing, choices.board, choices.pen, near, choices.shape)

    def parameters(self, cue: Cue) -> dict[str, str | float]:
        """The settings of a cue as they hold here."""
        found = {name: value for name, value in cue.parameters.items() if name not in _UNSEEN}
        put_elsewhere = cue.text("place") in (*ON_THE_WALL, BY_HAND)
        if cue.kind in BOARDED and self.board != NO_BOARD and not put_elsewhere:
            found |= {"comes": INK, "board": self.board, "place": "whole" if cue.text("place") == "whole" else BESIDE}
        if found.get("comes") == INK:
            found |= {"pen": self.pen, "follows": "yes" if self.follows else "no"}
        return found

    def region(self, place: str) -> str:
        """Where something has room that is shown in a ``place``; "" for what goes by its own settings."""
        if place == "whole":
            return "whole"
        if place in ("left", "right"):
            return f"card-{place}"
        if place in (*ON_THE_WALL, BY_HAND):
            return place
        if place != BESIDE:
            return ""
        if self.layout == "none" or self.framing in BUBBLES:
            return "middle"
        return "left" if self.layout == "right" else "right"


def shown_of(lines: Iterable[tuple[Line, float, Reading]], duration: float, arrangement: Arrangement) -> list[Shown]:
    """What cues show on the picture, and from when to when: for a stretch while it is said, for a word as long as the
    cue says. Each gives way to the next in its place."""
    shown: list[Shown] = []
    groups: list[str] = []
    for line, start, reading in lines:
        for cue in playable(line):
            if cue.kind not in _SHOWN:
                continue
            at = start + moment_of(line, cue, reading)
            end = end_of(line, cue, start, reading) or at + cue.number("seconds")
            group = _place_of(cue)
            span = Span(at, min(duration, end))
            parameters = arrangement.parameters(cue)
            if cue.kind == "lower-third" and is_in_clip(line):
                span = Span(at, min(span.end, start + reading.duration))  # it names who is seen
            if cue.kind == "lower-third" and not cue.text("name").strip():
                parameters["name"] = display_name(line.speaker)
            said = words_said(line, cue)
            rows = _rows(line, cue, start, reading, said, span) if cue.kind == "list" else ()
            if cue.kind == "picture" and parameters.get("comes") == INK:
                rows = _named(line, cue, start, reading, span)
            centred = cue.kind == "title" and cue.text("where") == "centre"
            region = "centre" if centred else arrangement.region(str(parameters.get("place", "")))
            if cue.kind == "figure":
                region = f"{cue.text('depth')}-{_side_of(cue)}"
            item = Shown(cue.kind, span, parameters, said, rows, region=region)
            for index, before in enumerate(shown):
                if groups[index] == group and before.span.end > at and _gives_way(before, item, arrangement.shape):
                    shown[index] = replace(before, span=Span(before.span.start, at))
            shown.append(item)
            groups.append(group)
    return _on_one_board(shown)


def _gives_way(before: Shown, after: Shown, shape: str) -> bool:
    """Whether something goes for what comes in its place: what is put by hand only for what would cover it."""
    if not before.region == after.region == BY_HAND:
        return True
    left, top, right, bottom = before.box_in(shape)
    other_left, other_top, other_right, other_bottom = after.box_in(shape)
    return left < other_right and other_left < right and top < other_bottom and other_top < bottom


def _on_one_board(shown: Sequence[Shown]) -> list[Shown]:
    """What is drawn on a board stays until the next is drawn there soon after: the board itself does not go."""
    made = list(shown)
    drawn = [index for index, item in enumerate(made) if item.text("board")]
    for first, second in pairwise(drawn):
        before, after = made[first], made[second]
        if before.region == after.region != BY_HAND and 0 <= after.span.start - before.span.end < _STAYS:
            span = Span(before.span.start, after.span.start)
            made[first] = replace(before, span=span, parameters={**before.parameters, "stays": "yes"})
            made[second] = replace(after, parameters={**after.parameters, "was_there": "yes"})
    return made


def _side_of(figure: Cue) -> str:
    """At which side a figure stands, or "middle"."""
    if figure.text("stands") != BY_HAND:
        return figure.text("stands")
    x = figure.number("x")
    return "left" if x < _LEFT else "right" if x > 1 - _LEFT else "middle"


_LEFT = 0.4
"""Of the picture's width: what is farther left is at the left."""


def footage_of(
    lines: Iterable[tuple[Line, float, Reading]], choices: Choices, duration: float
) -> tuple[PlacedFootage, ...]:
    """The sound of clips that are heard: of the one behind the hosts, and of those shown on words."""
    heard: list[PlacedFootage] = []
    if kind_of(choices.set) == CLIP and choices.own_sound == "under":
        heard.append(PlacedFootage(choices.set, 0.0, duration, time_behind(choices)))
    for line, start, reading in lines:
        for cue in playable(line):
            if cue.kind not in ("own", "figure") or cue.text("sound") != "under":
                continue
            items = cue.text("items").split()
            at = start + moment_of(line, cue, reading)
            end = end_of(line, cue, start, reading) or at + cue.number("seconds")
            share = (min(duration, end) - at) / max(1, len(items))
            time = ClipTime(cue.number("begins"), cue.number("speed"))
            heard += [
                PlacedFootage(item, at + index * share, share, time)
                for index, item in enumerate(items)
                if kind_of(item) == CLIP and share > 0
            ]
    return tuple(heard)


_GONE_TO = ("own", CLIP_LINE)
"""Kinds of what is shown of which a place can be gone to."""


def with_nearings(shown: Iterable[Shown], nearings: Sequence[Nearing]) -> Iterator[Shown]:
    """What is shown, with the places of it that are gone to while it is. A clip goes on from line to line where the
    line before left it."""
    clip, since = "", 0.0
    for item in shown:
        if item.kind not in _GONE_TO:
            yield item
            continue
        start = item.span.start
        if item.kind == CLIP_LINE:
            clip, since = item.text("item"), since if item.text("item") == clip else start
            start = since
        yield replace(item, nearings=tuple(n for n in nearings if start <= n.at < item.span.end))


def _place_of(cue: Cue) -> str:
    """What shares a place gives way to each other: titles, figures and what is put by hand go with everything else."""
    if cue.kind in _SLIPS:
        return "title"
    return cue.kind if cue.kind == "figure" else BY_HAND if cue.text("place") == BY_HAND else "panel"


def rooms_of(shown: Sequence[Shown], speaks: Sequence[tuple[str, float, float]]) -> list[Room]:
    """Where hosts make room: for what is shown beside, whoever speaks as it comes; for a title in the middle,
    everybody, so that it lies over no face. ``speaks``: host, start, end."""
    rooms: list[Room] = []
    for item in shown:
        if not speaks or (side := _SIDES.get(item.region, "")) == "":
            continue
        host = next((h for h, _, end in speaks if item.span.start < end), speaks[-1][0])
        last = rooms[-1] if rooms else None
        if last and last.host == host and last.side == side and item.span.start - last.end < _STAYS:
            rooms[-1] = replace(last, end=item.span.end)
        else:
            rooms.append(Room(host, side, item.span.start, item.span.end))
    return sorted(rooms, key=lambda room: room.start)


_SIDES = {"left": "right", "right": "left", "centre": NOBODY, "before-left": "right", "before-right": "left"}
"""By the region of what is shown: where who speaks is then."""


def beside_each_other(shown: Sequence[Shown]) -> list[Shown]:
    """Titles and names that come while something is shown beside the host keep to the host's side."""
    panels = [item for item in shown if item.region in ("left", "right")]

    def placed(item: Shown) -> Shown:
        if item.kind not in (HEADING, *_SLIPS) or item.region:
            return item
        over = next((p for p in panels if p.span.start < item.span.end and item.span.start < p.span.end), None)
        return replace(item, region=f"beside-{over.region}") if over else item

    return [placed(item) for item in shown]


_SLIPS = ("title", "lower-third")
_STAYS = 2.5
"""Seconds: a host who is to step aside again as soon as this stays aside."""


def words_said(line: Line, cue: Cue) -> str:
    """The words of a cue's stretch, or its one word."""
    first, last = word_indices(line, cue)
    spans = [(m.start(), m.end()) for m in words_in(line.text)]
    begin = cue.start
    end = cue.end if cue.end is not None else begin
    stop = next((b for a, b in spans if a <= end < b), end)
    return line.text[begin:stop].strip() if last >= first else ""


def row_texts(rows: str, said: str) -> list[str]:
    """The rows of a list: as they are written, apart by "|", else the parts of what is said."""
    written = [row.strip() for row in rows.split("|") if row.strip()]
    parts = written or [part.strip(" ,.;:") for part in _SPLIT.split(_ORDINALS.sub("", said)) if part]
    return [row[:1].upper() + row[1:] for row in parts if row][:MOST_ROWS]


def _rows(line: Line, cue: Cue, start: float, reading: Reading, said: str, span: Span) -> tuple[ShownRow, ...]:
    """The rows of a list, each with the thing that goes with it and the moment it falls."""
    texts = row_texts(cue.text("rows"), said)
    moments = _fall(line, cue, start, reading, texts, span)
    return tuple(ShownRow(text, things_for(text), at) for text, at in zip(texts, moments, strict=True))


def _named(line: Line, cue: Cue, start: float, reading: Reading, span: Span) -> tuple[ShownRow, ...]:
    """The things of a picture, each with the moment it is named."""
    names = things_named(cue.text("shows"), cue.text("also"))
    words = [re.sub(r"[-_]", " ", f"{name} {THINGS[name].words}") for name in names]
    moments = _fall(line, cue, start, reading, words, span)
    return tuple(ShownRow(name, name, at) for name, at in zip(names, moments, strict=True))


def _fall(line: Line, cue: Cue, start: float, reading: Reading, rows: Sequence[str], span: Span) -> tuple[float, ...]:
    """When each row falls: on the first of its words that is said after the row before; between its neighbours where
    none is."""
    first = word_index(line, cue)
    last = word_indices(line, cue)[1] if cue.end is not None else len(reading.words) - 1
    heard = [(stem(w.text), start + w.start) for w in reading.words[first : last + 1]]
    found: list[float | None] = []
    at = 0
    for row in rows:
        wanted = {stem(m.group()) for m in words_in(row) if m.group().lower() not in _SPEECH_WORDS}
        index = next((i for i in range(at, len(heard)) if heard[i][0] in wanted), None)
        found.append(None if index is None else heard[index][1])
        at = at if index is None else index + 1
    return _filled(found, span)


def _filled(found: Sequence[float | None], span: Span) -> tuple[float, ...]:
    """The moments with those that are missing spread between their neighbours."""
    count = len(found)
    known = {i: moment for i, moment in enumerate(found) if moment is not None}
    moments: list[float] = []
    for i in range(count):
        before = max((k for k in known if k <= i), default=None)
        after = min((k for k in known if k >= i), default=None)
        low, low_at = (span.start, -1) if before is None else (known[before], before)
        high, high_at = (span.end, count) if after is None else (known[after], after)
        moments.append(low if high_at == low_at else low + (high - low) * (i - low_at) / (high_at - low_at))
    return tuple(round(moment, 4) for moment in moments)
