"""Runs of ONNX models that give back the memory they took."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

_GIVES_BACK = "memory.enable_memory_arena_shrinkage"


class FrugalSession:
    """A session that keeps no more than its weights: a long sentence takes 300 MB, which would stay for the next."""

    def __init__(self, session: Any) -> None:
        import onnxruntime  # noqa: PLC0415 - loading the runtime takes a second

        self._session, self._options = session, onnxruntime.RunOptions()
        self._options.add_run_config_entry(_GIVES_BACK, "cpu:0")

    def run(self, outputs: Sequence[str] | None, inputs: Mapping[str, Any]) -> list[Any]:
        """The outputs named, or all; safe from several threads."""
        made: list[Any] = self._session.run(outputs, inputs, self._options)
        return made
