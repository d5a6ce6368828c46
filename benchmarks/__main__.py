"""``python -m benchmarks [NAME …]``: all of them, or those named (``BENCHMARKS`` below)."""

from __future__ import annotations

import sys
import tempfile
from pathlib import Path

from benchmarks import drafts, editing, films, footage, full_voices, heard_words, long_day, users, voices, writing
from dearhost.production import data_folder

BENCHMARKS = {
    "film": films.film_against_encoding,
    "staged": films.staged_against_encoding,
    "footage": films.footage_against_encoding,
    "any-frame": footage.frames_at_random,
    "host": films.host_against_encoding,
    "change": editing.changed_word,
    "still": editing.stills,
    "resume": films.killed_worker,
    "write": writing.prompt_book,
    "memory": films.memory_of_ten_minutes,
    "users": users.ten_users,
    "long-day": long_day.long_day,
    "drafts": drafts.drafts_read_aloud,
    "draft-speed": drafts.writing_speed,
    "speak": voices.speaking,
    "full": full_voices.full_against_quick,
    "full-words": full_voices.words_of_full_voices,
    "full-apart": full_voices.voices_apart,
    "full-heard": heard_words.heard_words,
    "align": voices.aligning,
    "match": voices.matching,
}


def main() -> None:
    """Measure in a folder of its own, with the fonts and models of the set-up."""
    chosen = sys.argv[1:] or list(BENCHMARKS)
    unknown = [name for name in chosen if name not in BENCHMARKS]
    if unknown:
        raise SystemExit(f"No benchmark '{unknown[0]}'. There are: {', '.join(BENCHMARKS)}.")
    with tempfile.TemporaryDirectory(prefix="dear-host-bench-") as name:
        folder = Path(name)
        (folder / "fonts").symlink_to(data_folder().resolve() / "fonts")
        for benchmark in chosen:
            print(f"\n{benchmark}", flush=True)
            for row in BENCHMARKS[benchmark](folder):
                print(f"  {row}", flush=True)


if __name__ == "__main__":
    main()
