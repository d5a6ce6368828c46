"""A voice of given pitch, size, liveliness and pace as a mixture of the model's English styles."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from dearhost.memory import LazyModule
from dearhost.speech.engine import Direction
from dearhost.speech.kokoro.mixtures import Mixture
from dearhost.speech.reshaping import Shape

optimize = LazyModule("scipy.optimize")


@dataclass(frozen=True, slots=True)
class Style:
    """A style as measured over three sentences (IEEE 1969, lists 1): mean pitch in Hz, its spread in semitones, the
    size of its formants (third and fourth) and its pace, both against the voice descriptions begin from."""

    hertz: float
    spread: float
    warp: float
    pace: float


STYLES: Mapping[str, Style] = {
    "af_alloy": Style(138, 3.4, 1.08, 1.07),
    "af_aoede": Style(175, 4.3, 1.21, 1.12),
    "af_bella": Style(182, 5.0, 1.24, 1.05),
    "af_heart": Style(192, 3.8, 1.19, 1.13),
    "af_jessica": Style(200, 4.3, 1.21, 1.25),
    "af_kore": Style(150, 4.3, 1.14, 1.08),
    "af_nova": Style(158, 3.3, 1.21, 1.13),
    "af_river": Style(176, 2.9, 1.13, 1.19),
    "af_sarah": Style(188, 3.9, 1.18, 1.07),
    "af_sky": Style(154, 4.0, 1.14, 1.14),
    "am_adam": Style(108, 3.7, 0.99, 1.10),
    "am_echo": Style(104, 3.9, 1.06, 1.08),
    "am_eric": Style(152, 3.6, 1.07, 1.21),
    "am_fenrir": Style(134, 4.7, 1.03, 1.09),
    "am_liam": Style(125, 4.5, 0.95, 1.16),
    "am_michael": Style(113, 3.6, 1.00, 1.02),
    "am_onyx": Style(84, 2.4, 0.98, 1.11),
    "am_puck": Style(111, 4.5, 1.03, 1.14),
    "am_santa": Style(162, 5.6, 1.03, 0.98),
    "bf_alice": Style(205, 4.0, 1.15, 1.09),
    "bf_emma": Style(179, 2.3, 1.18, 1.13),
    "bf_isabella": Style(200, 2.6, 1.25, 1.11),
    "bf_lily": Style(184, 3.9, 1.19, 1.12),
    "bm_daniel": Style(118, 3.2, 1.01, 1.13),
    "bm_fable": Style(112, 4.3, 1.07, 1.13),
    "bm_george": Style(135, 3.4, 1.02, 0.96),
    "bm_lewis": Style(86, 3.4, 1.01, 1.01),
}

_WHOLE, _SIZE, _LIVELINESS = 300.0, 1.5, 0.3
"""What counts besides a semitone of pitch: that weights add up to 1, a semitone of formants, one of spread."""
_LEAST = 0.02
_USUAL_SPREAD = 3.8
_RAISED = (0.75, 1.5)
_WOMEN, _MEN = 1.09, 1.05
"""Sizes of formants from which on, and down to which, styles of one sex are mixed: both together sound like two."""
_UNHEARD_WARP = 0.05
"""Formants nearer than this are left as the mixture has them."""


@dataclass(frozen=True, slots=True)
class Mixed:
    """A mixture, what is directed inside the model on top of it, its pace (1 is the model's own), and what is left
    for the sound to be changed by (nothing: ``Shape()``)."""

    mixture: Mixture
    direction: Direction
    pace: float
    rest: Shape


def mixed(shape: Shape) -> Mixed:
    """The mixture nearest to a shape, which says how a voice differs from the one descriptions begin from.

    Pitch goes log-linearly with the weights, pace and spread nearly linearly (36 mixtures: 1.2 % off in pitch).
    """
    hertz = shape.mean or STYLES["am_michael"].hertz * shape.raised
    sex = "f" if shape.warp >= _WOMEN else "m" if shape.warp <= _MEN else "fm"
    styles = {name: style for name, style in STYLES.items() if name[1] in sex}
    names = list(styles)
    away = np.array(
        [
            (
                12 * np.log2(style.hertz / hertz),
                _SIZE * 12 * np.log2(style.warp / shape.warp),
                _LIVELINESS * (style.spread - _USUAL_SPREAD * shape.spread),
            )
            for style in styles.values()
        ]
    ).T
    system = np.vstack([away, np.full(len(names), _WHOLE)])
    weights, _ = optimize.nnls(system, np.array([0.0, 0.0, 0.0, _WHOLE]))
    weights = np.where(weights < _LEAST, 0.0, weights)
    weights /= weights.sum()
    mixture = {name: round(float(w), 3) for name, w in zip(names, weights, strict=True) if w}

    def mean(part: str) -> float:
        return float(sum(w * getattr(STYLES[name], part) for name, w in mixture.items()) / sum(mixture.values()))

    own = 2 ** sum(w * np.log2(STYLES[name].hertz) for name, w in mixture.items())
    warp = shape.warp / mean("warp")
    direction = Direction(
        raised=float(np.clip(hertz / own, *_RAISED)),
        spread=_USUAL_SPREAD * shape.spread / mean("spread"),
        tilt=shape.tilt,
    )
    rest = Shape(warp=warp if abs(np.log(warp)) > _UNHEARD_WARP else 1.0, breath=shape.breath)
    return Mixed(mixture, direction, shape.pace / mean("pace"), rest)
