"""Bodies of requests as JSON by the standard."""

from __future__ import annotations

import json
from typing import Any

from django.http import HttpRequest
from ninja.parser import Parser
from ninja.types import DictStrAny


class StrictParser(Parser):
    """RFC 8259 knows no NaN and no Infinity; Python's reader would let them in."""

    def parse_body(self, request: HttpRequest) -> DictStrAny:
        """The body's data. Raises ValueError for what is not JSON."""
        data: DictStrAny = json.loads(request.body, parse_constant=_refuse)
        return data


def _refuse(constant: str) -> Any:
    raise ValueError(f"{constant} is not JSON")
