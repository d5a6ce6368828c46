"""From 8-bit operators that runtimes are slow at to float ones: the same weights, dequantised.

ConvInteger and MatMulInteger of the ONNX standard, DynamicQuantizeLSTM of the runtime's own operators.
"""

from __future__ import annotations

from typing import Any

import numpy as np

from dearhost.speech.kokoro.graphs import Links, links_of, replace_nodes


def floated(model: Any) -> Any:
    """The model with Conv, MatMul and LSTM in place of their dynamically quantised forms."""
    from onnx import numpy_helper  # noqa: PLC0415 - needed once a set-up

    graph = model.graph
    arrays = {i.name: i for i in graph.initializer}
    links = links_of(graph)
    floats = {node.output[0]: node.input[0] for node in graph.node if node.op_type == "DynamicQuantizeLinear"}
    weights: dict[str, np.ndarray] = {}
    instead: dict[str, Any] = {}

    def array(name: str) -> np.ndarray:
        return numpy_helper.to_array(arrays[name]).astype(np.float32)

    for node in graph.node:
        if node.op_type in ("MatMulInteger", "ConvInteger"):
            made, weight = _float_product(node, links, array, floats)
        elif node.op_type == "DynamicQuantizeLSTM":
            made, weight = _float_lstm(node, array)
        else:
            continue
        instead[made.output[0]] = made
        weights |= weight
    graph.initializer.extend(numpy_helper.from_array(np.ascontiguousarray(w), name) for name, w in weights.items())
    del graph.value_info[:]
    return replace_nodes(model, [next((instead[o] for o in node.output if o in instead), node) for node in graph.node])


def _float_product(node: Any, links: Links, array: Any, floats: dict[str, str]) -> tuple[Any, dict[str, np.ndarray]]:
    """A Conv or MatMul for a chain of the integer product, a bias, a cast and the product with both scales."""
    from onnx import helper  # noqa: PLC0415 - needed once a set-up

    following, bias = links.users[node.output[0]][0], ""
    if following.op_type == "Add":
        quantised = links.maker[next(name for name in following.input if name != node.output[0])]
        while quantised.op_type in ("Reshape", "Cast", "Floor"):
            quantised = links.maker[quantised.input[0]]
        bias = quantised.input[0]
        following = links.users[following.output[0]][0]
    scaled = links.users[following.output[0]][0]
    scales = links.maker[next(name for name in scaled.input if name != following.output[0])]
    scale = array(next(name for name in scales.input if name not in links.maker))
    integers = array(node.input[1])
    zero = array(node.input[3]) if len(node.input) > 3 else np.float32(0)
    name = node.input[1] + "_float"
    given = [floats[node.input[0]], name]
    if node.op_type == "MatMulInteger":
        return helper.make_node("MatMul", given, [scaled.output[0]], node.name), {name: (integers - zero) * scale}
    each = (-1,) + (1,) * (integers.ndim - 1)
    fitted = [v.reshape(each) if v.ndim else v for v in (zero, scale)]
    settings = {a.name: helper.get_attribute_value(a) for a in node.attribute}
    inputs = [*given, bias] if bias else given
    made = helper.make_node("Conv", inputs, [scaled.output[0]], node.name, **settings)
    return made, {name: (integers - fitted[0]) * fitted[1]}


def _float_lstm(node: Any, array: Any) -> tuple[Any, dict[str, np.ndarray]]:
    from onnx import helper  # noqa: PLC0415 - needed once a set-up

    def dequantised(weight: str, scale: str, zero: str) -> np.ndarray:
        integers = array(weight)
        directions = integers.shape[0]

        def fitted(value: np.ndarray) -> Any:
            return value.reshape(directions, 1, -1) if value.size > 1 else value.reshape(-1)[0]

        return np.swapaxes((integers - fitted(array(zero))) * fitted(array(scale)), 1, 2)

    names = [node.input[1] + "_float", node.input[2] + "_float"]
    scales = node.input[8:12]
    weights = {
        names[0]: dequantised(node.input[1], scales[0], scales[1]),
        names[1]: dequantised(node.input[2], scales[2], scales[3]),
    }
    inputs = [node.input[0], *names, *node.input[3:8]]
    while not inputs[-1]:
        inputs.pop()
    settings = {a.name: helper.get_attribute_value(a) for a in node.attribute}
    return helper.make_node("LSTM", inputs, list(node.output), node.name, **settings), weights
