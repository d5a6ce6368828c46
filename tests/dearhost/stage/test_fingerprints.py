"""Names of pictures cannot forget: they change with every field that is painted, and versions with the pixels."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Iterator
from dataclasses import fields, is_dataclass, replace
from pathlib import Path
from typing import Any

import numpy as np
import pytest
import skia

from dearhost.hosts import VERSION as HOSTS_VERSION
from dearhost.lips import VERSION as LIPS_VERSION
from dearhost.production import CHOICES, Studio, Touches, read_script
from dearhost.script import Cue, Spot
from dearhost.stage import Painter, Picture, SceneTimeline, Timeline, compile_timeline
from dearhost.stage.fingerprints import NOT_SEEN, SETS_VERSION, VERSION
from dearhost.storage import to_jsonable
from dearhost.timebase import FrameRate, Span
from tests.conftest import staging, with_tones

RATE = FrameRate.of(30)
KEPT = Path(__file__).with_name("kept_frames.json")
FULL = """# The pier

MAREN: [[cue: wave left]]Hello, [[cue: picture boat]]mama. Maybe[[/cue]] not. [[cue: sound bell]]Papa mends it.

SKERRY: [[cue: sad]]I do not. [[cue: close-up]]Never, ever. [[cue: title text="A map"]]Thank you all.

MAREN: [[cue: take globe]]Look [[cue: eyes partner]]here. [[cue: walk-out]]Goodbye.
"""


@pytest.fixture(scope="module")
def scene(studio: Studio) -> SceneTimeline:
    """A scene that has something of everything."""
    script = read_script(FULL.replace("globe", "map"))
    own = staging(furniture="desk", camera="push", blocking={"MAREN": Spot(0.3, 1.2, 1)})
    script = replace(script, scenes=(replace(script.scenes[0], staging=own),))
    (made,) = compile_timeline(with_tones(script, caption_names=True), studio, RATE).scenes
    return made


def changed(value: Any) -> Any:
    """Another value of the same type."""
    if isinstance(value, bool):
        return not value
    if isinstance(value, (int, float)):
        return value + 1
    if isinstance(value, complex):
        return value + 1j
    if isinstance(value, str):
        return value + "x"
    if isinstance(value, np.ndarray):
        return value + np.ones(1, value.dtype) if len(value) else np.ones(1, value.dtype)
    return "another"


def leaves(value: Any, path: str = "") -> Iterator[tuple[str, Any]]:
    """(where, a copy of the whole with that one leaf changed) for every field of every spec below ``value``."""
    if is_dataclass(value) and not isinstance(value, type):
        for entry in fields(value):
            for where, other in leaves(getattr(value, entry.name), f"{path}.{entry.name}"):
                if entry.name == "samples":  # a silent reading has none; its sound is heard, not seen
                    continue
                yield where, _replaced(value, entry.name, other)
    elif isinstance(value, tuple):
        for index, item in enumerate(value[:2]):  # the first two of a kind stand for all
            for where, other in leaves(item, f"{path}[{index}]"):
                yield where, (*value[:index], other, *value[index + 1 :])
        if value:
            yield f"{path}[less]", value[:-1]
    elif isinstance(value, dict):
        for key in list(value)[:2]:
            for where, other in leaves(value[key], f"{path}[{key}]"):
                yield where, {**value, key: other}
    elif value is not None:
        yield path, changed(value)


def _replaced(value: Any, name: str, other: Any) -> Any:
    if isinstance(value, Span) and name == "start":
        return replace(value, start=min(other, value.end - 1e-6) if isinstance(other, float) else other)
    return replace(value, **{name: other})


def test_every_field_that_is_painted_is_in_the_name(scene: SceneTimeline) -> None:
    seen, unseen = set(), set()
    silent = scene.silent()
    for where, other in leaves(silent):
        top = where.split(".")[1].split("[")[0]
        same = other.fingerprint == silent.fingerprint
        if top == "choices":  # the table says which of them are seen
            choice = CHOICES[where.split(".")[2]]
            assert same == (choice.touches in (Touches.NOTHING, Touches.OPENING, Touches.SOUND)), where
            continue
        (unseen if top in NOT_SEEN else seen).add(where)
        assert same == (top in NOT_SEEN), where
    assert len(seen) > 250 and {w.split("[")[0].split(".")[1] for w in seen} >= {
        "shots", "captions", "shown", "roles", "duration", "heading", "number",
    }  # fmt: skip


def test_captions_that_are_not_painted_are_not_in_the_name(scene: SceneTimeline) -> None:
    plain = replace(scene, choices=replace(scene.choices, captions=False))
    assert replace(plain, captions=()).fingerprint == plain.fingerprint != scene.fingerprint


def test_the_sound_of_a_line_is_not_in_the_name_but_its_times_are(scene: SceneTimeline) -> None:
    assert scene.silent().fingerprint == scene.fingerprint


def test_the_same_scene_read_twice_has_the_same_name(studio: Studio) -> None:
    """From fresh readings, and from those that were kept: no number is rounded on the way."""
    text = "MAREN: Mama may bring a boat nobody has brought before, today."
    first, second = (
        compile_timeline(with_tones(read_script(text)), studio, RATE).scenes[0].fingerprint for _ in range(2)
    )
    assert first == second


def test_only_what_has_a_stable_form_can_be_named() -> None:
    with pytest.raises(TypeError, match="stable form"):
        to_jsonable(object())
    assert to_jsonable(np.arange(3, dtype=np.int16)) != to_jsonable(np.arange(3, dtype=np.int32))
    assert to_jsonable(np.arange(6).reshape(2, 3)) != to_jsonable(np.arange(6).reshape(3, 2))
    assert to_jsonable(1 + 2j) == [1.0, 2.0]
    cue = Cue("c", "wave", 3, {"side": "left"})
    assert to_jsonable(cue) != to_jsonable(replace(cue, end=5))


def film(studio: Studio) -> Timeline:
    """What the kept frames are of: three sets, both animals and a person, what hosts do, and a dissolve."""
    script = read_script(
        "# One\n\nMAREN: [[cue: wave]]Mama may [[cue: picture boat]]bring a boat[[/cue]].\n\n"
        "# Two\n\nSKERRY: [[cue: point-left]]Maybe I do not. [[cue: title text='A map']]Never.\n\n"
        "# Three\n\nDULSE: [[cue: take map]]Papa mends [[cue: close-up]]the map.\n"
    )
    scenes = [
        replace(scene, staging=staging(set=name, **own))
        for scene, name, own in zip(
            script.scenes,
            ("museum", "pier", "plain"),
            ({}, {"framing": "full", "transition": "dissolve"}, {"furniture": "desk", "camera": "push"}),
            strict=True,
        )
    ]
    production = with_tones(replace(script, scenes=tuple(scenes)))
    cast = {**production.cast, "DULSE": replace(production.cast["DULSE"], host="dulse")}
    return compile_timeline(replace(production, cast=cast), studio, RATE)


def coarse(pixels: np.ndarray) -> str:
    """A hash of a frame in blocks of 20 pixels and steps of 8 values: what a person would see change."""
    height, width = pixels.shape[0] // 20 * 20, pixels.shape[1] // 20 * 20
    blocks = pixels[:height, :width, :3].reshape(height // 20, 20, width // 20, 20, 3).mean(axis=(1, 3))
    return hashlib.sha256(np.round(blocks / 8).astype(np.uint8).tobytes()).hexdigest()[:16]


def versions() -> list[str]:
    return [VERSION, HOSTS_VERSION, LIPS_VERSION, SETS_VERSION, skia.__version__]


def kept_frames(studio: Studio) -> dict[str, Any]:
    """Hashes of fixed frames of a fixed film, with the versions of what draws them."""
    timeline = film(studio)
    frames = {}
    for shape, height in (("16:9", 360), ("9:16", 640)):
        painter = Painter(replace(timeline, shape=shape), Picture.of(shape, height), studio.resources)
        for frame in range(5, timeline.frames, timeline.frames // 12):
            painter.paint(frame)
            frames[f"{shape} {frame}"] = coarse(painter.pixels)
    return {"versions": versions(), "frames": frames}


def test_pixels_and_versions_change_together(studio: Studio) -> None:
    """Who changes what is painted raises a version, or films would keep chunks of before; and who raises one says what
    the frames are now: ``python -m tests.dearhost.stage.test_fingerprints``."""
    kept = json.loads(KEPT.read_text())
    now = kept_frames(studio)
    if now["versions"][:-1] != kept["versions"][:-1]:
        pytest.fail("A version was raised: keep the frames as they are now (see above).")
    if now["versions"] == kept["versions"]:  # another drawing library may differ in its smoothing
        different = [name for name, value in kept["frames"].items() if now["frames"].get(name) != value]
        assert not different, f"pixels changed under the same versions: {different}"


if __name__ == "__main__":
    KEPT.write_text(json.dumps(kept_frames(Studio()), indent=1) + "\n")
