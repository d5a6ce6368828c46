"""Captions as IMSC 1.1 text profile (W3C Recommendation, 8 November 2018), a profile of TTML2."""

from __future__ import annotations

from collections.abc import Iterable

from lxml import etree

from dearhost.formats.timed_text import TimedText, clock

TT, TTS, TTP, TTM = (f"http://www.w3.org/ns/ttml{part}" for part in ("", "#styling", "#parameter", "#metadata"))
PROFILE = "http://www.w3.org/ns/ttml/profile/imsc1.1/text"
_XML = "http://www.w3.org/XML/1998/namespace"


def to_imsc(captions: Iterable[TimedText], *, language: str) -> str:
    """A document with a region at the foot and one at the top, the speakers as agents. ``language``: a BCP 47 tag."""
    captions = list(captions)
    root = etree.Element(f"{{{TT}}}tt", nsmap={None: TT, "tts": TTS, "ttp": TTP, "ttm": TTM})
    root.set(f"{{{_XML}}}lang", language)
    root.set(f"{{{TTP}}}contentProfiles", PROFILE)
    root.set(f"{{{TTP}}}timeBase", "media")
    head = etree.SubElement(root, f"{{{TT}}}head")
    speakers = list(dict.fromkeys(caption.speaker for caption in captions if caption.speaker))
    if speakers:
        metadata = etree.SubElement(head, f"{{{TT}}}metadata")
        for number, speaker in enumerate(speakers, 1):
            agent = etree.SubElement(metadata, f"{{{TTM}}}agent", {f"{{{_XML}}}id": f"s{number}", "type": "character"})
            etree.SubElement(agent, f"{{{TTM}}}name", {"type": "full"}).text = speaker
    styling = etree.SubElement(head, f"{{{TT}}}styling")
    etree.SubElement(
        styling, f"{{{TT}}}style",
        {f"{{{_XML}}}id": "plain", f"{{{TTS}}}fontFamily": "proportionalSansSerif", f"{{{TTS}}}fontSize": "80%",
         f"{{{TTS}}}color": "#ffffffff", f"{{{TTS}}}backgroundColor": "#000000c0", f"{{{TTS}}}textAlign": "center"},
    )  # fmt: skip
    layout = etree.SubElement(head, f"{{{TT}}}layout")
    for name, origin, align in (("foot", "10% 75%", "after"), ("top", "10% 7%", "before")):
        etree.SubElement(
            layout, f"{{{TT}}}region",
            {f"{{{_XML}}}id": name, f"{{{TTS}}}origin": origin, f"{{{TTS}}}extent": "80% 18%",
             f"{{{TTS}}}displayAlign": align, "style": "plain"},
        )  # fmt: skip
    division = etree.SubElement(etree.SubElement(root, f"{{{TT}}}body"), f"{{{TT}}}div")
    for number, caption in enumerate(captions, 1):
        told = {f"{{{_XML}}}id": f"c{number}", "begin": clock(caption.start, "."), "end": clock(caption.end, ".")}
        told["region"] = "top" if caption.top else "foot"
        if caption.speaker:
            told[f"{{{TTM}}}agent"] = f"s{speakers.index(caption.speaker) + 1}"
        paragraph = etree.SubElement(division, f"{{{TT}}}p", told)
        paragraph.text = caption.lines[0] if caption.lines else ""
        for line in caption.lines[1:]:
            etree.SubElement(paragraph, f"{{{TT}}}br").tail = line
    return str(etree.tostring(root, xml_declaration=True, encoding="UTF-8", pretty_print=True).decode())
