"""Commands about things of one's own: taken onto the shelf, and what is said in clips."""

from __future__ import annotations

import argparse
import re
import sys
from pathlib import Path
from typing import Any

from dearhost.assets.shelf import CLIP, PERSON, KeySettings
from dearhost.assets.shelf.keying.writing import write_clear
from dearhost.cli.output import print_json
from dearhost.errors import HostError
from dearhost.production import CUE_KINDS, Studio
from dearhost.production.clip_scenes import clip_scene
from dearhost.script import Script, write_fountain
from dearhost.speech.clips import Transcript
from dearhost.storage import write_text


def register(commands: Any) -> None:
    """Add the commands to a parser."""
    bring = commands.add_parser("import", help="take pictures, clips and sounds onto the shelf")
    bring.add_argument("files", type=Path, nargs="+", metavar="FILE")
    bring.add_argument("--json", action="store_true")
    bring.set_defaults(command=_import)

    key = commands.add_parser("key", help="take the green or blue ground away behind a figure")
    key.add_argument("file", type=Path, metavar="FILE", help="a picture or clip")
    key.add_argument("--out", type=Path, required=True, help="a .mov with clear parts for a clip, a .png for a picture")
    for name in ("strength", "softness", "spill", "shadow"):
        key.add_argument(f"--{name}", type=float, default=getattr(KeySettings(), name), metavar="0..1")
    ground_help = "its colour, where it is not found by itself; 'person': whatever is behind a person"
    key.add_argument("--ground", default="", metavar="RRGGBB", help=ground_help)
    key.set_defaults(command=_key)

    clip = commands.add_parser("clip", help="take a clip onto the shelf and hear what is said in it")
    clip.add_argument("file", type=Path, metavar="FILE")
    clip.add_argument("--language", default="en", metavar="TAG", help="of what is said; all but English need --text")
    clip.add_argument("--text", type=Path, metavar="FILE", help="what is said, word for word")
    clip.add_argument("--script", type=Path, metavar="FILE", help="write it as a script whose words cut the clip")
    clip.add_argument("--json", action="store_true")
    clip.set_defaults(command=_clip)


def _import(options: argparse.Namespace) -> None:
    studio = Studio()
    items = []
    for path in options.files:
        item = studio.shelf.take(path, path.name)
        items.append({"id": item.id, "kind": item.kind, "file": path.name, "notes": list(item.notes)})
        for note in item.notes:
            print(f"dear-host: {path.name}: {note}", file=sys.stderr)
        if not options.json:
            print(f"{item.id}  {item.kind:8} {path.name}")
    if options.json:
        print_json({"items": items})


def _key(options: argparse.Namespace) -> None:
    given = {name: getattr(options, name) for name in ("strength", "softness", "spill", "shadow")}
    for name, value in given.items():
        if not 0 <= value <= 1:
            raise HostError(f"--{name} is from 0 to 1, not {value:g}.")
    ground = options.ground.lstrip("#").lower()
    if ground and ground != PERSON and not re.fullmatch("[0-9a-f]{6}", ground):
        raise HostError(f"--ground is a colour such as 3fb950, or {PERSON}, not '{options.ground}'.")
    studio = Studio()
    item = studio.shelf.take(options.file, options.file.name)
    made = studio.shelf.key(item.id, KeySettings(**given, ground=ground))
    for note in made.notes:
        print(f"dear-host: {options.file.name}: {note}", file=sys.stderr)
    write_clear(studio.shelf, made, options.out)
    print(f"{options.out}: {made.width}x{made.height}, {made.id}")


def _clip(options: argparse.Namespace) -> None:
    studio = Studio()
    item = studio.shelf.take(options.file, options.file.name)
    if item.kind != CLIP:
        raise HostError(f"'{options.file.name}' is a {item.kind}, not a clip. Choose moving pictures with sound.")
    text = options.text.read_text(encoding="utf-8") if options.text else ""
    clips = studio.speaker.clips
    known = clips.known(item.id) if not text else None
    heard = known or clips.hear(item.id, language=options.language, text=text)
    if options.script:
        name = item.name if not any(sign.isspace() for sign in item.name) else item.id
        scene = clip_scene(options.file.stem.replace("-", " ").capitalize(), name, heard)
        write_text(options.script, write_fountain(Script(scenes=(scene,)), CUE_KINDS))
    if options.json:
        print_json(_told(heard) | {"id": item.id, "width": item.width, "height": item.height, "rate": item.rate})
    elif not options.script:
        print(" ".join(word.text for word in heard.words))


def _told(heard: Transcript) -> dict[str, Any]:
    words = heard.words
    return {
        "language": heard.language,
        "duration": heard.seconds,
        "words": [{"text": w.text, "start": round(w.start, 4), "end": round(w.end, 4)} for w in words],
        "pauses": [{"start": round(p.start, 4), "end": round(p.end, 4)} for p in heard.pauses()],
        "fillers": [
            {"text": words[i].text, "start": round(words[i].start, 4), "end": round(words[i].end, 4)}
            for i in heard.hesitations()
        ],
        "restarts": [
            {
                "text": " ".join(words[i].text for i in span),
                "start": round(words[span[0]].start, 4),
                "end": round(words[span[-1]].end, 4),
            }
            for span in heard.restarts()
        ],
    }
