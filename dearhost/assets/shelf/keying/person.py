"""A person cut out of whatever is behind, by a model that was taught on people before cameras.

MediaPipe's selfie segmentation (Apache 2.0; its model card names people within two metres of a camera), whose coarse
mask is drawn to the edges of the picture by a guided filter (He, Sun and Tang 2013) and steadied where nothing moves.
Drawn figures, people far away and what is seen through windows it does not know.
"""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path
from typing import Any

import av
import numpy as np
from av.video.reformatter import Interpolation

from dearhost.assets.shelf.footage import even
from dearhost.assets.shelf.keying.ground import Floats
from dearhost.assets.shelf.keying.guided import guided_fit
from dearhost.assets.shelf.keying.key import Keyed, KeySettings, planes_of, without_dust
from dearhost.errors import HostError
from dearhost.memory import LazyModule
from dearhost.storage import prepared_folder

ndimage = LazyModule("scipy.ndimage")
litert = LazyModule("ai_edge_litert.interpreter")
NOTICE, VERSION = "README.md", "0.1.1675465747"
WIDE_MODEL, TALL_MODEL = "selfie_segmentation_landscape.tflite", "selfie_segmentation.tflite"
_SIZES = {WIDE_MODEL: (256, 144), TALL_MODEL: (256, 256)}
"""Width and height a model sees."""
_LINES = 360
"""Lines at which a mask is drawn to the edges of a picture."""
_RADIUS, _FLAT = 4, 1e-4
"""Of the guided filter: pixels, and the variance of luma, 0 to 1, that is no edge yet."""
_MOVED = 3.0
"""Levels of luma, of 255, over nine pixels: where it changes by more, a mask follows at once."""
_FOLLOWS, _STEADIES = 0.9, 0.35
_MIDDLE = 0.57
"""How sure the model is where half of the figure stays: below it, what is near a person often stays too."""
_LEAST = 0.01
"""Part of the picture a person takes up at least."""
MISSING = (
    "The model that finds people is not on this machine. Run 'make setup' again, or take somebody before green or blue."
)
NOBODY = (
    "Nobody is seen here. A person near the camera is found; drawn figures and people far away are not: take those "
    "before green or blue."
)


def folder() -> Path:
    """Where the models lie, shared by everything that runs in this environment."""
    return prepared_folder("figures")


@lru_cache(maxsize=2)
def _model(name: str) -> Any:
    path = folder() / name
    if not path.exists():
        raise HostError(MISSING)
    try:
        made = litert.Interpreter(str(path), num_threads=1)
    except ImportError as error:
        raise HostError(MISSING) from error
    made.allocate_tensors()
    return made


class PersonKeyer:
    """Takes away what is behind a person, frame after frame of one clip."""

    def __init__(self, settings: KeySettings) -> None:
        self._settings = settings
        self._steady: Floats | None = None
        self._before: Floats | None = None

    def __call__(self, frame: Any) -> Keyed:
        """A frame, yuv420p or yuv444p in BT.709 with limited range, without what is behind. Raises HostError where
        nobody is seen in the first."""
        luma, blue, red = planes_of(frame)
        scale = min(1.0, _LINES / frame.height)
        size = {"width": even(frame.width * scale), "height": even(frame.height * scale)}
        grey = frame.to_ndarray(format="gray", interpolation=Interpolation.AREA, **size).astype(np.float32)
        drawn = _drawn_to_edges(grey / 255, _scaled(_mask(frame), **size))
        if self._steady is None and (drawn > 0.5).mean() < _LEAST:
            raise HostError(NOBODY)
        steady = self._steadied(grey, drawn)
        alpha = _scaled(self._ramped(steady), width=frame.width, height=frame.height)
        return Keyed(luma, blue, red, without_dust(alpha))

    def _steadied(self, grey: Floats, drawn: Floats) -> Floats:
        """The mask, following slowly where the picture stays as it was."""
        if self._steady is None or self._before is None:
            self._steady = drawn
        else:
            moved = np.abs(ndimage.uniform_filter(grey - self._before, 9)) > _MOVED
            self._steady = self._steady + (drawn - self._steady) * np.where(moved, _FOLLOWS, _STEADIES)
        self._before = grey
        steady: Floats = self._steady.astype(np.float32)
        return steady

    def _ramped(self, mask: Floats) -> Floats:
        """From how sure it is to how much of it stays."""
        middle = _MIDDLE + 0.6 * (self._settings.strength - 0.5)
        half = max(0.04, 0.6 * self._settings.softness)
        ramped: Floats = np.clip((mask - middle + half) / (2 * half), 0, 1)
        return ramped


def _mask(frame: Any) -> Floats:
    """How sure the model is of each part of a picture, 0 to 1."""
    name = WIDE_MODEL if frame.width > 1.3 * frame.height else TALL_MODEL
    width, height = _SIZES[name]
    model = _model(name)
    seen = frame.to_ndarray(format="rgb24", width=width, height=height, interpolation=Interpolation.AREA)
    model.set_tensor(model.get_input_details()[0]["index"], seen[None].astype(np.float32) / 255)
    model.invoke()
    mask: Floats = model.get_tensor(model.get_output_details()[0]["index"])[0, ..., 0]
    return mask


def _scaled(mask: Floats, width: int, height: int) -> Floats:
    levels = np.ascontiguousarray(np.rint(np.clip(mask, 0, 1) * 255).astype(np.uint8))
    frame = av.VideoFrame.from_ndarray(levels, format="gray")
    scaled: Floats = frame.to_ndarray(
        format="gray", width=width, height=height, interpolation=Interpolation.BILINEAR
    ).astype(np.float32) / np.float32(255)  # fmt: skip
    return scaled


def _drawn_to_edges(guide: Floats, mask: Floats) -> Floats:
    """A coarse mask along the edges of a picture's luma."""
    slope, base = guided_fit(guide, mask, 2 * _RADIUS + 1, _FLAT)
    drawn: Floats = np.clip(slope * guide + base, 0, 1).astype(np.float32)
    return drawn
