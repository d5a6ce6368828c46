"""Commands about sound and captions: beds, own music at a length, short sounds, caption files, things for the shelf."""

from __future__ import annotations

import argparse
import sys
from dataclasses import asdict
from pathlib import Path
from typing import Any

import av
import numpy as np

from dearhost.cli.opening import opened_production
from dearhost.cli.output import print_json
from dearhost.errors import SoundError
from dearhost.films import CAPTION_KINDS, caption_text, cast_all
from dearhost.production import Studio
from dearhost.sound import STINGS
from dearhost.sound.beds import LONGEST, MOODS, SHORTEST, STYLES, BedSpec
from dearhost.stage import compile_timeline
from dearhost.storage import write_text, write_whole
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

    bring = commands.add_parser("import", help="take pictures, clips and sounds onto the shelf")
    bring.add_argument("files", type=Path, nargs="+", metavar="FILE")
    bring.add_argument("--json", action="store_true")
    bring.set_defaults(command=_import)


def _bed(options: argparse.Namespace) -> None:
    # the instruments take 80 MB to load, and other commands never need them
    from dearhost.sound.beds.rendering import Bed  # noqa: PLC0415

    style = options.style.strip().lower().replace(" ", "-")
    try:
        accents = tuple(sorted(float(one) for one in options.accents.split(",") if one.strip()))
        bed = Bed(BedSpec(options.mood, style, options.seconds, options.seed, accents))
    except ValueError as error:
        raise SoundError(f"{error}.") from error
    _write(options.out, bed.whole())
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
    from dearhost.sound.fitting import fit, read_music  # noqa: PLC0415 - as above

    if not 1 <= options.seconds <= LONGEST:
        raise SoundError(f"Music can be made from 1 to {LONGEST:g} seconds long (asked for {options.seconds:g}).")
    fitted = fit(read_music(options.music), options.seconds)
    _write(options.out, fitted.samples)
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
    studio = Studio()
    production = opened_production(options.script, studio).checked(studio)
    production = cast_all(production, host=options.host, voice=options.voice)
    timeline = compile_timeline(production, studio, FrameRate.of(30))
    write_text(options.out, caption_text(timeline, options.format))
    print(options.out)


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


def _write(path: Path, samples: np.ndarray) -> None:
    """Two channels, shape (n, 2), as WAV or FLAC by the name's ending."""
    kind = path.suffix.lower().lstrip(".")
    codecs = {"wav": "pcm_s16le", "flac": "flac"}
    if kind not in codecs:
        raise SoundError(f"Sound can be written as .wav or .flac, not as '.{kind}'. Name it so.")
    whole = np.clip(np.rint(samples * 32767), -32768, 32767).astype(np.int16)

    def write(part: Path) -> None:
        with av.open(str(part), "w", format=kind) as container:
            stream: Any = container.add_stream(codecs[kind], rate=_RATE)
            stream.codec_context.layout = "stereo"
            for first in range(0, len(whole), _RATE):
                packed = np.ascontiguousarray(whole[first : first + _RATE]).reshape(1, -1)
                frame = av.AudioFrame.from_ndarray(packed, format="s16", layout="stereo")
                frame.sample_rate, frame.pts = _RATE, first
                container.mux(stream.encode(frame))
            container.mux(stream.encode(None))

    write_whole(path, write)
