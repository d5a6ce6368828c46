"""``dear-host``: the main job without a browser."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Sequence
from pathlib import Path

from dearhost.cli import film_commands, speech_commands
from dearhost.errors import DearHostError
from dearhost.storage import explained


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

    film_commands.register(commands)
    speech_commands.register(commands)
    return parser
