"""Commands about sound and captions: beds, own music at a length, short sounds, caption files, things for the shelf."""

from __future__ import annotations

import argparse
from dataclasses import asdict
from pathlib import Path
from typing import Any

from dearhost.cli.opening import opened_production
from dearhost.cli.output import print_json
from dearhost.errors import SoundError
from dearhost.films import CAPTION_KINDS, caption_file, cast_all
from dearhost.production import Studio
from dearhost.render.stems import KINDS as STEM_KINDS
from dearhost.render.stems import write_stems
from dearhost.sound import STINGS
from dearhost.sound.beds import LONGEST, MOODS, SHORTEST, STYLES, BedSpec
from dearhost.sound.files import read_stereo, write_stereo
from dearhost.stage import Timeline, compile_timeline
from dearhost.storage import write_bytes
from dearhost.timebase import FrameRate

_RATE = 48_000
_KEYS = ("C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B")


def register(commands: Any) -> None:
    """Add the commands to a parser."""
    bed = commands.add_parser("bed", help="make music to lie under a voice, exactly so long")
    bed.add_argument("--mood", choices=tuple(MOODS), default="calm")
    bed.add_argument("--style", default="felt-piano", help=", ".join(STYLES))
    bed.add_argument("--seconds", type=float, required=True, metavar=f"{SHORTEST:g}..{LONGEST:g}")
    bed.add_argument("--seed", type=int, default=1, help="which of them")
    bed.add_argument("--accents", default="", metavar="4.0,12.5", help="seconds at which a bar begins with an accent")
    bed.add_argument("--out", type=Path, required=True, help="a .wav or .flac")
    bed.add_argument("--json", action="store_true")
    bed.set_defaults(command=_bed)

    fit = commands.add_parser("fit", help="make own music exactly so long, joined to itself at beats")
    fit.add_argument("music", type=Path)
    fit.add_argument("--seconds", type=float, required=True)
    fit.add_argument("--out", type=Path, required=True, help="a .wav or .flac")
    fit.add_argument("--json", action="store_true")
    fit.set_defaults(command=_fit)

    stings = commands.add_parser("stings", help="list the short sounds, and those that go on")
    stings.add_argument("--json", action="store_true")
    stings.set_defaults(command=_stings)

    captions = commands.add_parser("captions", help="write the captions of a script's film")
    captions.add_argument("script", type=Path)
    captions.add_argument("--format", choices=tuple(CAPTION_KINDS), default="srt")
    captions.add_argument("--out", type=Path, required=True)
    captions.add_argument("--host", default="", metavar="ID")
    captions.add_argument("--voice", default="", metavar="ID")
    captions.set_defaults(command=_captions)

    stems = commands.add_parser("stems", help="write the sound of a script's film in its parts, with a cue sheet")
    stems.add_argument("script", type=Path)
    stems.add_argument("--out", type=Path, required=True, help="a folder")
    stems.add_argument("--kind", choices=STEM_KINDS, default="wav")
    stems.add_argument("--host", default="", metavar="ID")
    stems.add_argument("--voice", default="", metavar="ID")
    stems.add_argument("--json", action="store_true")
    stems.set_defaults(command=_stems)


def _bed(options: argparse.Namespace) -> None:
    # the instruments take 80 MB to load, and other commands never need them
    from dearhost.sound.beds.rendering import Bed  # noqa: PLC0415

    style = options.style.strip().lower().replace(" ", "-")
    try:
        accents = tuple(sorted(float(one) for one in options.accents.split(",") if one.strip()))
        bed = Bed(BedSpec(options.mood, style, options.seconds, options.seed, accents))
    except ValueError as error:
        raise SoundError(f"{error}.") from error
    write_stereo(options.out, bed.whole())
    score = bed.score
    made = {
        "duration": bed.count / _RATE,
        "key": _KEYS[score.key] + ("m" if score.mode == "aeolian" else ""),
        "tempo": round(score.grid.tempo, 2),
        "bars": len(score.grid.bars),
        "accents": [round(at, 4) for at in score.grid.accents],
    }
    if options.json:
        print_json(made)
    else:
        print(f"{options.out}: {made['duration']:.2f} s in {made['key']}, {made['tempo']:g} beats a minute")


def _fit(options: argparse.Namespace) -> None:
    from dearhost.sound.fitting import LONGEST as LONGEST_MUSIC  # noqa: PLC0415 - as above
    from dearhost.sound.fitting import fit  # noqa: PLC0415 - as above

    if not 1 <= options.seconds <= LONGEST:
        raise SoundError(f"Music can be made from 1 to {LONGEST:g} seconds long (asked for {options.seconds:g}).")
    fitted = fit(read_stereo(options.music, longest=LONGEST_MUSIC), options.seconds)
    write_stereo(options.out, fitted.samples)
    made = {
        "duration": len(fitted.samples) / _RATE,
        "tempo": round(fitted.tempo, 2),
        "joins": [asdict(join) for join in fitted.joins],
    }
    if options.json:
        print_json(made)
    else:
        print(f"{options.out}: {made['duration']:.2f} s, {len(fitted.joins)} joins")


def _stings(options: argparse.Namespace) -> None:
    rows: list[dict[str, Any]] = [
        {"name": n, "also": s.also.split(), "lasts": s.lasts, "caption": s.caption} for n, s in STINGS.items()
    ]
    if options.json:
        print_json({"stings": rows})
    else:
        for row in rows:
            print(f"{row['name']:12} {'goes on' if row['lasts'] else '':8} {' '.join(row['also'])}")


def _captions(options: argparse.Namespace) -> None:
    write_bytes(options.out, caption_file(_timeline(options, Studio()), options.format))
    print(options.out)


def _timeline(options: argparse.Namespace, studio: Studio) -> Timeline:
    """The film of the script a command is given."""
    production = opened_production(options.script, studio).checked(studio)
    production = cast_all(production, host=options.host, voice=options.voice)
    return compile_timeline(production, studio, FrameRate.of(30))


def _stems(options: argparse.Namespace) -> None:
    studio = Studio()
    timeline = _timeline(options, studio)
    options.out.mkdir(parents=True, exist_ok=True)
    names = {item.id: (item.name, item.author, item.licence) for item in studio.shelf.items()}
    written = write_stems(timeline, studio.shelf, options.out, options.kind, names)
    if options.json:
        print_json({"files": [str(path) for path in written], "seconds": round(timeline.duration, 3)})
    else:
        for path in written:
            print(path)
