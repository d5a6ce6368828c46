"""JSON that somebody else wrote, read by the standard (RFC 8259) and fit to be kept, shown and written again."""

from __future__ import annotations

import json
import math
import re
from typing import Any

DEEPEST = 60
_LARGEST = 2**53
"""Above it numbers are not the same everywhere (RFC 8259, section 6)."""
_UNKEEPABLE = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\ufffe\uffff]|[\ud800-\udfff]")
"""What neither XML 1.0 nor UTF-8 can hold: controls, and halves of characters cut in two."""

_SUSPECT = re.compile(r"\\[ubf]|[\ufffe\uffff\ud800-\udfff]")
"""JSON without any of these holds no text that cannot be kept: what is saved at every keystroke is not gone through."""


def keepable(text: str) -> str:
    """``text`` without control characters; half a character becomes U+FFFD."""
    return _UNKEEPABLE.sub(lambda found: "\ufffd" if found[0] >= "\ud800" and found[0] < "\ue000" else "", text)


def read_json(data: bytes | str) -> Any:
    """The data in ``data``, its texts ``keepable``.

    Raises ValueError for what is no JSON, for NaN and infinities, for whole numbers above 2**53 and for what is nested
    deeper than ``DEEPEST``.
    """
    text = data.decode("utf-8") if isinstance(data, bytes) else data
    try:
        read = json.loads(text, parse_constant=_refuse, parse_int=_whole, parse_float=_real)
    except RecursionError as error:
        raise ValueError("it is nested too deeply") from error
    _ensure_shallow(read)
    return _kept(read) if _SUSPECT.search(text) else read


def _ensure_shallow(value: Any) -> None:
    level = [value]
    for _ in range(DEEPEST + 1):
        inner = [part for part in level if isinstance(part, (dict, list))]
        if not inner:
            return
        level = [part for outer in inner for part in (outer.values() if isinstance(outer, dict) else outer)]
    raise ValueError("it is nested too deeply")


def _kept(value: Any) -> Any:
    if isinstance(value, str):
        return keepable(value)
    if isinstance(value, list):
        return [_kept(item) for item in value]
    if isinstance(value, dict):
        return {keepable(key): _kept(item) for key, item in value.items()}
    return value


def _refuse(constant: str) -> Any:
    raise ValueError(f"{constant} is not JSON")


def _whole(digits: str) -> int:
    if len(digits) > 17 or abs(int(digits)) > _LARGEST:
        raise ValueError("a number is too large")
    return int(digits)


def _real(digits: str) -> float:
    number = float(digits)
    if math.isinf(number):
        raise ValueError("a number is too large")
    return number
