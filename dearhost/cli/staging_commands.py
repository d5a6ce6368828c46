"""Commands about what can be staged: sets, layouts, looks, pictures for words, single frames."""

from __future__ import annotations

import argparse
from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from pathlib import Path
from typing import Any

from dearhost.cli.opening import opened_production
from dearhost.cli.output import print_json
from dearhost.films import cast_all
from dearhost.hosts import thing_index
from dearhost.languages.detecting import languages_of
from dearhost.production import LAYOUTS, LOOKS, PATTERNS, SETS, TRANSITIONS, Production, Studio, with_look
from dearhost.render import still
from dearhost.stage import DEFAULT_HEIGHTS, Painter, Picture, compile_timeline
from dearhost.storage import write_whole
from dearhost.things import UNDERSTOOD, propose
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

    frame = commands.add_parser("still", help="one frame of a script's film as PNG or JPEG")
    frame.add_argument("script", type=Path)
    frame.add_argument("--at", type=float, required=True, metavar="SECONDS")
    frame.add_argument("--out", type=Path, required=True, help="a .png or .jpg")
    frame.add_argument("--look", choices=tuple(LOOKS), default="", help="see 'dear-host looks'")
    frame.add_argument("--host", default="", metavar="ID")
    frame.add_argument("--voice", default="", metavar="ID")
    frame.set_defaults(command=_still)


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
    [language] = languages_of([options.words], UNDERSTOOD)
    proposal = propose(options.words, thing_index(), language)
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
    jpeg = options.out.suffix.lower() in (".jpg", ".jpeg")
    data = still(painter, options.at, quality=92, png=not jpeg)

    def write(path: Path) -> None:
        path.write_bytes(data)

    write_whole(options.out, write)
    print(options.out)
