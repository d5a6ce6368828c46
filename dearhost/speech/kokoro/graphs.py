"""Cutting and tidying model graphs in the ONNX format."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Any

Tensor = tuple[str, int, Sequence[Any] | None]
"""A tensor's name, its ONNX element type, and its shape (None where it is not declared)."""


@dataclass(frozen=True, slots=True)
class Links:
    """Which node makes a tensor, and which use it."""

    maker: dict[str, Any]
    users: dict[str, list[Any]]


def links_of(graph: Any) -> Links:
    """The links of an ONNX graph as it is now."""
    users: dict[str, list[Any]] = {}
    for node in graph.node:
        for name in node.input:
            users.setdefault(name, []).append(node)
    return Links({name: node for node in graph.node for name in node.output if name}, users)


def replace_nodes(model: Any, nodes: Iterable[Any]) -> Any:
    """The model with other nodes, without what no output needs."""
    made = list(nodes)
    del model.graph.node[:]
    model.graph.node.extend(made)
    return pruned(model)


def pruned(model: Any) -> Any:
    """The model without nodes, weights and inputs that no output needs; nodes in an order that runs."""
    graph = model.graph
    maker = links_of(graph).maker
    given = {i.name for i in graph.input} | {i.name for i in graph.initializer} | {""}
    order: list[Any] = []
    entered: set[int] = set()
    waiting = [(maker[o.name], False) for o in graph.output if o.name in maker]
    while waiting:
        node, finished = waiting.pop()
        if finished:
            order.append(node)
        elif id(node) not in entered:
            entered.add(id(node))
            waiting.append((node, True))
            waiting += [(maker[name], False) for name in node.input if name not in given]
    used = {name for node in order for name in node.input} | {o.name for o in graph.output}
    weights = [i for i in graph.initializer if i.name in used]
    inputs = [i for i in graph.input if i.name in used]
    for field, kept in ((graph.node, order), (graph.initializer, weights), (graph.input, inputs)):
        del field[:]
        field.extend(kept)
    return model


def cut(model: Any, inputs: Sequence[Tensor], outputs: Sequence[Tensor]) -> Any:
    """A copy of the part of a model between tensors."""
    from onnx import ModelProto, helper  # noqa: PLC0415 - needed once a set-up

    part = ModelProto()
    part.CopyFrom(model)
    graph = part.graph
    del graph.input[:]
    del graph.output[:]
    given = {name for name, *_ in inputs}
    for node in graph.node:  # whoever made what is now given, does not make it any more
        for index, name in enumerate(node.output):
            if name in given:
                node.output[index] = ""
    graph.input.extend(helper.make_tensor_value_info(*tensor) for tensor in inputs)
    graph.output.extend(helper.make_tensor_value_info(*tensor) for tensor in outputs)
    return pruned(part)
