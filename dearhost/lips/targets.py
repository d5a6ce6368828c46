"""Where each viseme wants the mouth, and how strongly it pulls its neighbours. Data only."""

from __future__ import annotations

import numpy as np

PARAMETERS = ("open", "wide", "round", "press", "teeth_up", "teeth_low", "tongue", "tip", "tuck")
"""The mouth space of the hosts: 0 (rest) to 1, ``wide`` from -1."""

_ROWS: dict[int, dict[str, float]] = {
    0: {},
    1: {"wide": -0.05, "press": 0.85},
    2: {"open": 0.13, "wide": 0.10, "teeth_up": 0.75, "tuck": 1.0},
    3: {"open": 0.24, "wide": 0.05, "teeth_up": 0.70, "tongue": 0.30, "tip": 0.95},
    4: {"open": 0.22, "wide": 0.15, "teeth_up": 0.80, "tongue": 0.35, "tip": 0.75},
    5: {"open": 0.34, "wide": 0.05, "teeth_up": 0.45, "tongue": 0.75},
    6: {"open": 0.26, "round": 0.55, "teeth_up": 0.85, "teeth_low": 0.55},
    7: {"open": 0.16, "wide": 0.45, "teeth_up": 0.95, "teeth_low": 0.75},
    8: {"open": 0.30, "wide": 0.08, "teeth_up": 0.60, "tongue": 0.35, "tip": 1.0},
    9: {"open": 0.26, "round": 0.42, "teeth_up": 0.35, "tongue": 0.55},
    10: {"open": 0.95, "wide": 0.10, "teeth_up": 0.55, "tongue": 0.30},
    11: {"open": 0.48, "wide": 0.45, "teeth_up": 0.60, "tongue": 0.45},
    12: {"open": 0.30, "wide": 0.75, "teeth_up": 0.75, "tongue": 0.50},
    13: {"open": 0.70, "round": 0.62, "teeth_up": 0.20, "tongue": 0.20},
    14: {"open": 0.32, "round": 1.0, "tongue": 0.10},
}

TARGETS = np.array([[_ROWS[v].get(p, 0.0) for p in PARAMETERS] for v in range(15)])
"""Targets, shape (15 visemes, 9 parameters)."""

JAW, LIPS, INSIDE = 0, 1, 2
GROUP_OF = (JAW, LIPS, LIPS, None, INSIDE, INSIDE, INSIDE, INSIDE, None)
"""The dominance group of each parameter; press and tuck are set by gates alone."""

DOMINANCE: dict[int, tuple[tuple[float, float, float], ...]] = {
    0: ((0.80, 70, 75), (0.45, 80, 80), (0.60, 60, 70)),
    1: ((0.30, 40, 40), (0.10, 40, 40), (0.15, 35, 35)),
    2: ((0.90, 45, 40), (0.25, 45, 40), (1.00, 40, 35)),
    3: ((0.75, 48, 42), (0.20, 45, 40), (1.00, 42, 38)),
    4: ((0.50, 45, 40), (0.14, 45, 40), (0.90, 40, 36)),
    5: ((0.38, 45, 42), (0.10, 45, 40), (0.80, 42, 40)),
    6: ((0.90, 55, 48), (1.10, 85, 60), (1.00, 48, 42)),
    7: ((1.00, 48, 44), (0.35, 50, 45), (1.00, 44, 40)),
    8: ((0.50, 45, 42), (0.12, 45, 40), (0.90, 42, 38)),
    9: ((0.60, 55, 48), (0.55, 75, 55), (0.80, 50, 44)),
    10: ((1.00, 62, 62), (0.40, 60, 60), (0.70, 55, 55)),
    11: ((0.95, 60, 60), (0.55, 60, 60), (0.70, 55, 55)),
    12: ((0.85, 55, 55), (0.80, 65, 60), (0.70, 52, 52)),
    13: ((1.00, 64, 62), (1.15, 90, 70), (0.70, 55, 55)),
    14: ((0.90, 60, 58), (1.50, 70, 70), (0.60, 52, 52)),
}
"""Viseme -> (jaw, lips, inside), each (magnitude, reach before ms, reach after ms)."""
