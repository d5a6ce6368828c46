"""Drawings of strangers made safe: what an SVG file may hold, and nothing that reaches out of it."""

from __future__ import annotations

import re
from typing import Any

from lxml import etree

from dearhost.errors import HostError

_SVG, _XLINK_HREF = "{http://www.w3.org/2000/svg}", "{http://www.w3.org/1999/xlink}href"
_ALLOWED = frozenset(
    [
        "svg",
        "g",
        "defs",
        "path",
        "rect",
        "circle",
        "ellipse",
        "line",
        "polyline",
        "polygon",
        "text",
        "tspan",
        "linearGradient",
        "radialGradient",
        "stop",
        "clipPath",
        "mask",
        "use",
        "symbol",
        "title",
        "desc",
        "pattern",
        "image",
    ]
)
_DATA = re.compile(r"data:image/(png|jpeg);base64,")
_REACHES_OUT = re.compile(r"url\(\s*['\"]?(?!#)|expression|@import|javascript:", re.I)
_LARGEST, _MOST_PIECES = 4_000_000, 20_000


def looks_like_svg(data: bytes) -> bool:
    """Whether the beginning of a file is that of a drawing."""
    return b"<svg" in data[:4096].lower()


def safe_svg(data: bytes) -> bytes:
    """The drawing without scripts, styles of elsewhere, links and entities.

    Raises HostError for what is no SVG, is over 4 MB, or asks for more than 20,000 pieces once every use is followed.
    """
    if len(data) > _LARGEST:
        raise HostError("This drawing is larger than 4 MB. Save it as PNG and choose it again.")
    parser = etree.XMLParser(
        resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False, remove_comments=True, remove_pis=True
    )
    try:
        root = etree.fromstring(data, parser)
    except etree.XMLSyntaxError as error:
        raise HostError("This drawing is damaged. Save it again, or as PNG.") from error
    if root.tag != f"{_SVG}svg":
        raise HostError("This file is no SVG drawing. Save it as SVG or PNG.")
    elements = list(root.iter())  # kept alive: what is known of an element hangs on its identity
    for element in elements:
        _cleaned(element)
    ids = {element.get("id"): element for element in root.iter() if element.get("id")}
    if _pieces(root, ids, {}, ()) > _MOST_PIECES:
        raise HostError("This drawing asks for more than 20,000 pieces. Save it as PNG and choose it again.")
    return bytes(etree.tostring(root))


def _cleaned(element: Any) -> None:
    if element.tag == f"{_SVG}a":
        element.tag = f"{_SVG}g"
        element.attrib.clear()
    name = element.tag[len(_SVG) :] if isinstance(element.tag, str) and element.tag.startswith(_SVG) else ""
    if name not in _ALLOWED:
        parent = element.getparent()
        if parent is not None:
            parent.remove(element)
        return
    for key, value in list(element.attrib.items()):
        plain = key.split("}")[-1].lower()
        if plain == "href":
            del element.attrib[key]
            if value.startswith("#") or (name == "image" and _DATA.match(value)):
                element.set(_XLINK_HREF, value)  # the only one that is drawn
        elif plain.startswith("on") or _REACHES_OUT.search(value):
            del element.attrib[key]


def _pieces(element: Any, ids: dict[str, Any], known: dict[Any, int], above: tuple[Any, ...]) -> int:
    """How many elements are drawn for one once every use is followed: a small file can ask for a thousand million."""
    if element in known:
        return known[element]
    if element in above:
        return _MOST_PIECES + 1
    above = (*above, element)
    count = 1 + sum(_pieces(child, ids, known, above) for child in element)
    if element.tag == f"{_SVG}use":
        used = ids.get((element.get(_XLINK_HREF) or "#")[1:])
        if used is not None:
            count += _pieces(used, ids, known, above)
    known[element] = min(count, _MOST_PIECES + 1)
    return known[element]
