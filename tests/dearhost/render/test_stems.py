"""The sound of a film in its parts: as long as the film, together the film, each named on the cue sheet."""

from __future__ import annotations

import csv
import io
from pathlib import Path

import numpy as np
import pytest

from dearhost.errors import RenderError
from dearhost.production import Studio, read_script
from dearhost.render.soundtrack import film_tracks
from dearhost.render.stems import cue_sheet, write_stems
from dearhost.sound import mix
from dearhost.sound.files import read_stereo
from dearhost.stage import Timeline, compile_timeline
from dearhost.timebase import FrameRate
from tests.clips import counted, write_clip
from tests.conftest import with_tones

TEXT = (
    "# One\n\nMAREN: [[cue: sound bell]]Mama may bring a boat.\n\n# Two\n\n"
    "MAREN: [[cue: sound rain]]Papa mends the map[[/cue]] of the bay."
)


@pytest.fixture(scope="module")
def clip(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    path = write_clip(tmp_path_factory.mktemp("clips") / "quay.mp4", counted(50), rate=25, sound=True)
    return studio.shelf.take(path, path.name).id


@pytest.fixture(scope="module")
def film(studio: Studio, clip: str) -> Timeline:
    production = with_tones(read_script(TEXT), bed="calm", bed_style="nylon", set=clip, own_sound="under")
    return compile_timeline(production, studio, FrameRate.of(30))


@pytest.mark.parametrize("kind", ["wav", "flac"])
def test_parts_are_as_long_as_the_film_and_together_the_film(
    studio: Studio, film: Timeline, tmp_path: Path, kind: str
) -> None:
    written = write_stems(film, studio.shelf, tmp_path, kind, {})
    parts = [path for path in written if path.suffix == f".{kind}"]
    assert {path.stem for path in parts} == {"voice", "stings", "bed", "footage"}
    sounds = [read_stereo(path) for path in parts]
    assert {len(sound) for sound in sounds} == {round(film.duration * 48_000)}
    whole = mix(film_tracks(film, studio.shelf), film.duration, 48_000)
    assert np.abs(sum(sounds)[:, 0] - whole.left).max() < 4 / 32767
    assert np.abs(sum(sounds)[:, 1] - whole.right).max() < 4 / 32767


def test_the_cue_sheet_says_what_is_heard_when_and_whose_it_is(film: Timeline, clip: str) -> None:
    rows = list(csv.DictReader(io.StringIO(cue_sheet(film, {clip: ("The quay", "N. Tarn", "CC BY 4.0")}))))
    by_part = {part: [row for row in rows if row["part"] == part] for part in ("bed", "stings", "footage")}
    assert [row["title"] for row in by_part["bed"]] == ["calm, nylon plucks, number 1"]
    assert float(by_part["bed"][0]["ends"]) == pytest.approx(film.duration, abs=0.01)
    bell, rain = by_part["stings"]
    assert (bell["title"], rain["title"]) == ("bell", "rain")
    assert float(rain["ends"]) > float(rain["begins"]) > film.scenes[1].start
    assert {(row["title"], row["author"], row["licence"]) for row in by_part["footage"]} == {
        ("The quay", "N. Tarn", "CC BY 4.0")
    }
    assert [float(row["begins"]) for row in rows] == sorted(float(row["begins"]) for row in rows)


def test_there_is_no_other_kind(studio: Studio, film: Timeline, tmp_path: Path) -> None:
    with pytest.raises(RenderError, match="wav or flac"):
        write_stems(film, studio.shelf, tmp_path, "mp3", {})
    assert list(tmp_path.iterdir()) == []
