"""Text in films: fonts from a folder, shaped by skia.textlayout; no system fonts.

The folder holds ``.woff`` files as they come from npm font packages; ``FAMILIES`` says which.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import lru_cache
from pathlib import Path
from typing import Any

import skia

from dearhost.drawing.colours import rgb
from dearhost.errors import StageError

_EXTRAS = ("latin", "latin-ext")
SANS = ("atkinson-hyperlegible-latin", "atkinson-hyperlegible-latin-ext")
SERIF = ("literata-latin", "literata-latin-ext", "literata-greek", "literata-cyrillic", "literata-cyrillic-ext",
         "literata-vietnamese")  # fmt: skip


def _family(name: str, *also: str) -> tuple[str, ...]:
    return tuple(f"{name}-{part}" for part in (*_EXTRAS, *also))


PAIRS: Mapping[str, tuple[tuple[str, ...], tuple[str, ...]]] = {
    "house": (SERIF, SANS),
    "slab": (_family("bitter", "cyrillic", "cyrillic-ext", "vietnamese"), SANS),
    "round": (_family("nunito", "cyrillic", "cyrillic-ext", "vietnamese"),) * 2,
    "poster": (_family("oswald", "cyrillic", "cyrillic-ext", "vietnamese"), SANS),
    "classic": (_family("playfair-display", "cyrillic", "vietnamese"), SERIF),
    "hand": (
        _family("caveat", "cyrillic", "cyrillic-ext"),
        _family("nunito", "cyrillic", "cyrillic-ext", "vietnamese"),
    ),
}
"""Pairs of families by the names of ``production.TYPES``: for headings, and for text."""
FALLBACKS = (
    "noto-sans-latin", "noto-sans-latin-ext", "noto-sans-greek", "noto-sans-greek-ext", "noto-sans-cyrillic",
    "noto-sans-cyrillic-ext", "noto-sans-vietnamese", "noto-sans-arabic-arabic", "noto-sans-devanagari-devanagari",
    "noto-sans-jp-japanese", *(f"noto-color-emoji-{i}" for i in range(11)), "noto-color-emoji-emoji",
)  # fmt: skip
_INVISIBLE = frozenset((0x200D, 0xFE0F, 0xFE0E, 0x200B))
"""Joiners and variation selectors."""
_WEIGHTS = {"regular": "400", "bold": "700"}
_REQUIRED = ("atkinson-hyperlegible-latin-700-normal.woff", "literata-latin-700-normal.woff")


class Fonts:
    """The fonts of a folder. Raises StageError when the two text faces are missing."""

    def __init__(self, folder: Path, pair: str = "house") -> None:
        missing = [name for name in _REQUIRED if not (folder / name).exists()]
        if missing:
            raise StageError(f"Fonts are missing: {', '.join(missing)}. Run 'make setup'.")
        self.folder, self._pair = folder, PAIRS[pair]
        self._provider = skia.textlayout.TypefaceFontProvider()
        self._there = frozenset(path.stem for path in folder.glob("*.woff"))
        self._faces: dict[str, Any] = {}
        self._collection = skia.textlayout.FontCollection()
        self._collection.setDefaultFontManager(self._provider)
        self._unicode = skia.Unicodes.ICU.Make()
        self._words: dict[tuple[str, float, str, str, str], Word] = {}

    @classmethod
    @lru_cache(maxsize=12)
    def at(cls, folder: Path, pair: str = "house") -> Fonts:
        """The fonts of ``folder`` with one of ``PAIRS``, read once a process."""
        return cls(folder, pair)

    def _face(self, name: str) -> Any:
        """A font by its file's name; read when it is first needed, None when it is not there."""
        if name not in self._faces:
            path = self.folder / f"{name}.woff"
            face = skia.Typeface.MakeFromFile(str(path)) if name in self._there else None
            if face is not None:
                self._provider.registerTypeface(face, name)
            self._faces[name] = face
        return self._faces[name]

    def _families(self, text: str, face: str, weight: str) -> list[str]:
        """The fonts that draw ``text``, the text face first, then those that hold what it lacks."""
        number = _WEIGHTS[weight]
        heading, text_face = self._pair
        own_names = heading if face == "serif" else text_face
        names = (*own_names, *(SERIF if face == "serif" else SANS), *FALLBACKS)
        wanted = {c for c in text if not c.isspace() and ord(c) not in _INVISIBLE}
        found: list[str] = []
        for name in dict.fromkeys(f"{name}-{w}-normal" for name in names for w in (number, "400")):
            own = self._face(name)
            if own is None:
                continue
            drawn = {c for c in wanted if own.unicharToGlyph(ord(c))}
            if drawn or not found:
                found.append(name)
                wanted -= drawn
            if not wanted:
                break
        return found

    def missing(self, text: str) -> list[str]:
        """The characters no font here can draw, each once."""
        faces = [self._face(name) for name in self._families(text, "sans", "bold")]
        shown = [c for c in dict.fromkeys(text) if not c.isspace() and ord(c) not in _INVISIBLE]
        return [c for c in shown if not any(face.unicharToGlyph(ord(c)) for face in faces)]

    def word(self, text: str, size: float, *, face: str = "sans", weight: str = "bold", colour: str = "ink") -> Word:
        """``text`` shaped on one line at ``size`` pixels; kept for the next time."""
        key = (text, round(size, 2), face, weight, colour)
        if key not in self._words:
            if len(self._words) > 3000:
                self._words.clear()
            self._words[key] = Word(text, self._paragraph(text, size, face, weight, colour))
        return self._words[key]

    def _paragraph(self, text: str, size: float, face: str, weight: str, colour: str) -> Any:
        layout = skia.textlayout
        style = layout.TextStyle()
        style.setFontFamilies(self._families(text, face, weight))
        style.setFontSize(size)
        style.setColor(skia.Color(*rgb(colour)))
        style.setFontStyle(skia.FontStyle.Bold() if weight == "bold" else skia.FontStyle.Normal())
        block = layout.ParagraphStyle()
        block.setTextStyle(style)
        builder = layout.ParagraphBuilder.make(block, self._collection, self._unicode)
        builder.pushStyle(style)
        builder.addText(text)
        builder.pop()
        paragraph = builder.Build()
        paragraph.layout(100_000)
        return paragraph


class Word:
    """Shaped ``text`` on one line: ``width`` and ``ascent`` in pixels; ``draw`` puts its baseline at y."""

    def __init__(self, text: str, paragraph: Any) -> None:
        self.text, self._paragraph = text, paragraph
        self.width = float(paragraph.MaxIntrinsicWidth)
        self.ascent = float(paragraph.AlphabeticBaseline)

    def draw(self, canvas: Any, x: float, y: float) -> None:
        """Draw with the left end of the baseline at (x, y)."""
        self._paragraph.paint(canvas, x, y - self.ascent)


def balanced_lines(widths: Sequence[float], space: float, measure: float) -> list[tuple[int, int]]:
    """Break words of the given widths into the fewest lines, then the narrowest measure that keeps them.

    Returns (first, last + 1) for each line. A word wider than ``measure`` gets a line of its own.
    """

    def greedy(limit: float) -> list[tuple[int, int]]:
        lines, start, run = [], 0, 0.0
        for index, width in enumerate(widths):
            wider = run + (space if index > start else 0) + width
            if index > start and wider > limit:
                lines.append((start, index))
                start, run = index, width
            else:
                run = wider
        return [*lines, (start, len(widths))] if widths else []

    wanted = len(greedy(measure))
    low, high = max(widths, default=0.0), max(measure, max(widths, default=0.0))
    for _ in range(12):
        middle = (low + high) / 2
        if len(greedy(middle)) <= wanted:
            high = middle
        else:
            low = middle
    return greedy(high)
