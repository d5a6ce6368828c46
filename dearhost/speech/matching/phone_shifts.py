"""What a person's single phones have of their own, beside what a mixture of all sounds knows of them.

A mixture of a few parts cannot tell a person's vowels apart. The phones of the base voice are known, so what the
mixture misses of each, on average, is kept and added wherever that phone is said.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np
from numpy.typing import NDArray

from dearhost.memory import LazyModule
from dearhost.speech.matching.spectra import Floats, Said
from dearhost.speech.world import FRAME_MS

ndimage = LazyModule("scipy.ndimage")

_TRUSTED = 30.0
"""Frames of a phone at which half of what is missed on average is believed."""
_SOFT = 3.0
"""Frames over which one phone's shift becomes the next one's."""


def phone_of_frames(phones: Sequence[Said], count: int) -> NDArray[np.str_]:
    """The phone in each of ``count`` frames, "" where there is none."""
    found = np.full(count, "", "<U16")
    for symbol, start, end in phones:
        first, last = (round(1000 * moment / FRAME_MS) for moment in (start, end))
        found[max(0, first) : max(0, last)] = symbol
    return found


def shifts_of(phones: NDArray[np.str_], missed: Floats) -> dict[str, Floats]:
    """For each phone the mean of the cepstra ``missed`` (frames, n), nearer to nothing the fewer frames it has."""
    return {
        str(symbol): missed[phones == symbol].sum(0) / (np.count_nonzero(phones == symbol) + _TRUSTED)
        for symbol in np.unique(phones)
        if symbol
    }


def shifts_along(shifts: Mapping[str, Floats], phones: Sequence[Said], shape: tuple[int, ...]) -> Floats:
    """The shifts of the phones that are said, as cepstra of ``shape`` (frames, n); nothing for unknown phones."""
    made = np.zeros(shape)
    if shifts and phones:
        symbols = phone_of_frames(phones, shape[0])
        for symbol in set(symbols.tolist()) & set(shifts):
            made[symbols == symbol] = shifts[symbol]
        made = ndimage.gaussian_filter1d(made, _SOFT, axis=0)
    return made
