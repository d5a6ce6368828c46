"""Word tables, one module a language. To add a language, add its module and its line here."""

from collections.abc import Mapping

from dearhost.languages.de import GERMAN
from dearhost.languages.en import ENGLISH
from dearhost.languages.es import SPANISH
from dearhost.languages.fr import FRENCH
from dearhost.languages.it import ITALIAN
from dearhost.languages.language import Language
from dearhost.languages.lexicon import Lexicon
from dearhost.languages.nl import DUTCH
from dearhost.languages.pl import POLISH
from dearhost.languages.pt import PORTUGUESE
from dearhost.languages.ru import RUSSIAN
from dearhost.languages.sv import SWEDISH

LANGUAGES: Mapping[str, Language] = {
    language.code: language
    for language in (ENGLISH, GERMAN, SPANISH, FRENCH, ITALIAN, DUTCH, POLISH, PORTUGUESE, RUSSIAN, SWEDISH)
}
"""By code."""
LEXICONS: Mapping[str, Lexicon] = {code: known.lexicon for code, known in LANGUAGES.items() if known.lexicon}


def main_code(tag: str) -> str:
    """The part of a BCP 47 tag before the hyphen, in small letters."""
    return tag.split("-")[0].lower()


__all__ = ["LANGUAGES", "LEXICONS", "Language", "Lexicon", "main_code"]
