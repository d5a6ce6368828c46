"""Large convolutions in 8 bits: twice as quick where the processor multiplies bytes (VNNI), and wrong where it does
not, as its products then saturate."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from functools import lru_cache
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.speech.kokoro.graphs import links_of, replace_nodes

_MARGIN = 1.05
_VNNI = ("avx512_vnni", "avx_vnni")


def processor_multiplies_bytes(cpuinfo: Path = Path("/proc/cpuinfo")) -> bool:
    """Whether 8 bits pay on this machine."""
    try:
        flags = cpuinfo.read_text(errors="replace")
    except OSError:
        return False
    return any(flag in flags for flag in _VNNI)


@lru_cache(maxsize=1)
def ranges() -> Mapping[str, Sequence[float]]:
    """Least and greatest output of each convolution that is done in 8 bits, by its name.

    Measured over 28 of the model's styles, two sentences, in the float model. Not among them: the last three
    residual blocks, which lose .3 of P.808 in 8 bits.
    """
    found: dict[str, list[float]] = json.loads(Path(__file__).with_name("ranges.json").read_text())
    return found


def in_eight_bits(model: Any, original: Any) -> Any:
    """The float ``model`` with the convolutions of ``ranges`` in 8 bits, their weights from ``original``."""
    from onnx import helper, numpy_helper  # noqa: PLC0415 - needed once a set-up

    integer = {node.name: node for node in original.graph.node if node.op_type == "ConvInteger"}
    arrays = {i.name: i for i in original.graph.initializer}
    links = links_of(original.graph)
    nodes: list[Any] = []
    quantised: set[str] = set()

    def kept(name: str, value: Any) -> str:
        model.graph.initializer.append(numpy_helper.from_array(np.asarray(value), name))
        return name

    for node in model.graph.node:
        if node.op_type != "Conv" or node.name not in integer or node.name not in ranges():
            nodes.append(node)
            continue
        source, target = node.input[0], node.output[0]
        scale, zero = _steps(ranges()[node.name])
        whole = integer[node.name]
        weight, weight_zero = (numpy_helper.to_array(arrays[whole.input[i]]) for i in (1, 3))
        if weight.dtype == np.uint8:
            weight, weight_zero = ((v.astype(np.int16) - 128).astype(np.int8) for v in (weight, weight_zero))
        tag = f"{target}_8"
        given = [f"{source}_q", f"{source}_scale", f"{source}_zero"]
        if source not in quantised:
            quantised.add(source)
            nodes.append(helper.make_node("DynamicQuantizeLinear", [source], given))
        weight_scale = kept(f"{tag}_ws", _scalar(_weight_scale(whole, links, arrays)))
        inputs = [
            *given, kept(f"{tag}_w", weight), weight_scale, kept(f"{tag}_wz", _scalar(weight_zero)),
            kept(f"{tag}_s", scale), kept(f"{tag}_z", zero),
        ]  # fmt: skip
        if len(node.input) > 2:
            nodes += _whole_bias(node.input[2], given[1], weight_scale, tag)
            inputs.append(f"{tag}_bias")
        settings = {a.name: helper.get_attribute_value(a) for a in node.attribute}
        nodes += [
            helper.make_node("QLinearConv", inputs, [f"{tag}_q"], f"{node.name}_8", **settings),
            helper.make_node("DequantizeLinear", [f"{tag}_q", f"{tag}_s", f"{tag}_z"], [target]),
        ]
    return replace_nodes(model, nodes)


def _steps(measured: Sequence[float]) -> tuple[np.float32, np.uint8]:
    """Scale and zero point of unsigned bytes over a measured range, a little widened."""
    low, high = min(measured[0] * _MARGIN, 0.0), max(measured[1] * _MARGIN, 0.0)
    scale = np.float32((high - low) / 255)
    return scale, np.uint8(round(-low / scale))


def _scalar(value: np.ndarray) -> np.ndarray:
    return value.reshape(()) if value.size == 1 else value


def _weight_scale(node: Any, links: Any, arrays: Mapping[str, Any]) -> np.ndarray:
    """The scale of an integer convolution's weights: a factor of the product that follows it."""
    from onnx import numpy_helper  # noqa: PLC0415 - needed once a set-up

    following = links.users[node.output[0]][0]
    while following.op_type != "Mul":
        following = links.users[following.output[0]][0]
    made = (links.maker[name] for name in following.input if name in links.maker)
    scales = next(maker for maker in made if maker.op_type == "Mul")
    name = next(name for name in scales.input if name in arrays)
    return numpy_helper.to_array(arrays[name]).astype(np.float32)


def _whole_bias(bias: str, scale: str, weight_scale: str, tag: str) -> list[Any]:
    """The nodes that bring a float bias to whole steps of the product of both scales."""
    from onnx import TensorProto, helper  # noqa: PLC0415 - needed once a set-up

    return [
        helper.make_node("Mul", [scale, weight_scale], [f"{tag}_step"]),
        helper.make_node("Div", [bias, f"{tag}_step"], [f"{tag}_steps"]),
        helper.make_node("Round", [f"{tag}_steps"], [f"{tag}_round"]),
        helper.make_node("Cast", [f"{tag}_round"], [f"{tag}_bias"], to=TensorProto.INT32),
    ]
