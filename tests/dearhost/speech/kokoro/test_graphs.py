"""Taking a model apart and making it quick, on small models that are computed both ways by the runtime."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import numpy as np
import onnx
import onnxruntime
import pytest
from onnx import TensorProto, helper, numpy_helper
from onnxruntime.quantization import QuantType, quantize_dynamic

from dearhost.speech.kokoro import eight_bits
from dearhost.speech.kokoro.eight_bits import in_eight_bits, processor_multiplies_bytes
from dearhost.speech.kokoro.floating import floated
from dearhost.speech.kokoro.graphs import cut
from dearhost.speech.kokoro.lightening import lightened

NUMBER = TensorProto.FLOAT
_chance = np.random.default_rng(3)
_X = _chance.normal(0, 1, (1, 6, 40)).astype(np.float32)


def _model(nodes: list[Any], weights: dict[str, np.ndarray], output: list[Any]) -> Any:
    graph = helper.make_graph(
        nodes,
        "small",
        [helper.make_tensor_value_info("x", NUMBER, [1, 6, 40])],
        [helper.make_tensor_value_info("y", NUMBER, output)],
        [numpy_helper.from_array(value, name) for name, value in weights.items()],
    )
    return helper.make_model(graph, opset_imports=[helper.make_opsetid("", 17)], ir_version=9)


def _run(model: Any, **given: np.ndarray) -> np.ndarray:
    session = onnxruntime.InferenceSession(model.SerializeToString(), providers=["CPUExecutionProvider"])
    made: np.ndarray = session.run(None, given)[0]
    return made


def _convolution() -> Any:
    nodes = [
        helper.make_node("Conv", ["x", "w", "b"], ["h"], "decoder/Conv_quant", pads=[1, 1], kernel_shape=[3]),
        helper.make_node("LeakyRelu", ["h"], ["r"]),
        helper.make_node("Transpose", ["r"], ["t"], perm=[0, 2, 1]),
        helper.make_node("MatMul", ["t", "m"], ["y"], "MatMul"),
    ]
    weights = {
        "w": _chance.normal(0, 0.4, (8, 6, 3)).astype(np.float32),
        "b": _chance.normal(0, 0.4, 8).astype(np.float32),
        "m": _chance.normal(0, 0.4, (8, 5)).astype(np.float32),
    }
    return _model(nodes, weights, [1, 40, 5])


def _quantised(tmp_path: Path, model: Any) -> Any:
    onnx.save(model, str(tmp_path / "float.onnx"))
    quantize_dynamic(tmp_path / "float.onnx", tmp_path / "int.onnx", weight_type=QuantType.QUInt8)
    made = onnx.load(str(tmp_path / "int.onnx"))
    assert {"ConvInteger", "MatMulInteger"} <= {node.op_type for node in made.graph.node}
    return made


def test_a_model_cut_in_two_is_the_whole() -> None:
    whole = _convolution()
    first = cut(whole, [("x", NUMBER, [1, 6, 40])], [("r", NUMBER, None)])
    second = cut(whole, [("r", NUMBER, [1, 8, 40])], [("y", NUMBER, None)])
    assert [node.op_type for node in second.graph.node] == ["Transpose", "MatMul"]
    assert {i.name for i in first.graph.initializer} == {"w", "b"}
    assert np.array_equal(_run(second, r=_run(first, x=_X)), _run(whole, x=_X))


def test_a_quantised_model_becomes_a_float_one_with_the_same_weights(tmp_path: Path) -> None:
    whole = _convolution()
    made = floated(_quantised(tmp_path, whole))
    kinds = {node.op_type for node in made.graph.node}
    assert {"Conv", "MatMul"} <= kinds
    assert not {kind for kind in kinds if "Integer" in kind or "Quantize" in kind}
    wanted = _run(whole, x=_X)
    error = np.abs(_run(made, x=_X) - wanted).max() / np.abs(wanted).max()
    assert error < 0.02  # weights of 8 bits, inputs of 32


def test_convolutions_in_eight_bits_are_near_the_float_ones(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    whole = _convolution()
    original = _quantised(tmp_path, whole)
    before = onnx.ModelProto()
    before.CopyFrom(original)
    hidden = _run(cut(whole, [("x", NUMBER, [1, 6, 40])], [("h", NUMBER, None)]), x=_X)
    name = next(node.name for node in original.graph.node if node.op_type == "ConvInteger")
    monkeypatch.setattr(eight_bits, "ranges", lambda: {name: [float(hidden.min()), float(hidden.max())]})
    made = in_eight_bits(floated(original), before)
    assert [node.op_type for node in made.graph.node].count("QLinearConv") == 1
    wanted = _run(whole, x=_X)
    error = np.abs(_run(made, x=_X) - wanted).max() / np.abs(wanted).max()
    assert error < 0.05


def test_a_normalisation_in_one_step_is_the_same() -> None:
    nodes = [
        helper.make_node("ReduceMean", ["x"], ["mean"], axes=[2]),
        helper.make_node("Sub", ["x", "mean"], ["centred"]),
        helper.make_node("Pow", ["centred", "two"], ["square"]),
        helper.make_node("ReduceMean", ["square"], ["variance"], axes=[2]),
        helper.make_node("Add", ["variance", "little"], ["above"]),
        helper.make_node("Sqrt", ["above"], ["deviation"]),
        helper.make_node("Div", ["centred", "deviation"], ["normal"], "adain/norm/Div"),
        helper.make_node("Mul", ["gamma", "normal"], ["scaled"]),
        helper.make_node("Add", ["scaled", "beta"], ["y"], "adain/norm/Add"),
    ]
    weights = {
        "two": np.array(2.0, np.float32),
        "little": np.array(1e-5, np.float32),
        "gamma": _chance.normal(1, 0.3, (1, 6, 1)).astype(np.float32),
        "beta": _chance.normal(0, 0.3, (1, 6, 1)).astype(np.float32),
    }
    wanted = _run(_model(nodes, weights, [1, 6, 40]), x=_X)
    made = lightened(_model(nodes, weights, [1, 6, 40]))
    assert {node.op_type for node in made.graph.node} == {"Reshape", "InstanceNormalization"}
    assert np.abs(_run(made, x=_X) - wanted).max() < 1e-4


def test_eight_bits_are_used_only_where_the_processor_multiplies_bytes(tmp_path: Path) -> None:
    for flags, wanted in (("sse2 avx2 avx512_vnni", True), ("avx avx_vnni", True), ("sse2 avx2 avx512f", False)):
        (tmp_path / "cpuinfo").write_text(f"flags\t\t: {flags}\n")
        assert processor_multiplies_bytes(tmp_path / "cpuinfo") is wanted
    assert not processor_multiplies_bytes(tmp_path / "nothing")
