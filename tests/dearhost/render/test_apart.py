"""Work in a process of its own: its progress comes back, stopping ends it, and nothing waits for it for ever."""

from __future__ import annotations

import os
import time
from functools import partial
from pathlib import Path

import pytest

from dearhost.errors import RenderStopped, StorageFull
from dearhost.render.subprocesses import Report, run_in_subprocess


def counting(told: Path, report: Report) -> None:
    told.write_text(str(os.getpid()))
    for number in range(3):
        report(number + 1, 3)


def ending_badly(report: Report) -> None:
    report(1, 2)
    raise StorageFull("The disk is full.")


def never_ending(told: Path, report: Report) -> None:
    told.write_text(str(os.getpid()))
    while True:
        report(1, 2)
        time.sleep(0.05)


def test_progress_comes_from_another_process(tmp_path: Path) -> None:
    seen: list[tuple[int, int]] = []
    assert run_in_subprocess(partial(counting, tmp_path / "told"), lambda done, total: seen.append((done, total)))
    assert seen[-1] == (3, 3) and int((tmp_path / "told").read_text()) != os.getpid()


def test_work_that_fails_is_said_to_have_failed(capfd: pytest.CaptureFixture[str]) -> None:
    assert not run_in_subprocess(ending_badly, lambda done, total: None)
    assert capfd.readouterr().err == "", "whoever does it again says why"


def test_whoever_stops_leaves_no_process_behind(tmp_path: Path) -> None:
    def stop(done: int, total: int) -> None:
        if total:
            raise RenderStopped("Stopped.")

    with pytest.raises(RenderStopped):
        run_in_subprocess(partial(never_ending, tmp_path / "told"), stop)
    with pytest.raises(ProcessLookupError):
        os.kill(int((tmp_path / "told").read_text()), 0)
