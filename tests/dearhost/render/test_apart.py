"""Work in a process of its own: its progress comes back, stopping ends it, and nothing waits for it for ever."""

from __future__ import annotations

import os
import subprocess
import sys
import time
from collections.abc import Callable
from functools import partial
from pathlib import Path

import psutil
import pytest

from dearhost.errors import RenderStopped, StorageFull
from dearhost.render.subprocesses import Report, run_in_subprocess
from tests.data_folder import ROOT


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


DRAWS = """
import sys
from functools import partial
from pathlib import Path
from dearhost.render.subprocesses import run_in_subprocess
from tests.dearhost.render.test_apart import busy

if __name__ == "__main__":
    run_in_subprocess(partial(busy, Path(sys.argv[1])), lambda done, total: None)
"""


def busy(told: Path, report: Report) -> None:
    """Never looks up from its work, and never reports."""
    told.write_text(str(os.getpid()))
    while True:
        sum(range(100_000))


def test_a_process_ends_with_the_one_that_asked_for_it(tmp_path: Path) -> None:
    told, script = tmp_path / "told", tmp_path / "draws.py"
    script.write_text(DRAWS)
    asking = subprocess.Popen([sys.executable, str(script), str(told)], env={**os.environ, "PYTHONPATH": str(ROOT)})
    try:
        wait_for(lambda: told.exists() and told.read_text() != "", 60)
        drawing = psutil.Process(int(told.read_text()))
    finally:
        asking.kill()  # no chance to say goodbye
        asking.wait(10)
    wait_for(lambda: not drawing.is_running() or drawing.status() == psutil.STATUS_ZOMBIE, 5)


def wait_for(true: Callable[[], bool], seconds: float) -> None:
    until = time.monotonic() + seconds
    while not true():
        assert time.monotonic() < until
        time.sleep(0.05)
