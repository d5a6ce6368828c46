"""Commands about writing: drafts from a brief, a script made shorter, points of a document, comments."""

from __future__ import annotations

import argparse
import tomllib
from pathlib import Path
from typing import Any

from dearhost.cli.opening import opened_production
from dearhost.cli.output import print_json
from dearhost.errors import WritingError
from dearhost.production import Studio, write_markdown
from dearhost.script import Brief, bytes_of, placeholders, text_of_file
from dearhost.storage import write_text
from dearhost.writing.audience import Audience, Concern, read_audience
from dearhost.writing.brief_reading import read_brief
from dearhost.writing.comments import cleaned_comments, pasted, read_table
from dearhost.writing.draft_script import script_of
from dearhost.writing.drafts import Draft, clock, draft_all
from dearhost.writing.key_points import key_points
from dearhost.writing.language import ensure_english
from dearhost.writing.pace import Pace
from dearhost.writing.reworking.script_rework import shortened_script
from dearhost.writing.structures import STRUCTURES

_TEXTS = ("topic", "purpose", "audience", "channel", "tone", "sample")
_USUAL_SECONDS = 60.0


def register(commands: Any) -> None:
    """Add the commands to a parser."""
    draft = commands.add_parser("draft", help="drafts of a script from a brief")
    draft.add_argument("brief", type=Path, help="TOML: topic, purpose, audience, channel, tone, seconds, call, sample, "
                                                "points, comments")  # fmt: skip
    draft.add_argument("--structure", choices=tuple(STRUCTURES), help="only this one")
    draft.add_argument("--seconds", type=_seconds, help="the length, instead of the brief's")
    draft.add_argument("--seed", type=int, default=0, help="another number, other drafts")
    draft.add_argument("--speakers", default="", metavar="A,B", help="who speaks")
    draft.add_argument("--out", type=Path, help="the best draft, a .md")
    draft.add_argument("--json", action="store_true")
    draft.set_defaults(command=_draft)

    shorten = commands.add_parser("shorten", help="a script shortened to a length")
    shorten.add_argument("script", type=Path)
    shorten.add_argument("--seconds", type=_seconds, required=True, help="the length wanted")
    shorten.add_argument("--brief", type=Path, help="its points stay said; those of the script's file by default")
    shorten.add_argument("--out", type=Path, help="the shorter script, a .md")
    shorten.add_argument("--json", action="store_true")
    shorten.set_defaults(command=_shorten)

    points = commands.add_parser("points", help="the key points of a document")
    points.add_argument("document", type=Path, help="HTML, Word, PDF with text, Markdown, plain text")
    points.add_argument("--most", type=int, default=8, choices=range(1, 41), metavar="1..40")
    points.add_argument("--json", action="store_true")
    points.set_defaults(command=_points)

    comments = commands.add_parser("comments", help="what an audience says, in its own words")
    comments.add_argument("comments", type=Path, help="a CSV, or a text with a comment a line")
    comments.add_argument("--column", default="", help="of the CSV; the one with most words by default")
    comments.add_argument("--brief", type=Path, help="what answers them")
    comments.add_argument("--json", action="store_true")
    comments.set_defaults(command=_comments)


def _seconds(text: str) -> float:
    try:
        seconds = float(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError("seconds are a number, such as 30") from error
    if not 3 <= seconds <= 3600:
        raise argparse.ArgumentTypeError("seconds are from 3 to 3600")
    return seconds


def read_brief_file(path: Path) -> Brief:
    """The brief in a TOML file. Raises WritingError, naming what is wrong."""
    try:
        data = tomllib.loads(bytes_of(path).decode("utf-8"))
    except (tomllib.TOMLDecodeError, UnicodeDecodeError) as error:
        raise WritingError(f"'{path.name}' is not TOML in UTF-8: {error}.") from error
    unknown = sorted(set(data) - {*_TEXTS, "seconds", "call", "points", "comments"})
    if unknown:
        raise WritingError(f"'{path.name}' holds “{unknown[0]}”, which a brief does not have.")
    for name in (*_TEXTS, "call"):
        if not isinstance(data.get(name, ""), str):
            raise WritingError(f"“{name}” in '{path.name}' must be a text in quotation marks.")
    for name in ("points", "comments"):
        found = data.get(name, [])
        if not isinstance(found, list) or not all(isinstance(text, str) for text in found):
            raise WritingError(f'“{name}” in \'{path.name}\' must be a list of texts: ["one", "two"].')
    seconds = data.get("seconds", 0)
    if isinstance(seconds, bool) or not isinstance(seconds, int | float) or not 0 <= seconds <= 3600:
        raise WritingError(f"“seconds” in '{path.name}' must be a number from 0 to 3600.")
    if not data.get("topic", "").strip():
        raise WritingError(f"'{path.name}' does not say what it is about: add topic = \"...\".")
    return Brief(
        **{name: data.get(name, "") for name in _TEXTS},
        own_words="\n".join(" ".join(text.split()) for text in data.get("comments", [])),
        call_to_action=data.get("call", ""),
        points=tuple(data.get("points", [])),
        target=float(seconds),
    )


def _draft(options: argparse.Namespace) -> None:
    brief = read_brief_file(options.brief)
    ensure_english(" ".join((*brief.points, brief.purpose)))
    speakers = [name.strip() for name in options.speakers.split(",") if name.strip()]
    read = read_brief(brief, speakers)
    target = options.seconds or brief.target or _USUAL_SECONDS
    chosen = None if options.structure is None else [options.structure]
    made = draft_all(read, target, options.seed, chosen)
    scripts = [script_of(draft, read) for draft in made.drafts]
    if options.out is not None:
        if not scripts:
            raise WritingError(f"No draft can be offered. {made.held_back[0].reason}")
        write_text(options.out, write_markdown(scripts[0]))
    if options.json:
        drafts = [
            _draft_json(draft, write_markdown(script)) for draft, script in zip(made.drafts, scripts, strict=True)
        ]
        held_back = [{"structure": held.structure, "reason": held.reason} for held in made.held_back]
        print_json({"drafts": drafts, "held_back": held_back})
        return
    for draft, script in zip(made.drafts, scripts, strict=True):
        open_time = f", {clock(draft.open_seconds)} open" if draft.open_seconds else ""
        said = f"{len(draft.points)} of {len(read.points)} points"
        print(f"== {STRUCTURES[draft.structure].name}: {clock(draft.seconds)}{open_time}, {said}\n")
        print(write_markdown(script))
    for held in made.held_back:
        print(f"{STRUCTURES[held.structure].name}: {held.reason}")


def _draft_json(draft: Draft, text: str) -> dict[str, Any]:
    return {
        "structure": draft.structure,
        "seconds": round(draft.seconds, 1),
        "text": text,
        "points": [number + 1 for number in draft.points],
        "open": [text[slot.start : slot.end] for slot in placeholders(text)],
    }


def _shorten(options: argparse.Namespace) -> None:
    production = opened_production(options.script, Studio())
    brief = read_brief_file(options.brief) if options.brief is not None else production.brief
    ensure_english(" ".join(line.text for _, _, line in production.script.lines()))
    made = shortened_script(production.script, options.seconds, Pace(), brief.points)
    if options.out is not None:
        write_text(options.out, write_markdown(made.script))
    if options.json:
        sentences = [{"before": c.before, "after": c.after, "rule": c.rule} for c in made.changes]
        print_json({"before": round(made.before, 1), "after": round(made.after, 1), "sentences": sentences})
        return
    print(f"{clock(made.before)} before, {clock(made.after)} after\n")
    for change in made.changes:
        if change.before != change.after:
            print(f"- {change.before}\n+ {change.after}   ({change.rule})")


def _points(options: argparse.Namespace) -> None:
    text = text_of_file(bytes_of(options.document), options.document.name)
    found = key_points(text, options.document.stem.replace("_", " "), options.most)
    if not found.points:
        raise WritingError(f"'{options.document.name}' holds no whole sentence to take points from.")
    if options.json:
        print_json({"points": [{"text": point.text, "source": point.source} for point in found.points]})
        return
    for number, point in enumerate(found.points, 1):
        print(f"{number}. {point.text}")
        if point.text.rstrip(".") != point.source.rstrip("."):
            print(f"   from: {point.source}")


def _comments(options: argparse.Namespace) -> None:
    text = text_of_file(bytes_of(options.comments), options.comments.name)
    table = options.comments.suffix.lower() in (".csv", ".tsv") or bool(options.column)
    found = cleaned_comments(read_table(text).column(options.column) if table else pasted(text))
    points = read_brief_file(options.brief).points if options.brief is not None else ()
    audience = read_audience(found.texts, points)
    if options.json:
        print_json(_audience_json(audience))
        return
    for theme in audience.themes:
        print(f"{theme.count:4} {theme.concern.value}: “{audience.comments[theme.best]}”")
    for index in audience.unserved:
        print(f"Nobody answers: “{audience.comments[index]}”")


def _audience_json(audience: Audience) -> dict[str, Any]:
    undecided = [i for i, concern in enumerate(audience.concerns) if concern is Concern.UNDECIDED]
    return {
        "themes": [
            {
                "kind": theme.concern.value,
                "name": theme.name,
                "count": theme.count,
                "phrases": list(theme.phrases),
                "comments": [audience.comments[index] for index in theme.comments],
            }
            for theme in audience.themes
        ],
        "unserved": [audience.comments[index] for index in audience.unserved],
        "undecided": [audience.comments[index] for index in undecided],
        "words": [{"text": words.text, "count": len(words.comments)} for words in audience.words],
    }
