"""Commands about what can be staged: sets, layouts, looks, pictures for words, single frames."""

from __future__ import annotations

import argparse
from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from pathlib import Path
from typing import Any

import skia

from dearhost.cli.opening import opened_production
from dearhost.cli.output import print_json
from dearhost.films import cast_all
from dearhost.hosts import thing_index
from dearhost.production import LAYOUTS, LOOKS, PATTERNS, SETS, TRANSITIONS, Production, Studio, with_look
from dearhost.stage import DEFAULT_HEIGHTS, Painter, Picture, compile_timeline
from dearhost.storage import write_whole
from dearhost.things import propose
from dearhost.timebase import FrameRate

LISTS: Mapping[str, Mapping[str, str]] = {
    "sets": SETS,
    "layouts": LAYOUTS,
    "transitions": TRANSITIONS,
    "looks": {look.name: look.words for look in LOOKS.values()},
    "patterns": {pattern.name: pattern.words for pattern in PATTERNS.values()},
}
"""What can be listed: ids with their words."""


def register(commands: Any) -> None:
    """Add the commands to a parser."""
    for name in LISTS:
        listing = commands.add_parser(name, help=f"list the {name}")
        listing.add_argument("--json", action="store_true")
        listing.set_defaults(command=_list, what=name)

    pictures = commands.add_parser("pictures", help="suggest pictures for some words")
    pictures.add_argument("words")
    pictures.add_argument("--n", type=int, default=5, metavar="N", help="how many at most")
    pictures.add_argument("--json", action="store_true")
    pictures.set_defaults(command=_pictures)

    still = commands.add_parser("still", help="one frame of a script's film as PNG or JPEG")
    still.add_argument("script", type=Path)
    still.add_argument("--at", type=float, required=True, metavar="SECONDS")
    still.add_argument("--out", type=Path, required=True, help="a .png or .jpg")
    still.add_argument("--look", choices=tuple(LOOKS), default="", help="see 'dear-host looks'")
    still.add_argument("--host", default="", metavar="ID")
    still.add_argument("--voice", default="", metavar="ID")
    still.set_defaults(command=_still)


def looking(production: Production, look: str) -> Production:
    """The production in a look, "" for its own."""
    if not look:
        return production
    choices, script = with_look(production.choices, production.script, LOOKS[look])
    return replace(production, choices=choices, script=script)


def _list(options: argparse.Namespace) -> None:
    found = LISTS[options.what]
    if options.json:
        print_json({options.what: [{"id": key, "name": words} for key, words in found.items()]})
        return
    width = max(map(len, found))
    for key, words in found.items():
        print(f"{key:<{width}}  {words}")


def _pictures(options: argparse.Namespace) -> None:
    """The whole picture first, then each of its things alone, then what else could be shown."""
    proposal = propose(options.words, thing_index())
    rows: list[dict[str, Any]] = []

    def add(template: str, things: list[str], words: list[str]) -> None:
        if all(row["things"] != things for row in rows):
            rows.append({"picture": "+".join(things), "template": template, "things": things, "from": words})

    said = [word.text for part in proposal.parts for word in part.words]
    if proposal.parts:
        add(proposal.template, list(proposal.things), said)
    else:
        add("words", [], [proposal.key])
    for part in proposal.parts:
        add("solo", [part.thing], [word.text for word in part.words])
    for part in proposal.parts:
        for name in part.runners_up:
            add("solo", [name], [word.text for word in part.words])
    rows = rows[: max(1, options.n)]
    if options.json:
        print_json({"suggestions": rows})
        return
    for row in rows:
        print(f"{row['template']:<9} {', '.join(row['things']) or row['from'][0]}  (from {', '.join(row['from'])})")


def _still(options: argparse.Namespace) -> None:
    studio = Studio()
    production = looking(opened_production(options.script, studio), options.look)
    production = cast_all(production.checked(studio), host=options.host, voice=options.voice)
    timeline = compile_timeline(production, studio, FrameRate(Fraction(30)))
    shape = production.choices.shape
    painter = Painter(timeline, Picture.of(shape, DEFAULT_HEIGHTS[shape]), studio.resources)
    painter.paint(min(max(0, timeline.frames - 1), timeline.frame_rate.frames_in(max(0.0, options.at))))
    image = skia.Image.fromarray(painter.pixels, colorType=skia.kBGRA_8888_ColorType)
    kind = skia.kJPEG if options.out.suffix.lower() in (".jpg", ".jpeg") else skia.kPNG
    data = bytes(image.encodeToData(kind, 92))
    write_whole(options.out, lambda path: _write(path, data))
    print(options.out)


def _write(path: Path, data: bytes) -> None:
    path.write_bytes(data)
