"""Commands about scripts, films and hosts."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path
from typing import Any

from dearhost.cli.opening import opened_production
from dearhost.cli.output import ProgressLine, print_json
from dearhost.cli.staging_commands import looking
from dearhost.films import CAPTION_MODES, FRAME_RATES, FilmOrder, cast_all, make_film, running_time
from dearhost.hosts import CAST, EXPRESSIONS, GESTURES
from dearhost.production import (
    FRAMINGS,
    LOOKS,
    SETS,
    SHAPES,
    Studio,
    ensure_speakable,
    findings,
    text_with_cues,
    with_choices,
)
from dearhost.production.choices import CAPTION_STYLES
from dearhost.script import Script, word_index, words_of
from dearhost.sound.beds import MOODS, STYLES
from dearhost.stage import DEFAULT_HEIGHTS, Picture
from dearhost.timebase import FrameRate


def register(commands: Any) -> None:
    """Add the commands to a parser."""
    render = commands.add_parser("render", help="render a script to a film")
    render.add_argument("script", type=Path, help=".txt, .md, .fountain, .docx, .ssml, or a whole production")
    render.add_argument(
        "--out", type=Path, required=True, help="the film: .mp4, or .webm or .mov without the set, transparent"
    )
    render.add_argument("--host", default="", metavar="ID", help="who plays the first speaker (see 'dear-host hosts')")
    render.add_argument("--voice", default="", metavar="ID", help="the voice of every speaker (see 'dear-host voices')")
    render.add_argument("--shape", choices=tuple(SHAPES), default="", help="16:9 by default")
    render.add_argument("--height", type=_height, default=0, metavar="360..2160", help="pixels; 1080, or 1920 for 9:16")
    render.add_argument("--fps", type=int, choices=FRAME_RATES, default=30)
    render.add_argument("--captions", choices=CAPTION_MODES, default="burn")
    render.add_argument("--set", choices=tuple(SETS), default="", dest="stage_set")
    render.add_argument("--look", choices=tuple(LOOKS), default="", help="see 'dear-host looks'")
    render.add_argument("--bed", choices=tuple(MOODS), default="", help="music under the voice")
    render.add_argument("--bed-style", choices=tuple(STYLES), default="", help="what plays it")
    render.add_argument("--captions-style", choices=tuple(CAPTION_STYLES), default="")
    render.add_argument("--framing", choices=tuple(FRAMINGS), default="")
    render.add_argument("--json", action="store_true", help="print what was made as JSON")
    render.set_defaults(command=_render)

    check = commands.add_parser("check", help="say what a script holds and what to look at")
    check.add_argument("script", type=Path)
    check.add_argument("--json", action="store_true")
    check.set_defaults(command=_check)

    hosts = commands.add_parser("hosts", help="list the hosts")
    hosts.add_argument("--json", action="store_true")
    hosts.set_defaults(command=_hosts)


def _height(text: str) -> int:
    try:
        value = int(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(f"must be a number of pixels (got '{text}')") from error
    if not 360 <= value <= 2160:
        raise argparse.ArgumentTypeError(f"must be from 360 to 2160 (got {value})")
    return value


def _render(options: argparse.Namespace) -> None:
    studio = Studio()
    opened = looking(opened_production(options.script, studio), options.look)
    ensure_speakable(opened.script)
    if options.host:
        studio.hosts.host(options.host)
    chosen = {
        "shape": options.shape, "set": options.stage_set, "framing": options.framing, "bed": options.bed,
        "bed_style": options.bed_style, "caption_style": options.captions_style,
    }  # fmt: skip
    production = with_choices(opened, **{name: value for name, value in chosen.items() if value})
    production = cast_all(production.checked(studio), host=options.host, voice=options.voice)
    shape = production.choices.shape
    picture = Picture.of(shape, options.height or DEFAULT_HEIGHTS[shape])
    form = options.out.suffix.lower().lstrip(".") or "mp4"
    order = FilmOrder(production, picture, FrameRate.of(options.fps), options.captions, form)
    progress = ProgressLine() if sys.stderr.isatty() else None
    report, beside = make_film(order, options.out, studio, progress=progress)
    made = {
        "out": str(options.out),
        "frames": report.frames,
        "seconds": round(report.seconds, 3),
        "width": picture.width,
        "height": picture.height,
        "fps": options.fps,
        "captions": [str(p) for p in beside],
        "chunks": report.chunks,
        "chunks_rendered": report.chunks_rendered,
    }
    if options.json:
        print_json(made)
    else:
        print(f"{options.out}: {made['seconds']} s, {picture.width}x{picture.height}, {report.frames} frames")
        for path in beside:
            print(path)


def _check(options: argparse.Namespace) -> None:
    studio = Studio()
    production = opened_production(options.script, studio)
    script = production.script
    time = running_time(script, studio, production)
    found = findings(script)
    if options.json:
        print_json(
            {
                "title": script.title,
                "words": time.words,
                "seconds": time.seconds,
                "estimated": time.estimated,
                "scenes": _scenes_json(script),
                "findings": [f.to_json() for f in found],
            }
        )
        return
    about = "about " if time.estimated else ""
    minutes, seconds = divmod(int(time.seconds), 60)
    print(f"{time.words} words, {about}{minutes}:{seconds:02d}, {len(script.scenes)} scenes")
    for scene in script.scenes:
        print(f"\n{scene.heading or '(no heading)'}")
        for line in scene.lines:
            print(f"  {line.speaker + ': ' if line.speaker else ''}{text_with_cues(line)}")
    for finding in found:
        print(f"\n{finding.message}")


def _scenes_json(script: Script) -> list[dict[str, Any]]:
    return [
        {
            "heading": scene.heading,
            "lines": [
                {
                    "speaker": line.speaker,
                    "text": line.text,
                    "words": [{"text": w.text, "from": w.start, "to": w.end} for w in words_of(line.text)],
                    "cues": [
                        {"kind": cue.kind, "parameters": dict(cue.parameters), "word": word_index(line, cue)}
                        for cue in line.cues
                    ],
                }
                for line in scene.lines
            ],
            "directions": [b.text for b in scene.blocks if b not in scene.lines],
        }
        for scene in script.scenes
    ]


def _hosts(options: argparse.Namespace) -> None:
    if options.json:
        hosts = [{"id": h.id, "name": h.name, "kind": h.kind, "description": h.card.description} for h in CAST.values()]
        print_json({"hosts": hosts, "gestures": list(GESTURES), "expressions": list(EXPRESSIONS)})
        return
    for host in CAST.values():
        print(f"{host.id:10} {host.name:14} {host.card.description}")
