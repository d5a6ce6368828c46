"""Prepares the shapes once, from the folder of the package @phosphor-icons/core:

python -m dearhost.things.shapes.preparing web/node_modules/@phosphor-icons/core
"""

from __future__ import annotations

import gzip
import json
import re
import shutil
import sys
from pathlib import Path
from typing import Any

from fontTools.pens.recordingPen import RecordingPen
from fontTools.svgLib.path import parse_path

from dearhost.things.shapes.prepared import LICENCE, OUTLINES, WORDS, folder

_NO_THING = re.compile(
    r"^(arrow|caret|text-|align-|columns|rows|row-|dots|number-|brackets|code|cursor|toggle|selection|split-|"
    r"file-(c|cpp|css|csv|doc|html|ini|jpg|js|jsx|md|pdf|png|ppt|py|rs|sql|svg|ts|tsx|txt|vue|xls|c-sharp|dashed|x|minus|"
    r"plus|code|archive)$|circle-(dashed|half|notch|three|four)|circles|square-(half|split)|squares|rectangle|corners|frame-|"
    r"list-(dashes|bullets|plus)|plus-(circle|square)|minus-(circle|square)|x-|not-|less-|greater-|approximate|asterisk|"
    r"hash|at$|paragraph|placeholder|spinner|slid|sort-|sidebar|tabs|textbox|radio-button|resize|skip-|fast-|rewind|record$|"
    r"repeat|shuffle|unite|subtract|intersect|exclude|vector|line-|polygon|dot|gradient|grid-|layout|notches|option|command|"
    r"control|key-return|export|sign-(in|out)|upload|download|copy$|copy-|picture-in|perspective|bounding|bezier|lasso|flip-|"
    r"crop|stack|queue|swap|faders|superset|subset|union|empty|member|lambda|function|closed-captioning|subtitles|"
    r"cell-signal|letter-circle|tree-(structure|view)|flow-|path$|git-|terminal|app-window|browser|device-rotate|scan$|"
    r"screencast|vignette|blueprint|highlighter-circle|pencil-(circle|line|simple|slash)|user-(rectangle|focus|list|switch)|"
    r"folder-(dashed|minus|plus|simple)|box-arrow|tray-arrow|cloud-(arrow|x|check)|seal$|marker|numpad|backspace|"
    r"link-(break|simple)|airplay|bluetooth|binary|finn-the|.*-logo|circuitry|check-square|eject|equalizer|eyedropper|"
    r"four-k|gif$|info$|prohibit-|currency-(btc|eth)|share|mouse-(left|middle|right)|article-|push-pin-.*slash|webcam-slash)"
)  # fmt: skip
"""Signs of interfaces and writing: nothing one would show on a stage."""
_DIGITS = 1


def main(package: Path) -> None:
    """Write the outlines and words of what can be shown."""
    words = {
        entry["name"]: " ".join(_plain(tag) for tag in entry["tags"] if not tag.startswith("*"))
        for entry in _entries(package)
        if not entry["brand"] and not _NO_THING.match(entry["name"])
    }
    drawings = {name: _outlines(package / "assets" / "duotone" / f"{name}-duotone.svg") for name in words}
    folder().mkdir(parents=True, exist_ok=True)
    with gzip.open(folder() / OUTLINES, "wt", encoding="utf-8") as file:
        json.dump(drawings, file)
    shutil.copy(package / "LICENSE", folder() / LICENCE)
    (folder() / WORDS).write_text(json.dumps(words, ensure_ascii=False), encoding="utf-8")
    print(f"{len(words)} shapes are prepared.")


def _entries(package: Path) -> list[Any]:
    """The catalogue in the package's module: names, categories and tags."""
    source = (package / "dist" / "index.mjs").read_text(encoding="utf-8")
    found = re.findall(
        r'name:\s*"([^"]+)",\s*pascal_name:[^\[]*?categories:\s*\[([^\]]*)\].*?tags:\s*\[([^\]]*)\]', source, re.S
    )
    return [
        {"name": name, "brand": "BRANDS" in categories, "tags": re.findall(r'"([^"]*)"', tags)}
        for name, categories, tags in found
    ]


def _plain(tag: str) -> str:
    return re.sub(r"[^a-z0-9']+", "_", tag.lower()).strip("_")


def _outlines(path: Path) -> tuple[list[Any], list[Any]]:
    """The contours of the line drawing and of the soft fill."""
    parts: tuple[list[Any], list[Any]] = ([], [])
    for data, rest in re.findall(r'<path d="([^"]+)"([^>]*)/>', path.read_text(encoding="utf-8")):
        parts["opacity" in rest].extend(_contours(data))
    return parts


def _contours(data: str) -> list[Any]:
    pen = RecordingPen()
    parse_path(data, pen)
    contours: list[Any] = []
    verbs = {"moveTo": "M", "lineTo": "L", "qCurveTo": "Q", "curveTo": "C", "closePath": "Z"}
    for name, points in pen.value:
        if name == "moveTo":
            contours.append(["", []])
        if name in verbs:
            contours[-1][0] += verbs[name]
            contours[-1][1] += [round(number, _DIGITS) for point in points for number in point]
    return contours


if __name__ == "__main__":
    main(Path(sys.argv[1]))
