"""Clips of high dynamic range or wide colour into those of a screen: BT.709 at 8 bits.

What a clip's numbers mean as light, by its transfer characteristic, is brought to the brightest a screen has and to its
primaries, once for every corner of a lattice; the filter ``lut3d`` goes between the corners.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]
HLG, PQ = 18, 16
"""ITU-T H.273, transfer characteristics."""
BT709, BT2020, P3 = 1, 9, 12
"""ITU-T H.273, colour primaries."""
HIGH_DYNAMIC: Mapping[int, str] = {PQ: "PQ", HLG: "HLG"}
WHITE = 203.0
"""Candelas a square metre of the white of paper and of lettering (ITU-R BT.2408-7, HDR reference white): a screen's."""
_BRIGHTEST = 1000.0
"""Candelas a square metre: what HLG is shown at (ITU-R BT.2100-2), and what films in PQ mostly stay below."""
_GAMMA = 2.4  # ITU-R BT.1886
_LATTICE = 33

_PQ_M1, _PQ_M2 = 2610 / 16384, 2523 / 4096 * 128
_PQ_C1, _PQ_C2, _PQ_C3 = 3424 / 4096, 2413 / 4096 * 32, 2392 / 4096 * 32
_HLG_A, _HLG_B, _HLG_C = 0.17883277, 0.28466892, 0.55991073
_HLG_SYSTEM_GAMMA = 1.2
_LUMINANCE_2020 = np.array((0.2627, 0.6780, 0.0593))

_TO_BT709: Mapping[int, Values] = {
    BT709: np.eye(3),
    # ITU-R BT.2087-0 turned round: BT.2407-0, 2
    BT2020: np.array(((1.6605, -0.5876, -0.0728), (-0.1246, 1.1329, -0.0083), (-0.0182, -0.1006, 1.1187))),
    # from the primaries of SMPTE EG 432-1 with the white D65
    P3: np.array(((1.2249, -0.2249, 0.0), (-0.0420, 1.0420, 0.0), (-0.0197, -0.0786, 1.0983))),
}


def pq_light(signal: Values) -> Values:
    """Candelas a square metre, 0 to 10,000, of a PQ signal from 0 to 1 (ITU-R BT.2100-2, table 4: EOTF)."""
    power = np.clip(signal, 0, 1) ** (1 / _PQ_M2)
    light = 10_000 * (np.maximum(power - _PQ_C1, 0) / (_PQ_C2 - _PQ_C3 * power)) ** (1 / _PQ_M1)
    return np.asarray(light)


def pq_signal(light: Values) -> Values:
    """The PQ signal of candelas a square metre (ITU-R BT.2100-2, table 4: inverse EOTF)."""
    power = np.clip(light / 10_000, 0, 1) ** _PQ_M1
    return ((_PQ_C1 + _PQ_C2 * power) / (1 + _PQ_C3 * power)) ** _PQ_M2


def hlg_light(signal: Values) -> Values:
    """Candelas a square metre, shape (..., 3), of an HLG signal of that shape on a display of 1000 (ITU-R BT.2100-2,
    table 5: inverse OETF, then OOTF)."""
    signal = np.clip(signal, 0, 1)
    high = (np.exp((signal - _HLG_C) / _HLG_A) + _HLG_B) / 12
    scene = np.where(signal <= 0.5, signal * signal / 3, high)
    luminance = scene @ _LUMINANCE_2020
    return np.asarray(_BRIGHTEST * scene * (np.maximum(luminance, 1e-9) ** (_HLG_SYSTEM_GAMMA - 1))[..., None])


def _plain_light(signal: Values) -> Values:
    return WHITE * np.clip(signal, 0, 1) ** _GAMMA


_LIGHT: Mapping[int, Callable[[Values], Values]] = {PQ: pq_light, HLG: hlg_light}
"""How a signal is light; every other transfer is that of a screen."""


def rolled_off(light: Values) -> Values:
    """Candelas from 0 to 1000 brought below ``WHITE``: dark and middle tones stay, lights are pressed together
    (ITU-R BT.2390-8, 5.4.1: EETF, a Hermite spline in PQ)."""
    brightest = pq_signal(np.array(_BRIGHTEST))
    level = np.minimum(pq_signal(light) / brightest, 1)
    most = float(pq_signal(np.array(WHITE)) / brightest)
    knee = 1.5 * most - 0.5
    t = np.clip((level - knee) / (1 - knee), 0, 1)
    pressed = (2 * t**3 - 3 * t**2 + 1) * knee + (t**3 - 2 * t**2 + t) * (1 - knee) + (-2 * t**3 + 3 * t**2) * most
    return pq_light(np.where(level < knee, level, pressed) * brightest)


def on_screen(signal: Values, transfer: int, primaries: int) -> Values:
    """Red, green and blue of a screen, 0 to 1, for those of a clip, shape (..., 3)."""
    light = _LIGHT.get(transfer, _plain_light)(signal)
    if transfer in HIGH_DYNAMIC:
        strongest = np.maximum(light.max(-1, keepdims=True), 1e-6)  # all three by as much: the hue stays
        light = light * (rolled_off(strongest) / strongest)
    linear = np.clip(light / WHITE @ _TO_BT709[primaries].T, 0, 1)
    return np.asarray(linear ** (1 / _GAMMA))


def is_of_a_screen(transfer: int, primaries: int) -> bool:
    """Whether a clip's numbers are those of a screen already."""
    return transfer not in HIGH_DYNAMIC and primaries not in (BT2020, P3)


def write_lattice(path: Path, transfer: int, primaries: int) -> None:
    """A lattice for the filter ``lut3d`` as a ``.cube`` file (Adobe, Cube LUT Specification 1.0): red goes fastest."""
    steps = np.linspace(0, 1, _LATTICE)
    blue, green, red = np.meshgrid(steps, steps, steps, indexing="ij")
    shown = on_screen(np.stack((red, green, blue), -1).reshape(-1, 3), transfer, primaries)
    rows = "\n".join(f"{r:.6f} {g:.6f} {b:.6f}" for r, g, b in shown)
    path.write_text(f"LUT_3D_SIZE {_LATTICE}\n{rows}\n")
