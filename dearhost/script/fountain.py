"""Fountain 1.1 (fountain.io/syntax) into a script."""

from __future__ import annotations

import re

from dearhost.script.builder import ScriptBuilder, is_direction_label, is_name, label_of
from dearhost.script.cues import CueKinds
from dearhost.script.document import Script
from dearhost.script.inline_marks import strip_fountain
from dearhost.script.pairs import BONEYARD, NOTE, without_pairs

_TITLE_KEYS = frozenset(
    [
        "title",
        "credit",
        "author",
        "authors",
        "source",
        "notes",
        "contact",
        "copyright",
        "revision",
        "date",
        "format",
        "cast",
        "language",
        "brief",
        "length",
    ]
)
_SLUG = re.compile(r"^(?:INT|EXT|EST|INT\.?/EXT|I/E)[. ]", re.I)
_TRANSITION = re.compile(r"^[^a-z]*TO:$")
_CHARACTER = re.compile(r"[^\W\d_][^a-z:]*")
_SCENE_NUMBER = re.compile(r"#[^#\s][^#]*#$")


def read_fountain(text: str, kinds: CueKinds) -> Script:
    """Sections and scene headings become scenes; dialogue becomes lines; the rest is directions.

    Action, parentheticals, transitions, synopses, centred text, lyrics marks, notes and boneyard are
    never spoken. Beyond the standard, an action paragraph "NAME: text" is a line, so that a script
    with many short speeches can be written compactly.
    """
    return _FountainReader(kinds).read(text)


def _unwrapped(text: str, opening: str, closing: str) -> str:
    """What stands between the brackets that begin and end ``text``; else ``text``."""
    if len(text) < len(opening + closing) or not (text.startswith(opening) and text.endswith(closing)):
        return text
    return text[len(opening) : -len(closing)].strip()


class _FountainReader:
    def __init__(self, kinds: CueKinds) -> None:
        self.builder = ScriptBuilder(kinds)

    def read(self, text: str) -> Script:
        text = without_pairs(text, BONEYARD)
        text = without_pairs(text, NOTE, lambda note: note.replace("\n", " "))
        rows = self._title_page(text.split("\n"))
        index = 0
        while index < len(rows):
            index = self._element(rows, index)
        return self.builder.finish()

    def _title_page(self, rows: list[str]) -> list[str]:
        while rows and not rows[0].strip():
            rows = rows[1:]
        first = re.match(r"([A-Za-z ]+):", rows[0]) if rows else None
        if not first or first[1].strip().lower() not in _TITLE_KEYS | {"draft date"}:
            return rows
        key = ""
        for number, row in enumerate(rows):
            if not row.strip():
                rows = rows[number + 1 :]
                break
            pair = re.match(r"([^\s:][^:]*):\s*(.*)$", row)
            if pair:
                key = pair[1].strip().lower()
                self.builder.notes[key] = pair[2].strip()
            elif key:
                self.builder.notes[key] = f"{self.builder.notes[key]}\n{row.strip()}".strip()
        else:
            rows = []
        self.builder.title = strip_fountain(self.builder.notes.get("title", "")).replace("\n", " ")
        return rows

    def _element(self, rows: list[str], index: int) -> int:
        """Read the element that begins at ``rows[index]``; returns the index after it."""
        row = rows[index]
        stripped = row.strip()
        alone = index == 0 or not rows[index - 1].strip()
        after = rows[index + 1].strip() if index + 1 < len(rows) else ""
        if not stripped or re.fullmatch(r"={3,}", stripped):
            return index + 1
        section = re.match(r"(#{1,6})\s*(.+)$", stripped)
        if section:
            self._scene(section[2])
        elif stripped.startswith("=") or re.fullmatch(r">.*<", stripped):
            self.builder.direction(strip_fountain(stripped.strip("=<> ")))
        elif re.fullmatch(r"\.[^.].*", stripped):
            self._scene(stripped[1:])
        elif alone and _SLUG.match(stripped) and not after:
            self._scene(stripped)
        elif stripped[0] == ">" or (alone and not after and _TRANSITION.match(stripped)):
            self.builder.direction(stripped.strip("> "))
        elif alone and after and self._is_character(stripped):
            return self._dialogue(rows, index)
        else:
            return self._action(rows, index)
        return index + 1

    def _scene(self, heading: str) -> None:
        heading = _SCENE_NUMBER.sub("", strip_fountain(heading).rstrip()).rstrip()
        self.builder.scene(re.sub(r"^\d+\s*[.:)]?\s+", "", without_pairs(heading, NOTE)))

    @staticmethod
    def _is_character(row: str) -> bool:
        if row[0] == "!" or row[0] == "~":
            return False
        return row[0] == "@" or bool(_CHARACTER.fullmatch(re.sub(r"\([^()]*\)", "", row).strip()))

    def _dialogue(self, rows: list[str], index: int) -> int:
        name = re.sub(r"\([^()]*\)", "", rows[index].strip().rstrip("^").lstrip("@")).strip()
        speech: list[str] = []
        index += 1
        while index < len(rows) and (rows[index].strip() or rows[index].startswith("  ")):
            row = rows[index].strip()
            if re.fullmatch(r"\([^()]*\)", row):
                self._say(name, speech)
                speech = []
                self.builder.direction(row.strip("()"))
            elif row:
                speech.append(row.lstrip("~"))
            index += 1
        self._say(name, speech)
        return index

    def _say(self, name: str, speech: list[str]) -> None:
        text = strip_fountain(" ".join(speech))
        if text.strip():
            self.builder.line(name, text)

    def _action(self, rows: list[str], index: int) -> int:
        """One action paragraph, or within it rows of the compact "NAME: text"."""
        speaker, gathered = "", [""]

        def flush() -> None:
            text = strip_fountain(" ".join(gathered)).strip()
            gathered.clear()
            if speaker:
                self.builder.line(speaker, text)
            elif text:
                self.builder.direction(_unwrapped(_unwrapped(text, "[[", "]]"), "(", ")"))

        first = index
        while index < len(rows) and rows[index].strip():
            row = rows[index].strip()
            if index > first and re.match(r"#{1,6}\s|\.[^.]|>|=", row):
                break
            label = None if row[0] in "!~" else label_of(row)
            whole_direction = re.fullmatch(r"\([^()]*\)|\[\[.*\]\]", row) is not None
            if label and is_name(label[0]) and not is_direction_label(label[0]):
                flush()
                speaker = label[0]
                gathered.extend([f"({label[1]})"] if label[1] else [])
                gathered.append(label[2])
            elif whole_direction and speaker:
                flush()
                speaker = ""
                gathered.append(row)
            else:
                gathered.append(row.lstrip("!~"))
            index += 1
        flush()
        return index
