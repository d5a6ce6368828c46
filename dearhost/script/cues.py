"""Cues: what happens on a word. Their kinds, and the notes they are written as.

A cue stands in a text as a note directly in front of its word: ``[[cue: wave left strength=0.8]]``.
What kinds there are is registered by the parts of the product that play them.
"""

from __future__ import annotations

import re
import shlex
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

Value = str | float


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
    required: bool = True
    """A text that may be left empty is not required."""

    @property
    def kind(self) -> str:
        """'number', 'choice' or 'text'."""
        return "choice" if self.choices else "number" if isinstance(self.default, float) else "text"

    def problem(self, value: Value) -> str:
        """What is wrong with ``value``, or ""."""
        if self.kind == "number":
            if not isinstance(value, float) or not self.low <= value <= self.high:
                return f"'{self.name}' must be from {self.low:g} to {self.high:g}{self.unit and ' ' + self.unit}"
        elif self.kind == "choice" and value not in self.choices:
            return f"'{self.name}' must be one of {', '.join(self.choices)}"
        elif self.kind == "text" and self.required and not str(value).strip():
            return f"'{self.name}' must not be empty"
        return ""


@dataclass(frozen=True, slots=True)
class CueKind:
    """Something that can happen on a word. ``family`` is host, picture or sound: the shape of its flag. ``also``:
    words one would look for it by."""

    name: str
    label: str
    family: str
    group: str
    parameters: tuple[Parameter, ...] = ()
    also: str = ""


class CueKinds:
    """The kinds that are known, in the order they are offered."""

    def __init__(self) -> None:
        self._kinds: dict[str, CueKind] = {}

    def register(self, *kinds: CueKind) -> None:
        """Add kinds. Raises ValueError when a name is taken."""
        for kind in kinds:
            if kind.name in self._kinds:
                raise ValueError(f"there is a cue kind '{kind.name}' already")
            self._kinds[kind.name] = kind

    def __iter__(self) -> Iterator[CueKind]:
        return iter(self._kinds.values())

    def get(self, name: str) -> CueKind | None:
        """The kind of this name, or None."""
        return self._kinds.get(name)


KINDS = CueKinds()


@dataclass(frozen=True, slots=True)
class Cue:
    """A cue on the word that begins at ``start`` in its line's text.

    ``look`` marks a cue that lost its word and moved: somebody should look at it.
    """

    id: str
    kind: str
    start: int
    parameters: Mapping[str, Value] = field(default_factory=dict)
    look: bool = False

    def number(self, name: str) -> float:
        """A number setting, the kind's default where it is not set or no number."""
        value = self.parameters.get(name, self._default(name))
        return value if isinstance(value, float) else float(self._default(name))

    def text(self, name: str) -> str:
        """A text or choice setting, the kind's default where it is not set."""
        return str(self.parameters.get(name, self._default(name)))

    def _default(self, name: str) -> Value:
        kind = KINDS.get(self.kind)
        return next((p.default for p in kind.parameters if p.name == name), "") if kind else ""


def cue_problem(cue: Cue) -> str:
    """What is wrong with a cue, or ""."""
    kind = KINDS.get(cue.kind)
    if kind is None:
        return f"there is no cue '{cue.kind}'"
    known = {p.name: p for p in kind.parameters}
    for name, value in cue.parameters.items():
        if name not in known:
            return f"'{cue.kind}' has no '{name}'"
        problem = known[name].problem(value)
        if problem:
            return problem
    return next((p.problem("") for p in kind.parameters if p.default == "" and p.name not in cue.parameters), "")


NOTE = re.compile(r"\[\[\s*cues?\s*:\s*(.*?)\s*\]\]", re.I | re.S)


def parse_note(text: str) -> tuple[str, dict[str, Value]]:
    """What stands after ``cue:`` as (kind, parameters).

    The first words name the kind; a word after it is the value of the choice it belongs to; the rest is
    ``name=value``, quoted where it holds spaces. What fits nothing is kept and told by ``cue_problem``.
    """
    try:
        tokens = shlex.split(text)
    except ValueError:
        tokens = text.split()
    words = [t for t in tokens if "=" not in t]
    pairs = [t.split("=", 1) for t in tokens if "=" in t]
    name, rest = _kind_of(words)
    parameters: dict[str, Value] = {}
    kind = KINDS.get(name)
    for word in rest:
        fitting = [p for p in kind.parameters if word in p.choices] if kind else []
        parameters[fitting[0].name if fitting else word] = word
    for key, value in pairs:
        parameters[key.strip().lower()] = _number(value)
    return name, parameters


def _kind_of(words: Sequence[str]) -> tuple[str, Sequence[str]]:
    for length in range(min(3, len(words)), 0, -1):
        name = "-".join(words[:length]).lower()
        if KINDS.get(name):
            return name, words[length:]
    return (words[0].lower() if words else ""), words[1:]


def _number(value: str) -> Value:
    try:
        return float(value)
    except ValueError:
        return value


def format_note(cue: Cue) -> str:
    """The note ``parse_note`` reads back."""
    kind = KINDS.get(cue.kind)
    parts = [cue.kind]
    for name, value in cue.parameters.items():
        parameter = next((p for p in kind.parameters if p.name == name), None) if kind else None
        if parameter and parameter.kind == "choice":
            parts.append(str(value))
        else:
            shown = f"{value:g}" if isinstance(value, float) else _one_row(value).replace("]]", "] ]")
            parts.append(f"{name}={shlex.quote(shown)}")
    return f"[[cue: {' '.join(parts)}]]"


def cue_to_json(cue: Cue) -> dict[str, Any]:
    """As plain data; ``cue_from_json`` reads it back."""
    return {
        "id": cue.id, "kind": cue.kind, "start": cue.start, "parameters": dict(cue.parameters), "look": cue.look,
    }  # fmt: skip


def _one_row(text: str) -> str:
    """Words with single spaces between them, as a note can carry them."""
    return " ".join(text.split())[:200]


def cue_from_json(data: Mapping[str, Any], cue_id: str) -> Cue:
    """The cue in ``data`` under ``cue_id``. Raises KeyError or TypeError for another shape."""
    parameters: dict[str, Value] = {}
    for name, value in dict(data.get("parameters") or {}).items():
        number = isinstance(value, (int, float)) and not isinstance(value, bool)
        parameters[str(name)] = float(value) if number else _one_row(str(value))
    return Cue(cue_id, str(data["kind"]), int(data["start"]), parameters, bool(data.get("look", False)))
