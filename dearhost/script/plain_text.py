"""Plain text and Markdown into a script."""

from __future__ import annotations

import re

from dearhost.script.builder import ScriptBuilder, is_direction_label, is_name, label_of
from dearhost.script.cues import CueKinds
from dearhost.script.document import Script
from dearhost.script.inline_marks import strip_markdown
from dearhost.script.pairs import BONEYARD, COMMENT, without_pairs

_SCENE_LINE = re.compile(
    r"^(?:scene|part|chapter|section|act|szene|escena|scène)\s+(?:\d+|[ivxlc]+|[a-z])\b\s*[:.–—-]?\s*(.*)$", re.I
)
_LONGEST_HEADING = 400
_SLUG = re.compile(r"^(?:INT|EXT|EST|INT\.?/EXT|I/E)[. ]", re.I)
_BULLET = re.compile(r"^\s*(?:[-*+•–]|\d{1,2}[.)])\s+(.*)$", re.S)
_RULE = re.compile(r"^\s*([-*_=])(?:\s*\1){2,}\s*$")
_HASH = re.compile(r"^\s{0,3}(#{1,6})\s+(.*)$")


_DELIMITERS = re.compile(r"^\s*\|?\s*:?-+:?\s*(?:\|\s*:?-+:?\s*)+\|?\s*$")
"""The row between a table's head and its body."""


def _with_table_rows_marked(text: str) -> str:
    """Rows of tables, which may leave out the bars at their ends, begin with a bar: a table is seen, not said."""
    rows = text.split("\n")
    for index, row in enumerate(rows):
        if not index or not _DELIMITERS.match(row) or "|" not in rows[index - 1]:
            continue
        last = index
        while last + 1 < len(rows) and "|" in rows[last + 1]:
            last += 1
        for number in range(index - 1, last + 1):
            if not rows[number].lstrip().startswith("|"):
                rows[number] = f"| {rows[number].strip()} |"
    return "\n".join(rows)


def read_plain_text(text: str, kinds: CueKinds) -> Script:
    """Paragraphs become lines; "Scene 2: ..." and "# ..." become scenes.

    "NAME: text" makes a speaker; the paragraphs after it stay with that speaker until a blank line
    is followed by another name. Directions: lines in brackets or parentheses, comments, and lists or
    lines that open with a label such as "Visual:".
    """
    return _Reader(kinds, markdown=False).read(text)


def read_markdown(text: str, kinds: CueKinds) -> Script:
    """As plain text, and: headings, emphasis, links, quotes, code, images, rules, front matter."""
    return _Reader(kinds, markdown=True).read(text)


class _Reader:
    def __init__(self, kinds: CueKinds, *, markdown: bool) -> None:
        self.markdown = markdown
        self.builder = ScriptBuilder(kinds)
        self.speaker = ""
        self.paragraph: list[str] = []
        self.directing = False  # inside a list that a label such as "Visual:" opened
        self.fenced = False

    def read(self, text: str) -> Script:
        text = without_pairs(text, {**COMMENT, **BONEYARD}, lambda comment: "\n" * comment.count("\n"))
        if self.markdown:
            text = _with_table_rows_marked(self._front_matter(text))
        headings = [m for m in map(_HASH.match, text.split("\n")) if m]
        self.title_hash = bool(headings) and len(headings[0][1]) == 1 and len(headings) > 1
        self.title_hash = self.title_hash and all(len(h[1]) > 1 for h in headings[1:])
        for row in text.split("\n"):
            self._row(row.rstrip())
        self._flush()
        return self.builder.finish()

    def _front_matter(self, text: str) -> str:
        match = re.match(r"\s*---\n(.*?)\n---\s*\n", text, re.S)
        if not match:
            return text
        for row in match[1].split("\n"):
            key, colon, value = row.partition(":")
            if colon:
                self.builder.notes[key.strip().lower()] = value.strip().strip("\"'")
        self.builder.title = self.builder.notes.get("title", "")
        return text[match.end() :]

    def _row(self, row: str) -> None:
        if self.markdown and re.match(r"\s*(```|~~~)", row):
            self._flush()
            self.fenced = not self.fenced
            return
        if self.fenced:
            self.builder.direction(row)
            return
        if not row.strip():
            self._flush()
            self.directing = False
            return
        if self._heading(row.strip()):
            return
        if re.match(r"\s*(//|%%)", row):
            self._flush()
            return
        bullet = _BULLET.match(row)
        if bullet:
            self._flush()
            if self.directing or self._labelled_direction(bullet[1]):
                self.builder.direction(self._bare(bullet[1]))
                return
            self.paragraph = [bullet[1]]
            self._flush()
            return
        if self._labelled_direction(row):
            self._flush()
            label = label_of(row)
            assert label is not None
            if label[2]:
                self.builder.direction(row.strip().strip("*"))
            self.directing = not label[2]
            return
        if self.directing and re.match(r"\s{2,}", row):
            self.builder.direction(row)
            return
        self.directing = False
        stripped = row.strip()
        if re.fullmatch(r"\[[^\[\]]*\]|\([^()]*\)|\[\[.*\]\]", stripped):
            self._flush()
            self.builder.line(self.speaker, self._bare(stripped))
            return
        label = label_of(self._bare(row[:_LONGEST_HEADING]))
        if label and is_name(label[0]):
            self._flush()
            self.speaker = label[0]
            if label[1]:
                self.paragraph = [f"({label[1]})"] if label[1].upper() not in ("V.O.", "VO", "O.S.", "CONT'D") else []
            _, _, said = label_of(row) or label  # as written: marks are taken off once, when the paragraph ends
            self.paragraph += [said] if said else []
            return
        if self.markdown and re.match(r"\s*(!\[|\||\[\^)", row):
            self._flush()
            self.builder.direction(self._bare(row).strip("| "))
            return
        self.paragraph.append(re.sub(r"^\s*>\s?", "", row) if self.markdown else row)

    def _labelled_direction(self, row: str) -> bool:
        label = label_of(self._bare(row[:_LONGEST_HEADING]))
        return label is not None and is_direction_label(label[0])

    def _heading(self, row: str) -> bool:
        hashes = _HASH.match(row)
        if hashes:
            self._flush()
            heading = self._bare(hashes[2].rstrip().rstrip("#").rstrip())
            if self.title_hash and len(hashes[1]) == 1 and not self.builder.title:
                self.builder.title = heading
            else:
                self._scene(heading)
            return True
        if _RULE.match(row):
            self._flush()
            if not re.fullmatch(r"_+", row):
                self._scene("")
                return True
            return False
        if len(row) > _LONGEST_HEADING:
            return False
        bare = self._bare(row)
        named = _SCENE_LINE.match(bare)
        if (named and not self.paragraph) or _SLUG.match(bare):
            self._flush()
            self._scene((named[1].strip() or bare) if named else bare)
            return True
        return False

    def _scene(self, heading: str) -> None:
        self.builder.scene(re.sub(r"^\d+\s*[.:)]?\s+", "", heading))
        self.speaker = ""
        self.directing = False

    def _bare(self, text: str) -> str:
        return strip_markdown(text) if self.markdown else re.sub(r"\*\*(.+?)\*\*", r"\1", text)

    def _flush(self) -> None:
        text = self._bare(" ".join(p.strip() for p in self.paragraph))
        self.paragraph = []
        if text.strip():
            self.builder.line(self.speaker, text)
