"""Where an own picture or clip lies behind the hosts in picture shapes other than the production's own."""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import NamedTuple

from dearhost.production.picture_shapes import PICTURE_SHAPES

AS_HERE = "as-here"
"""It lies alike in all shapes."""
MOST_ZOOM = 2.5
_NUMBER = r" (\d(?:\.\d{1,3})?)"
_ENTRY = re.compile(f"({'|'.join(PICTURE_SHAPES)}){3 * _NUMBER}")


class OwnPlace(NamedTuple):
    """``x`` and ``y`` are the part of the picture that is in the middle, 0 to 1; ``zoom`` how near it is, from 1."""

    x: float = 0.5
    y: float = 0.5
    zoom: float = 1.0


def own_places(text: str) -> Mapping[str, OwnPlace]:
    """The places by picture shape that a text such as "9:16 0.3 0.5 1.4; 1:1 0.5 0.5 1" names.

    Empty for ``AS_HERE``. Raises ValueError for a text that is none.
    """
    if text == AS_HERE:
        return {}
    found = {}
    for entry in text.split(";"):
        match = _ENTRY.fullmatch(entry.strip())
        place = OwnPlace(*map(float, match.groups()[1:])) if match else None
        if not (match and place and place.x <= 1 and place.y <= 1 and 1 <= place.zoom <= MOST_ZOOM):
            raise ValueError(f"'{entry.strip()[:40]}' is no place of a picture in a shape, as in '9:16 0.3 0.5 1.4'.")
        found[match[1]] = place
    return found


def are_own_places(text: str) -> bool:
    """Whether a text names places by shapes."""
    try:
        return bool(own_places(text))
    except ValueError:
        return False
