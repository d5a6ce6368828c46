"""``dear-host``: the main job without a browser."""

from __future__ import annotations

import argparse
import json
import os
import sys
import wave
from collections.abc import Sequence
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import DearHostError, UnreadableScript
from dearhost.films import (
    CAPTION_MODES,
    FRAME_RATES,
    FilmOrder,
    Studio,
    cast_all,
    make_film,
    running_time,
)
from dearhost.hosts import CAST, EXPRESSIONS, GESTURES, host_by_id
from dearhost.lips import MouthPhone, build_track, main_viseme, track_to_json
from dearhost.script import (
    Script,
    ensure_speakable,
    findings,
    open_script,
    placeholders,
    text_with_cues,
    word_index,
    words_of,
)
from dearhost.speech import Reading, timings_to_json
from dearhost.speech.joining import join_readings, relocated
from dearhost.stage import DEFAULT_HEIGHTS, FRAMINGS, SETS, SHAPES, Picture, Production
from dearhost.storage import explained, write_whole
from dearhost.timebase import FrameRate


def main(arguments: Sequence[str] | None = None) -> int:
    """Run a command; returns 0 done, 1 failed with one line on stderr. Wrong use exits with 2."""
    options = build_parser().parse_args(arguments)
    try:
        options.command(options)
    except DearHostError as error:
        print(f"dear-host: {error}", file=sys.stderr)
        return 1
    except OSError as error:
        better = explained(error, Path(str(error.filename or "the file")))
        reason = (
            better if isinstance(better, DearHostError) else f"{error.filename or 'a file'}: {error.strerror or error}"
        )
        print(f"dear-host: {reason}", file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        print("dear-host: stopped. Finished parts are kept; the same command goes on from there.", file=sys.stderr)
        return 1
    return 0


def build_parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="dear-host", description="A written script becomes a film in which a host speaks it."
    )
    commands = parser.add_subparsers(required=True, metavar="COMMAND")

    render = commands.add_parser("render", help="render a script to a film")
    render.add_argument("script", type=Path, help=".txt, .md or .fountain")
    render.add_argument("--out", type=Path, required=True, help="the film, an .mp4")
    render.add_argument("--host", default="", metavar="ID", help="who plays the first speaker (see 'dear-host hosts')")
    render.add_argument("--voice", default="", metavar="ID", help="the voice of every speaker (see 'dear-host voices')")
    render.add_argument("--shape", choices=SHAPES, default="16:9")
    render.add_argument("--height", type=_height, default=0, metavar="360..2160", help="pixels; 1080, or 1920 for 9:16")
    render.add_argument("--fps", type=int, choices=FRAME_RATES, default=30)
    render.add_argument("--captions", choices=CAPTION_MODES, default="burn")
    render.add_argument("--set", choices=tuple(SETS), default="museum", dest="stage_set")
    render.add_argument("--framing", choices=FRAMINGS, default="medium")
    render.add_argument("--json", action="store_true", help="print what was made as JSON")
    render.set_defaults(command=_render)

    speak = commands.add_parser("speak", help="speak a text or a script file")
    speak.add_argument("text", metavar="TEXT_OR_FILE")
    speak.add_argument("--out", type=Path, required=True, help="the sound, a .wav")
    speak.add_argument("--timings", type=Path, help="word and phone times, as JSON")
    speak.add_argument("--voice", default="", metavar="ID")
    speak.add_argument("--json", action="store_true", help="print the timings")
    speak.set_defaults(command=_speak)

    mouth = commands.add_parser("mouth", help="phone times into a mouth track")
    mouth.add_argument("timings", type=Path)
    mouth.add_argument("--fps", type=int, default=30, choices=FRAME_RATES)
    mouth.add_argument("--out", type=Path, required=True)
    mouth.add_argument("--json", action="store_true", help="print the track as well")
    mouth.set_defaults(command=_mouth)

    check = commands.add_parser("check", help="say what a script holds and what to look at")
    check.add_argument("script", type=Path)
    check.add_argument("--json", action="store_true")
    check.set_defaults(command=_check)

    for name, helps, command in (("voices", "list the voices", _voices), ("hosts", "list the hosts", _hosts)):
        listing = commands.add_parser(name, help=helps)
        listing.add_argument("--json", action="store_true")
        listing.set_defaults(command=command)
    return parser


def _height(text: str) -> int:
    try:
        value = int(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(f"must be a number of pixels (got '{text}')") from error
    if not 360 <= value <= 2160:
        raise argparse.ArgumentTypeError(f"must be from 360 to 2160 (got {value})")
    return value


def _print_json(data: Any) -> None:
    print(json.dumps(data, ensure_ascii=False, indent=2))


def _render(options: argparse.Namespace) -> None:
    studio = Studio()
    script = open_script(options.script)
    ensure_speakable(script)
    if options.host:
        host_by_id(options.host)
    production = Production(script, shape=options.shape, set=options.stage_set, framing=options.framing)
    production = cast_all(production.checked(studio.voices), host=options.host, voice=options.voice)
    picture = Picture.of(options.shape, options.height or DEFAULT_HEIGHTS[options.shape])
    order = FilmOrder(production, picture, FrameRate.of(options.fps), options.captions)
    progress = _Progress() if sys.stderr.isatty() else None
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
        _print_json(made)
    else:
        print(f"{options.out}: {made['seconds']} s, {picture.width}x{picture.height}, {report.frames} frames")
        for path in beside:
            print(path)


class _Progress:
    """One line on a terminal that is written over."""

    def __call__(self, fraction: float, seconds_left: float | None) -> None:
        left = "" if seconds_left is None else f", about {seconds_left:.0f} s left"
        end = "\n" if fraction >= 1 else ""
        print(f"\r{fraction:4.0%}{left}          ", end=end, file=sys.stderr, flush=True)


def _speak(options: argparse.Namespace) -> None:
    studio = Studio()
    voice = studio.voices.voice(options.voice) if options.voice else studio.voices.default()
    text, reading = _reading_of(options.text, studio, voice.id)
    for slot in placeholders(text):
        print(f"dear-host: '{text[slot.start : slot.end]}' is still open and was not spoken.", file=sys.stderr)
    pcm = (np.clip(reading.samples, -1, 1) * 32767).astype("<i2").tobytes()

    def write_sound(part: Path) -> None:
        with wave.open(str(part), "wb") as file:
            file.setnchannels(1)
            file.setsampwidth(2)
            file.setframerate(reading.sample_rate)
            file.writeframes(pcm)

    write_whole(options.out, write_sound)
    following = [p.symbol for p in reading.phones[1:]] + [""]
    visemes = [main_viseme(p.symbol, after) for p, after in zip(reading.phones, following, strict=True)]
    timings = timings_to_json(reading, visemes)
    if options.timings:
        _write_json(options.timings, timings)
    if options.json:
        _print_json(timings)
    else:
        print(f"{options.out}: {reading.duration:.2f} s, {len(reading.words)} words, voice {voice.id}")


def _reading_of(given: str, studio: Studio, voice: str) -> tuple[str, Reading]:
    """The text and its reading; a file is read as a script, with offsets into the file's text."""
    path = Path(given)
    try:
        is_file = path.is_file()
    except (OSError, ValueError):
        is_file = False
    if not is_file:
        if "\n" not in given and os.sep in given and path.suffix.lower() in (".txt", ".md", ".fountain"):
            raise UnreadableScript(f"'{given}' cannot be opened: there is no such file.")
        return given, studio.speaker.read(given, voice)
    script = open_script(path)
    ensure_speakable(script)
    text = path.read_text(encoding="utf-8-sig")
    readings = [studio.speaker.read(line.text, voice) for _, _, line in script.lines()]
    return text, relocated(join_readings(readings), text)


def _write_json(path: Path, data: Any) -> None:
    text = json.dumps(data, ensure_ascii=False)

    def write(part: Path) -> None:
        part.write_text(text, encoding="utf-8")

    write_whole(path, write)


def _mouth(options: argparse.Namespace) -> None:
    try:
        data = json.loads(options.timings.read_text(encoding="utf-8"))
        phones = [
            MouthPhone(str(p["symbol"]), float(p["start"]), float(p["end"]), int(p.get("stress", 1)))
            for p in data["phones"]
        ]
        duration = float(data["duration"])
        loudness = data.get("loudness")
        levels = np.array(loudness["decibels"], float) if loudness else None
        rate = float(loudness["rate"]) if loudness else 100.0
    except (ValueError, KeyError, TypeError, AttributeError, UnicodeDecodeError) as error:
        raise UnreadableScript(
            f"'{options.timings.name}' is no timings file ({error!r}). Make one with 'dear-host speak --timings'."
        ) from error
    frame_rate = FrameRate.of(options.fps)
    track = build_track(phones, duration, loudness=levels, loudness_rate=rate, frame_rate=frame_rate)
    made = track_to_json(track, frame_rate)
    _write_json(options.out, made)
    if options.json:
        _print_json(made)
    else:
        print(f"{options.out}: {len(track.frames(frame_rate))} frames")


def _check(options: argparse.Namespace) -> None:
    script = open_script(options.script)
    time = running_time(script, Studio())
    found = findings(script)
    if options.json:
        _print_json(
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


def _voices(options: argparse.Namespace) -> None:
    voices = Studio().voices.voices()
    if options.json:
        _print_json({"voices": [v.to_json() for v in voices]})
        return
    for voice in voices:
        print(f"{voice.id:16} {voice.name:10} {voice.language_name:28} {voice.description}")


def _hosts(options: argparse.Namespace) -> None:
    if options.json:
        hosts = [{"id": h.id, "name": h.name, "kind": h.kind, "description": h.description} for h in CAST.values()]
        _print_json({"hosts": hosts, "gestures": list(GESTURES), "expressions": list(EXPRESSIONS)})
        return
    for host in CAST.values():
        print(f"{host.id:10} {host.name:14} {host.description}")


if __name__ == "__main__":
    sys.exit(main())
