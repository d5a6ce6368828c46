"""Whose a file is and under which licence, as far as it says so: EXIF, XMP, IPTC of pictures, tags of clips."""

from __future__ import annotations

import re
import struct
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from lxml import etree

_LONGEST = 200
_AUTHOR_TAG, _COPYRIGHT_TAG = 0x013B, 0x8298  # EXIF 2.32, table 4: Artist, Copyright
_BYLINE, _IPTC_COPYRIGHT = (2, 80), (2, 116)  # IPTC-IIM 4.2: By-line, Copyright Notice
_RIGHTS = ("usageterms", "license", "rights", "webstatement")
_LICENCES: tuple[tuple[str, str], ...] = (
    (r"creativecommons\.org/publicdomain/zero|\bCC0\b", "CC0"),
    (r"creativecommons\.org/licenses/(by(?:-nc)?(?:-sa|-nd)?)/(\d\.\d)", ""),
    (r"\bCC[ -](BY(?:-NC)?(?:-SA|-ND)?)[ -]?(\d\.\d)?", ""),
)


@dataclass(frozen=True, slots=True)
class Rights:
    """``author`` and ``licence`` are "" where the file says nothing."""

    author: str = ""
    licence: str = ""


def licence_named(text: str) -> str:
    """The licence that words about rights name, as "CC BY 4.0"; "" for none that is known."""
    for pattern, name in _LICENCES:
        if found := re.search(pattern, text, re.I):
            return name or f"CC {found[1].upper()} {found[2] or ''}".strip()
    return ""


def rights_of_picture(data: bytes, blocks: Iterable[bytes] = ()) -> Rights:
    """What a JPEG, PNG or WebP file says, or ``blocks`` of EXIF and XMP taken out of a file of another kind."""
    exif: dict[int, str] = {}
    xmp: dict[str, str] = {}
    iptc: dict[tuple[int, int], str] = {}
    for name, block in (*_segments(data), *(("", block) for block in blocks)):
        try:
            if name in ("eXIf", "EXIF") or block.startswith(b"Exif\0\0"):
                exif |= _exif(block)
            elif b"<x:xmpmeta" in block[:4096]:
                xmp |= _xmp(block)
            elif b"8BIM\x04\x04" in block:
                iptc |= _iptc(block)
        except (struct.error, etree.XMLSyntaxError, IndexError):
            continue  # a damaged block says nothing
    author = xmp.get("creator") or iptc.get(_BYLINE) or exif.get(_AUTHOR_TAG) or ""
    said = [xmp.get(name, "") for name in _RIGHTS] + [iptc.get(_IPTC_COPYRIGHT, ""), exif.get(_COPYRIGHT_TAG, "")]
    return Rights(author.strip()[:_LONGEST], licence_named(" / ".join(said)))


def rights_of_tags(tags: Mapping[str, str]) -> Rights:
    """What the tags of a clip or a sound say."""
    lowered = {key.lower(): value for key, value in tags.items()}
    author = lowered.get("artist") or lowered.get("author") or lowered.get("composer") or ""
    said = " / ".join(lowered.get(name, "") for name in ("license", "copyright", "comment", "description"))
    return Rights(author.strip()[:_LONGEST], licence_named(said))


def _segments(data: bytes) -> Iterator[tuple[str, bytes]]:
    if data[:2] == b"\xff\xd8":
        at = 2
        while at + 4 <= len(data) and data[at] == 0xFF and data[at + 1] not in (0xDA, 0xD9):
            length = struct.unpack(">H", data[at + 2 : at + 4])[0]
            yield "", data[at + 4 : at + 2 + length]
            at += 2 + max(2, length)
    elif data[:8] == b"\x89PNG\r\n\x1a\n":
        at = 8
        while at + 8 <= len(data):
            length, kind = struct.unpack(">I4s", data[at : at + 8])
            yield kind.decode("latin-1"), data[at + 8 : at + 8 + length]
            at += 12 + length
    elif data[:4] == b"RIFF" and data[8:12] == b"WEBP":
        at = 12
        while at + 8 <= len(data):
            kind, length = struct.unpack("<4sI", data[at : at + 8])
            yield kind.decode("latin-1"), data[at + 8 : at + 8 + length]
            at += 8 + length + length % 2


def _exif(block: bytes) -> dict[int, str]:
    body = block[6:] if block.startswith(b"Exif\0\0") else block
    order = {b"II": "<", b"MM": ">"}.get(body[:2], "")
    found: dict[int, str] = {}
    if not order:
        return found
    first = struct.unpack(order + "I", body[4:8])[0]
    for index in range(min(200, struct.unpack(order + "H", body[first : first + 2])[0])):
        entry = body[first + 2 + 12 * index :][:12]
        tag, kind, count = struct.unpack(order + "HHI", entry[:8])
        if kind == 2 and count < 4000:
            start = struct.unpack(order + "I", entry[8:12])[0]
            value = entry[8 : 8 + count] if count <= 4 else body[start:][:count]
            found[tag] = value.rstrip(b"\0").decode("utf-8", "replace")
    return found


def _xmp(block: bytes) -> dict[str, str]:
    start, end = block.find(b"<x:xmpmeta"), block.find(b"</x:xmpmeta>")
    if end < start or end - start > 200_000:
        return {}
    root = etree.fromstring(block[start : end + 12], etree.XMLParser(resolve_entities=False, no_network=True))
    found: dict[str, str] = {}
    for element in root.iter():
        if not isinstance(element.tag, str):
            continue
        name = element.tag.split("}")[-1].lower()
        resource = element.get("{http://www.w3.org/1999/02/22-rdf-syntax-ns#}resource", "")
        text = " ".join(part.strip() for part in element.itertext() if part.strip()) or resource
        if text:
            found.setdefault(name, text)
        for key, value in element.attrib.items():
            found.setdefault(key.split("}")[-1].lower(), value)
    return found


def _iptc(block: bytes) -> dict[tuple[int, int], str]:
    at = block.find(b"8BIM\x04\x04") + 12
    found: dict[tuple[int, int], str] = {}
    while at + 5 <= len(block) and block[at] == 0x1C:
        length = struct.unpack(">H", block[at + 3 : at + 5])[0]
        found[block[at + 1], block[at + 2]] = block[at + 5 : at + 5 + length].decode("utf-8", "replace")
        at += 5 + length
    return found
