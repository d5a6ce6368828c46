"""Pronunciation lists in W3C PLS 1.0 (Pronunciation Lexicon Specification, 2008)."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from lxml import etree

from dearhost.errors import UnreadableScript

NAMESPACE = "http://www.w3.org/2005/01/pronunciation-lexicon"
_LARGEST = 4_000_000
_XML_LANG = "{http://www.w3.org/XML/1998/namespace}lang"


@dataclass(frozen=True, slots=True)
class Lexeme:
    """A written word with an ``alias`` to say instead, or its phones in IPA."""

    grapheme: str
    alias: str = ""
    ipa: str = ""


@dataclass(frozen=True, slots=True)
class Lexicon:
    """``lexemes`` of a language (BCP 47), and ``notes`` on what was passed over, in sentences."""

    language: str
    lexemes: tuple[Lexeme, ...]
    notes: tuple[str, ...] = ()


def write_pls(language: str, lexemes: Iterable[Lexeme]) -> bytes:
    """A PLS document."""
    root = etree.Element(f"{{{NAMESPACE}}}lexicon", nsmap={None: NAMESPACE}, version="1.0", alphabet="ipa")
    root.set(_XML_LANG, language)
    for lexeme in lexemes:
        entry = etree.SubElement(root, f"{{{NAMESPACE}}}lexeme")
        etree.SubElement(entry, f"{{{NAMESPACE}}}grapheme").text = lexeme.grapheme
        if lexeme.alias:
            etree.SubElement(entry, f"{{{NAMESPACE}}}alias").text = lexeme.alias
        if lexeme.ipa:
            etree.SubElement(entry, f"{{{NAMESPACE}}}phoneme").text = lexeme.ipa
    made: bytes = etree.tostring(root, encoding="UTF-8", xml_declaration=True, pretty_print=True)
    return made


def read_pls(data: bytes) -> Lexicon:
    """Read a PLS document: every spelling of a lexeme, its first pronunciation (or the preferred one).

    Phones in another alphabet than IPA, spellings of several words, and elements of other namespaces are passed
    over and noted. Raises UnreadableScript for what is no PLS, and for documents that declare entities.
    """
    root = _parsed(data)
    if etree.QName(root).localname != "lexicon":
        raise UnreadableScript("This is XML, but no pronunciation list (PLS): its first element is no 'lexicon'.")
    space = etree.QName(root).namespace
    if space not in (NAMESPACE, None):
        raise UnreadableScript(f"This pronunciation list is of another kind ('{space}'). Save it as W3C PLS 1.0.")
    alphabet = root.get("alphabet", "ipa")
    found: list[Lexeme] = []
    notes: list[str] = []
    foreign = 0
    for entry in root:
        if not isinstance(entry.tag, str):
            continue
        name = etree.QName(entry)
        if name.namespace != space or name.localname != "lexeme":
            foreign += name.localname not in ("meta", "metadata")
            continue
        found += _lexemes(entry, space, alphabet, notes)
    if foreign:
        notes.append(f"{foreign} elements that are no part of PLS were passed over.")
    return Lexicon(root.get(_XML_LANG, ""), tuple(found), tuple(notes))


def _parsed(data: bytes) -> Any:
    if len(data) > _LARGEST:
        raise UnreadableScript("This file is too big for a pronunciation list (over 4 MB).")
    parser = etree.XMLParser(resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False)
    try:
        root = etree.fromstring(data, parser)
    except (etree.XMLSyntaxError, ValueError) as error:
        raise UnreadableScript(f"This is no pronunciation list (PLS): {str(error)[:120]}.") from error
    document = root.getroottree().docinfo
    if document.internalDTD is not None and list(document.internalDTD.iterentities()):
        raise UnreadableScript("This pronunciation list declares entities of its own. Save it without them.")
    return root


def _lexemes(entry: Any, space: str | None, alphabet: str, notes: list[str]) -> list[Lexeme]:
    def texts(name: str) -> list[Any]:
        tag = f"{{{space}}}{name}" if space else name
        return [e for e in entry.findall(tag) if (e.text or "").strip()]

    graphemes = [" ".join(e.text.split()) for e in texts("grapheme")]
    said = sorted(texts("alias") + texts("phoneme"), key=lambda e: e.get("prefer") != "true")
    alias, ipa = "", ""
    for element in said:
        kind = etree.QName(element).localname
        if kind == "alias":
            alias = " ".join(element.text.split())
        elif element.get("alphabet", alphabet).lower() in ("ipa", "ipa-x-pls"):
            ipa = "".join(element.text.split())
        else:
            notes.append(f"'{', '.join(graphemes)}' is written in '{element.get('alphabet', alphabet)}', not in IPA.")
            continue
        break
    made = []
    for grapheme in graphemes:
        if " " in grapheme:
            notes.append(f"'{grapheme}' is several words; the list holds single words.")
        elif alias or ipa:
            made.append(Lexeme(grapheme, alias, ipa))
    return made
