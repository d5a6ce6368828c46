"""Runs of models give back what they took, and say the same as without."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import onnx
import onnxruntime
import pytest
from onnx import TensorProto, helper

from dearhost.production import Studio
from dearhost.speech.kokoro.model import Model
from dearhost.speech.onnx_runs import FrugalSession


@pytest.fixture(scope="module")
def model(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """Twice what it is given, by way of so many copies of it as it is told."""
    nodes = [
        helper.make_node("Expand", ["x", "wide"], ["copies"]),
        helper.make_node("Add", ["copies", "copies"], ["twice"]),
        helper.make_node("ReduceMean", ["twice"], ["y"], axes=[0], keepdims=0),
    ]
    x, y = (helper.make_tensor_value_info(name, TensorProto.FLOAT, [1000]) for name in "xy")
    wide = helper.make_tensor_value_info("wide", TensorProto.INT64, [2])
    graph = helper.make_graph(nodes, "twice", [x, wide], [y])
    made = helper.make_model(graph, opset_imports=[helper.make_opsetid("", 13)], ir_version=8)
    path = tmp_path_factory.mktemp("models") / "twice.onnx"
    onnx.save(made, path)
    return path


def resident() -> int:
    """Bytes of this process that are in memory."""
    return int(Path("/proc/self/statm").read_text().split()[1]) * 4096


def test_the_memory_of_a_long_run_is_given_back(model: Path) -> None:
    numbers = np.arange(1000, dtype=np.float32)
    few, many = ({"x": numbers, "wide": np.array([count, 1000])} for count in (10, 40_000))
    session = FrugalSession(onnxruntime.InferenceSession(model, providers=["CPUExecutionProvider"]))
    session.run(["y"], few)
    before = resident()
    [made] = session.run(["y"], many)
    assert resident() - before < 40_000_000, "320 MB were needed meanwhile"
    assert np.allclose(made, 2 * numbers, rtol=1e-3)
    [again] = session.run(None, many)
    assert np.array_equal(again, made)


def test_the_parts_of_the_full_model_are_run_so(studio: Studio) -> None:
    assert isinstance(Model()._part(1), FrugalSession)
