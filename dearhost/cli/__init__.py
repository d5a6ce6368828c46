"""``dear-host``: the main job without a browser."""

from __future__ import annotations

import argparse
import signal
import sys
from collections.abc import Sequence
from importlib import import_module
from pathlib import Path

from dearhost.errors import DearHostError
from dearhost.storage import ensure_writable, explained

_MODULES = {
    "film_commands": ("render", "check", "hosts"),
    "speech_commands": ("speak", "mouth", "align", "match", "voices"),
    "staging_commands": ("sets", "layouts", "transitions", "looks", "patterns", "pictures", "still"),
    "shelf_commands": ("import", "key", "clip"),
    "sound_commands": ("bed", "fit", "stings", "captions", "stems"),
    "writing_commands": ("draft", "shorten", "points", "comments"),
    "upkeep_commands": ("backup", "restore"),
}
"""The commands of each module. Loading all of them takes seconds, so that one command loads its own alone."""


def main(arguments: Sequence[str] | None = None) -> int:
    """Run a command; returns 0 done, 1 failed with one line on stderr. Wrong use exits with 2."""
    given = sys.argv[1:] if arguments is None else list(arguments)
    options = build_parser(given[0] if given else "").parse_args(given)
    for end in (signal.SIGTERM, signal.SIGHUP):  # as Ctrl+C: nothing half done stays
        signal.signal(end, _interrupt)
    try:
        out = getattr(options, "out", None)
        if out is not None:  # before anybody waits for what cannot be kept
            ensure_writable(out)
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


def _interrupt(*_: object) -> None:
    raise KeyboardInterrupt


def build_parser(command: str = "") -> argparse.ArgumentParser:
    """The parser of one command, or of all where it is not one."""
    parser = argparse.ArgumentParser(
        prog="dear-host", description="A written script becomes a film in which a host speaks it."
    )
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    own = [module for module, names in _MODULES.items() if command in names]
    for module in own or _MODULES:
        import_module(f"dearhost.cli.{module}").register(commands)
    return parser
