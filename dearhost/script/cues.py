"""Cues: what happens on a word, or from one word to another. Their kinds, and the notes they are written as.

A cue stands in a text as a note directly in front of its word: ``[[cue: wave left strength=0.8]]``. One that lasts
over a stretch of words is closed after the last of them: ``[[cue: picture boat]]the boats go out[[/cue]]``. Where
several are open, ``[[/cue]]`` closes the one that was opened last, and ``[[/cue: picture]]`` the last of a kind.
What kinds there are is a value that readers are called with; the product's own are in ``dearhost.production``.
"""

from __future__ import annotations

import math
import re
import shlex
from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

Value = str | float
_LISTED = 60
"""More choices than this are not listed in a sentence."""
COLOUR = "(#[0-9a-f]{6})?"
"""A pattern of colours, or none."""


def is_colour(value: str) -> bool:
    """Whether a value is a colour, "#rrggbb"."""
    return bool(value) and re.fullmatch(COLOUR, value.lower()) is not None


@dataclass(frozen=True, slots=True)
class Parameter:
    """One setting of a cue kind.

    A number has ``low`` and ``high`` (with ``unit``), a choice has ``choices``, a text neither.
    """

    name: str
    label: str
    default: Value
    low: float = 0.0
    high: float = 0.0
    unit: str = ""
    choices: tuple[str, ...] = ()
    colour: bool = False
    """Whether a choice may also be a colour, "#rrggbb"."""
    required: bool = True
    """A text that may be left empty is not required."""
    only_for: tuple[str, str] = ("", "")
    """Another setting and its value with which alone this one counts; ("", "") where it always does."""
    asset: str = ""
    """Kinds of things of the shelf a text names by their ids, apart by spaces; "" for a text that names none."""
    several: bool = False
    """Whether a text may name several things of the shelf, one after another."""
    for_asset: str = ""
    """A kind of thing of the shelf: it is asked only where the cue names one of it; "" where it always is."""
    missing: str = ""
    """What is said of a text that counts and is empty, where nothing can be shown without it."""

    def counts_in(self, settings: Mapping[str, Value]) -> bool:
        """Whether it makes a difference, given the other settings."""
        name, value = self.only_for
        return not name or settings.get(name) == value

    @property
    def kind(self) -> str:
        """'number', 'choice' or 'text'."""
        return "choice" if self.choices else "number" if isinstance(self.default, float) else "text"

    def has(self, value: Value) -> bool:
        """Whether ``value`` is one that a choice may be."""
        return value in self.choices or (self.colour and is_colour(str(value)))

    def problem(self, value: Value) -> str:
        """What is wrong with ``value``, or ""."""
        if self.kind == "number":
            if not isinstance(value, float) or not self.low <= value <= self.high:
                return f"'{self.name}' must be from {self.low:g} to {self.high:g}{self.unit and ' ' + self.unit}"
        elif self.kind == "choice" and not self.has(value):
            if len(self.choices) > _LISTED:
                return f"'{self.name}' has no '{str(value)[:40]}'; look for another by its words"
            more = ", or a colour such as #14676b" if self.colour else ""
            return f"'{self.name}' must be one of {', '.join(self.choices)}{more}"
        elif self.kind == "text" and self.required and not str(value).strip():
            return f"'{self.name}' must not be empty"
        elif self.asset and not self.several and len(str(value).split()) > 1:
            return f"'{self.name}' must name one thing, not several"
        return ""


@dataclass(frozen=True, slots=True)
class CueKind:
    """Something that can happen on a word. ``family`` is host, picture or sound: the shape of its flag.

    ``also``: words one would look for it by. ``stretch``: it may last from its word to a later one.
    ``shown``: it puts something on the picture, for its ``seconds`` or its stretch. ``flag``: what its flag says, with
    settings in braces, where that says more than the label: ``Take {prop}``.
    """

    name: str
    label: str
    family: str
    group: str
    parameters: tuple[Parameter, ...] = ()
    also: str = ""
    stretch: bool = False
    shown: bool = False
    flag: str = ""

    def parameter(self, name: str) -> Parameter | None:
        """The parameter of this name, or None."""
        return next((p for p in self.parameters if p.name == name), None)

    def choice_for(self, word: str, taken: Collection[str]) -> Parameter | None:
        """What a bare word is the value of: the first choice that has it and is not among those ``taken``; else, for
        a word with a figure or a stop in it, what names files and things of the shelf."""
        free = [p for p in self.parameters if p.name not in taken]
        named = any(sign in "0123456789." for sign in word) and not any(sign.isspace() for sign in word)
        fitting = (p for p in free if p.has(word))
        return next(fitting, None) or next((p for p in free if p.asset and named), None)

    def in_order(self, settings: Mapping[str, Value]) -> dict[str, Value]:
        """Settings in the order of the parameters, what is none of them last."""
        known = {p.name: settings[p.name] for p in self.parameters if p.name in settings}
        return {**known, **settings}


@dataclass(frozen=True, slots=True)
class Cue:
    """A cue on the word that begins at ``start`` in its line's text.

    ``end``: where the last word of a stretch begins, None for a single word. ``look`` marks a cue that lost its word
    and moved, or all words of its stretch: somebody should look at it.
    """

    id: str
    kind: str
    start: int
    parameters: Mapping[str, Value] = field(default_factory=dict)
    look: bool = False
    end: int | None = None

    def number(self, name: str) -> float:
        """A number setting; ``CueKinds.resolved`` gives every setting its default. Raises KeyError, ValueError."""
        return float(self.parameters[name])

    def text(self, name: str) -> str:
        """A text or choice setting; "" where the cue has none of this name."""
        return str(self.parameters.get(name, ""))


class CueKinds:
    """The kinds that are known, in the order they are offered. It does not change."""

    def __init__(self, kinds: Iterable[CueKind]) -> None:
        """Raises ValueError when two have the same name."""
        self._kinds: dict[str, CueKind] = {}
        for kind in kinds:
            if kind.name in self._kinds:
                raise ValueError(f"there is a cue kind '{kind.name}' already")
            self._kinds[kind.name] = kind

    def __iter__(self) -> Iterator[CueKind]:
        return iter(self._kinds.values())

    def get(self, name: str) -> CueKind | None:
        """The kind of this name, or None."""
        return self._kinds.get(name)

    def problem(self, cue: Cue) -> str:
        """What is wrong with a cue, or ""."""
        kind = self._kinds.get(cue.kind)
        if kind is None:
            return f"there is no cue '{cue.kind}'"
        for name, value in cue.parameters.items():
            parameter = kind.parameter(name)
            if parameter is None:
                return f"'{cue.kind}' has no '{name}'"
            if problem := parameter.problem(value):
                return problem
        if cue.end is not None and not kind.stretch:
            return f"'{cue.kind}' is on a single word, it cannot last to another"
        return next((p.problem("") for p in kind.parameters if p.default == "" and p.name not in cue.parameters), "")

    def missing(self, cue: Cue) -> str:
        """What a cue that can be played still lacks to show anything, or ""."""
        kind, settings = self._kinds.get(cue.kind), self.resolved(cue).parameters
        parameters = kind.parameters if kind else ()
        empty = (p for p in parameters if p.missing and p.counts_in(settings) and not settings.get(p.name))
        return next((p.missing for p in empty), "")

    def resolved(self, cue: Cue) -> Cue:
        """The cue with a value for every setting of its kind: its own where it fits, else the default."""
        kind = self._kinds.get(cue.kind)
        if kind is None:
            return cue
        values: dict[str, Value] = {}
        for parameter in kind.parameters:
            value = cue.parameters.get(parameter.name, parameter.default)
            of_kind = isinstance(value, float) == isinstance(parameter.default, float)
            values[parameter.name] = value if of_kind else parameter.default
        return replace(cue, parameters=values)

    def parse_note(self, text: str) -> tuple[str, dict[str, Value]]:
        """What stands after ``cue:`` as (kind, parameters).

        The first words name the kind; a word after it is the value of the choice it belongs to; the rest is
        ``name=value``, quoted where it holds spaces. What fits nothing is kept and reported by ``problem``.
        """
        try:
            tokens = shlex.split(text)
        except ValueError:
            tokens = text.split()
        words = [t for t in tokens if "=" not in t]
        pairs = [t.split("=", 1) for t in tokens if "=" in t]
        name, rest = self._kind_of(words)
        parameters: dict[str, Value] = {}
        kind = self._kinds.get(name)
        for word in rest:
            fitting = kind.choice_for(word, parameters) if kind else None
            parameters[fitting.name if fitting else word] = word
        for key, value in pairs:
            parameter = kind.parameter(key.strip().lower()) if kind else None
            is_text = parameter is not None and parameter.kind != "number"
            parameters[key.strip().lower()] = value if is_text else _number(value)
        return name, kind.in_order(parameters) if kind else parameters

    def _kind_of(self, words: Sequence[str]) -> tuple[str, Sequence[str]]:
        for length in range(min(3, len(words)), 0, -1):
            name = "-".join(words[:length]).lower()
            if name in self._kinds:
                return name, words[length:]
        return (words[0].lower() if words else ""), words[1:]

    def format_note(self, cue: Cue) -> str:
        """The note in front of a cue's first word, which ``parse_note`` reads back."""
        kind = self._kinds.get(cue.kind)
        parts = [cue.kind]
        by_position: list[str] = []
        for name, value in (kind.in_order(cue.parameters) if kind else cue.parameters).items():
            meant = kind.choice_for(str(value), by_position) if kind else None
            if meant and meant.name == name:
                parts.append(str(value))
                by_position.append(name)
            else:
                shown = f"{value:g}" if isinstance(value, float) else _one_row(value).replace("]]", "] ]")
                parts.append(f"{name}={shlex.quote(shown)}")
        return f"[[cue: {' '.join(parts)}]]"


def _number(value: str) -> Value:
    try:
        return float(value)
    except ValueError:
        return value


def cue_to_json(cue: Cue) -> dict[str, Any]:
    """As plain data; ``cue_from_json`` reads it back."""
    data = {
        "id": cue.id, "kind": cue.kind, "start": cue.start, "parameters": dict(cue.parameters), "look": cue.look,
    }  # fmt: skip
    return data if cue.end is None else {**data, "end": cue.end}


def _finite(value: float) -> float:
    number = float(value)
    if not math.isfinite(number):
        raise ValueError("a setting of a cue is not a finite number")
    return number


def _one_row(text: str) -> str:
    """Words with single spaces between them, as a note can carry them."""
    return " ".join(text.split())[:200]


def cue_from_json(data: Mapping[str, Any], cue_id: str) -> Cue:
    """The cue in ``data`` under ``cue_id``. Raises KeyError, TypeError, ValueError or OverflowError for
    another shape, and for a number that is not finite."""
    parameters: dict[str, Value] = {}
    for name, value in dict(data.get("parameters") or {}).items():
        number = isinstance(value, (int, float)) and not isinstance(value, bool)
        parameters[str(name)] = _finite(value) if number else _one_row(str(value))
    end = data.get("end")
    return Cue(
        cue_id,
        str(data["kind"]),
        int(data["start"]),
        parameters,
        bool(data.get("look", False)),
        None if end is None else max(int(end), int(data["start"])),
    )
