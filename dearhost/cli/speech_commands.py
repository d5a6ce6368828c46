"""Commands about voices and what they say."""

from __future__ import annotations

import argparse
import os
import sys
from collections.abc import Callable
from datetime import date
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.cli.opening import opened_production
from dearhost.cli.output import ProgressLine, print_json, write_json
from dearhost.errors import ConsentError, UnreadableScript
from dearhost.films import FRAME_RATES
from dearhost.json_data import read_json
from dearhost.lips import MouthPhone, build_track, main_viseme, track_to_json
from dearhost.production import Studio, ensure_speakable, manner_in, open_script, voice_of
from dearhost.production.speech_markup import ENDINGS as MARKUP
from dearhost.script import placeholders
from dearhost.sound.files import read_sound, write_sound
from dearhost.speech import MANNERS, Delivery, Manner, Reading, plan_words, timings_to_json
from dearhost.speech.joining import join_readings, relocated
from dearhost.speech.matching import SampleSentence, consent_from_json, match_voice, save_voice
from dearhost.speech.recordings import recorded_reading
from dearhost.timebase import FrameRate


def register(commands: Any) -> None:
    """Add the commands to a parser."""
    speak = commands.add_parser("speak", help="speak a text or a script file")
    speak.add_argument("text", metavar="TEXT_OR_FILE")
    speak.add_argument("--out", type=Path, required=True, help="the sound, a .wav")
    speak.add_argument("--timings", type=Path, help="word and phone times, as JSON")
    speak.add_argument("--voice", default="", metavar="ID")
    speak.add_argument("--delivery", choices=tuple(MANNERS), default="neutral", help="how it is said")
    speak.add_argument("--strength", type=_within(0.0, 1.5), default=1.0, metavar="0..1.5", help="of the delivery")
    speak.add_argument("--pace", type=_within(0.5, 2.0), default=1.0, metavar="0.5..2", help="above 1 is faster")
    speak.add_argument("--pitch", type=_within(-12.0, 12.0), default=0.0, metavar="-12..12", help="semitones")
    speak.add_argument("--lasts", type=_within(0.3, 120.0), default=0.0, metavar="SECONDS", help="exactly so long")
    speak.add_argument(
        "--takes",
        type=int,
        choices=range(1, 10),
        default=1,
        metavar="1..9",
        help="so many different readings, numbered beside --out",
    )
    speak.add_argument("--json", action="store_true", help="print the timings")
    speak.set_defaults(command=_speak)

    mouth = commands.add_parser("mouth", help="phone times into a mouth track")
    mouth.add_argument("timings", type=Path)
    mouth.add_argument("--fps", type=int, default=30, choices=FRAME_RATES)
    mouth.add_argument("--out", type=Path, required=True)
    mouth.add_argument("--json", action="store_true", help="print the track as well")
    mouth.set_defaults(command=_mouth)

    align = commands.add_parser("align", help="find the words of a script in a recording of it")
    align.add_argument("audio", type=Path, help="WAV, FLAC, MP3, M4A, Ogg, or a video")
    align.add_argument("script", metavar="SCRIPT_OR_TEXT", help="a script file, or the words themselves")
    align.add_argument("--lang", default="en-US", help="the language spoken (BCP 47), such as es or de-DE")
    align.add_argument("--out", type=Path, required=True, help="word and phone times, as JSON")
    align.add_argument("--json", action="store_true", help="print the times as well")
    align.set_defaults(command=_align)

    match = commands.add_parser("match", help="match a voice to somebody's sample, with their consent")
    match.add_argument("samples", type=Path, nargs="+", help="recordings; NAME.txt beside NAME.wav holds its words")
    match.add_argument("--consent", type=Path, required=True, help="JSON: person, given_on, purpose, statement, until")
    match.add_argument("--name", default="", help="of the voice; the person's by default")
    match.add_argument("--out", type=Path, required=True, help="the voice, a .dhvoice")
    match.add_argument("--keep", action="store_true", help="also add it to the voices of this machine")
    match.add_argument("--json", action="store_true", help="print how close it came")
    match.set_defaults(command=_match)

    voices = commands.add_parser("voices", help="list the voices")
    voices.add_argument("--json", action="store_true")
    voices.set_defaults(command=_voices)


_MISSED = 0.02
"""Seconds by which a length is missed."""


def _within(low: float, high: float) -> Callable[[str], float]:
    def number(text: str) -> float:
        try:
            value = float(text)
        except ValueError as error:
            raise argparse.ArgumentTypeError(f"must be a number (got '{text}')") from error
        if not low <= value <= high:
            raise argparse.ArgumentTypeError(f"must be from {low:g} to {high:g} (got {value:g})")
        return value

    return number


def _speak(options: argparse.Namespace) -> None:
    studio = Studio()
    voice = studio.voices.voice(options.voice) if options.voice else studio.voices.default()
    made = []
    for take in range(options.takes):
        how = options.delivery, options.strength, options.pace, options.pitch
        delivery = Delivery(*how, variation=take, lasts=options.lasts)
        text, reading = _reading_of(options.text, studio, voice.id, Manner(delivery=delivery))
        if take == 0:
            for slot in placeholders(text):
                print(f"dear-host: '{text[slot.start : slot.end]}' is still open and was not spoken.", file=sys.stderr)
        out = options.out.with_stem(f"{options.out.stem}-{take + 1}") if options.takes > 1 else options.out
        write_sound(out, reading.samples, reading.sample_rate, kind="wav")
        timings = _timings(reading)
        if options.timings:
            path = options.timings
            write_json(path.with_stem(f"{path.stem}-{take + 1}") if options.takes > 1 else path, timings)
        made.append(timings)
        if options.lasts and reading.duration > options.lasts + _MISSED:
            missed = f"The text cannot be said in {options.lasts:g} s: it lasts {reading.duration:.2f} s."
            print(f"dear-host: {missed} Give it more, or cut it.", file=sys.stderr)
        if not options.json:
            print(f"{out}: {reading.duration:.2f} s, {len(reading.words)} words, voice {voice.id}")
    if options.json:
        print_json(made[0] if options.takes == 1 else {"takes": made})


def _timings(reading: Reading) -> dict[str, Any]:
    following = [p.symbol for p in reading.phones[1:]] + [""]
    visemes = [main_viseme(p.symbol, after) for p, after in zip(reading.phones, following, strict=True)]
    return timings_to_json(reading, visemes)


def _align(options: argparse.Namespace) -> None:
    studio = Studio()
    sound = read_sound(options.audio)
    if sound.note:
        print(f"dear-host: {sound.note}", file=sys.stderr)
    path = _script_file(options.script)
    if path:
        script = open_script(path)
        ensure_speakable(script)
        text = "\n".join(line.text for _, _, line in script.lines())
    else:
        text = options.script
    found = studio.speaker.aligner.align(sound.samples, sound.rate, text, options.lang)
    timings = _timings(recorded_reading(sound.samples, text, options.lang, found, {}))
    for word, time in zip(timings["words"], found.words, strict=True):
        word["confidence"], word["said"] = round(time.confidence, 2), time.said
    timings["method"] = found.method
    timings["added"] = [[round(span.start, 3), round(span.end, 3)] for span in found.added]
    write_json(options.out, timings)
    if options.json:
        print_json(timings)
        return
    written = plan_words(text, options.lang).written
    print(f"{options.out}: {len(found.words)} words, placed by {_METHODS[found.method]}")
    if found.skipped:
        print("not heard: " + ", ".join(written[i].text for i in found.skipped))
    for span in found.added:
        print(f"something else is said at {span.start:.1f} s")


_METHODS = {
    "model": "the acoustic model",
    "reference": "comparison with a reading of the same text",
    "even": "guess: the words could not be found, and are spread evenly",
}


def _match(options: argparse.Namespace) -> None:
    studio = Studio()
    try:
        data = read_json(options.consent.read_bytes())
    except (ValueError, UnicodeDecodeError) as error:
        raise ConsentError(f"'{options.consent.name}' is no JSON file with a consent in it.") from error
    if not isinstance(data, dict):
        raise ConsentError(f"'{options.consent.name}' must hold one consent: person, given_on, purpose, statement.")
    consent = consent_from_json(data)
    problem = consent.problem(date.today())
    if problem:
        raise ConsentError(problem)
    sample = []
    for path in options.samples:
        sound = read_sound(path)
        words = path.with_suffix(".txt")
        text = words.read_text(encoding="utf-8").strip() if words.exists() else ""
        sample.append(SampleSentence(sound.samples, sound.rate, text))
    line = ProgressLine() if sys.stderr.isatty() else None

    def progress(part: float, what: str) -> None:
        if line:
            line(part, None)

    name, draft, registry = options.name or consent.person, studio.speaker.aligner.draft, studio.voices
    voice = match_voice(name, sample, consent, registry.bases(), progress, draft, registry.near_voices())
    save_voice(options.out, voice)
    if options.keep:
        studio.voices.matched.keep(voice)
    close = voice.closeness
    if options.json:
        print_json(
            {
                "id": voice.id,
                "out": str(options.out),
                "closed": round(close.closed, 3),
                "before_db": close.before,
                "after_db": close.after,
                "same_words": close.same,
                "pitch": close.pitch,
                "pitch_wanted": close.pitch_wanted,
                "seconds": voice.seconds,
            }
        )
        return
    print(f"{options.out}: a voice match of {consent.person} from {voice.seconds:.0f} s of speech")
    print(f"{close.before:.1f} dB from the person before, {close.after:.1f} dB now; {close.closed:.0%} of the way")
    if not close.same:
        print("That is by the sound as a whole, for want of words, and flatters: put NAME.txt beside NAME.wav.")
    print("It is a likeness, not a copy: accent and melody stay those of the base voice.")


def _script_file(given: str) -> Path | None:
    """The file that is meant, None for words. Raises UnreadableScript for a file that is not there."""
    path = Path(given)
    try:
        if path.is_file():
            return path
    except (OSError, ValueError):
        return None
    if "\n" not in given and os.sep in given and path.suffix.lower() in (".txt", ".md", ".fountain", *MARKUP):
        raise UnreadableScript(f"'{given}' cannot be opened: there is no such file.")
    return None


def _reading_of(given: str, studio: Studio, voice: str, manner: Manner) -> tuple[str, Reading]:
    """The text and its reading; a file is read as a script, with offsets into the file's text."""
    path = _script_file(given)
    if path is None:
        return given, studio.speaker.read(given, voice, manner)
    production = opened_production(path, studio).checked(studio)
    lines = [line for _, _, line in production.script.lines()]
    ensure_speakable(production.script)
    if path.suffix.lower() in MARKUP:  # says itself who speaks, and how
        text = "\n".join(line.text for line in lines)
        readings = [
            studio.speaker.read(line.text, voice_of(production, line, studio.voices), manner_in(production, line))
            for line in lines
        ]
    else:
        text = path.read_text(encoding="utf-8-sig")
        readings = [studio.speaker.read(line.text, voice, manner) for line in lines]
    return text, relocated(join_readings(readings), text)


def _mouth(options: argparse.Namespace) -> None:
    try:
        data = read_json(options.timings.read_bytes())
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
    write_json(options.out, made)
    if options.json:
        print_json(made)
    else:
        print(f"{options.out}: {len(track.frames(frame_rate))} frames")


def _voices(options: argparse.Namespace) -> None:
    voices = Studio().voices.voices()
    if options.json:
        print_json({"voices": [v.to_json() for v in voices]})
        return
    for voice in voices:
        print(f"{voice.id:16} {voice.name:10} {voice.language_name:28} {voice.description}")
