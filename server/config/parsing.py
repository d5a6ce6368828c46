"""Bodies of requests as JSON by the standard."""

from __future__ import annotations

from django.http import HttpRequest
from ninja.parser import Parser
from ninja.types import DictStrAny

from dearhost.json_data import read_json


class StrictParser(Parser):
    """Everything that comes in is text that can be shown and written again, and numbers that are some."""

    def parse_body(self, request: HttpRequest) -> DictStrAny:
        """The body's data. Raises ValueError for what is not JSON, or cannot be kept."""
        if request.content_type != "application/json":  # which no form of another page can send
            raise ValueError("the body is not sent as JSON")
        data: DictStrAny = read_json(request.body)
        return data
