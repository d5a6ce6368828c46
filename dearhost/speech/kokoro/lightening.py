"""The same computation in fewer steps: normalisations in one operator, squares by multiplication."""

from __future__ import annotations

from typing import Any

import numpy as np

from dearhost.speech.kokoro.graphs import links_of, replace_nodes

_FLAT = "flat_shape"


def lightened(model: Any) -> Any:
    """The model with InstanceNormalization for its adaptive normalisations, and x * x for x to the power of 2."""
    from onnx import TensorProto, helper, numpy_helper  # noqa: PLC0415 - needed once a set-up

    graph = model.graph
    graph.initializer.append(helper.make_tensor(_FLAT, TensorProto.INT64, [1], [-1]))
    two = {i.name for i in graph.initializer if list(i.dims) in ([], [1]) and _is_two(numpy_helper.to_array(i))}
    instead = _normalisations(graph)
    nodes: list[Any] = []
    for node in graph.node:
        if node.op_type == "Pow" and node.input[1] in two:
            node.op_type = "Mul"
            node.input[1] = node.input[0]
        nodes += instead.get(node.output[0], [node])
    return replace_nodes(model, nodes)


def _is_two(value: np.ndarray) -> bool:
    return value.size == 1 and float(value.reshape(-1)[0]) == 2.0


def _normalisations(graph: Any) -> dict[str, list[Any]]:
    """For each tensor ``gamma * (x - mean) / deviation + beta``, the nodes that make it at once."""
    from onnx import helper  # noqa: PLC0415 - needed once a set-up

    links = links_of(graph)
    instead: dict[str, list[Any]] = {}
    for divided in graph.node:
        deviation = links.maker.get(divided.input[1]) if divided.op_type == "Div" else None
        if deviation is None or deviation.op_type != "Sqrt" or not ("norm" in divided.name or "adain" in divided.name):
            continue
        centred = links.maker[divided.input[0]]
        if centred.op_type != "Sub":
            continue
        for product in links.users[divided.output[0]]:
            added = links.users[product.output[0]] if product.op_type == "Mul" else []
            if len(added) != 1 or added[0].op_type != "Add":
                continue
            gamma = next(name for name in product.input if name != divided.output[0])
            beta = next(name for name in added[0].input if name != product.output[0])
            tag, target = product.output[0], added[0].output[0]
            instead[target] = [
                helper.make_node("Reshape", [gamma, _FLAT], [f"{tag}_gamma"]),
                helper.make_node("Reshape", [beta, _FLAT], [f"{tag}_beta"]),
                helper.make_node(
                    "InstanceNormalization",
                    [centred.input[0], f"{tag}_gamma", f"{tag}_beta"],
                    [target],
                    f"{added[0].name}_norm",
                    epsilon=1e-5,
                ),
            ]
    return instead
