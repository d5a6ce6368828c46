"""German. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, words
from dearhost.languages.lexicon import Lexicon

GERMAN = Language(
    code="de",
    name="German",
    counted=("eins erstens", "zwei zweitens", "drei drittens"),
    gesture_words={
        "greet": "hallo tschüss servus moin ade",
        "welcome": "willkommen",
        "thank": "danke dank danken dankbar entschuldigung verzeihung",
        "large": "riesig riesige riesiger riesiges riesigen gewaltig gewaltige gewaltigen enorm enorme alles alle "
        "ganze ganzen ganzer ganzes jeder",
        "small": "klein kleine kleiner kleines kleinen winzig winzige winziger winziges winzigen schmal wenig",
        "list": "erstens zuerst drei",
        "halt": "halt stopp warte wartet warten vorsicht achtung",
        "address": "du dich dir dein deine deinen deinem deiner euch euer eure euren Sie Ihnen Ihr Ihre Ihren Ihrem",
        "deny": "nicht nie niemals niemand nichts kein keine keinen keinem keiner nein weder",
        "here": "hier dieser diese dieses",
        "agree": "ja genau richtig stimmt wahr immer natürlich",
        "unsure": "vielleicht irgendwie womöglich möglicherweise",
        "think": "denke denken denkt überlegen erinnern vorstellen",
        "other": "andere anderen anderer anderes stattdessen aber dagegen sondern",
        "and": "und oder",
    },
    lexicon=Lexicon(
        language="de",
        point="Komma",
        minus="minus",
        percent="Prozent",
        range_word="bis",
        decimal_comma=True,
        currencies={
            "$": ("Dollar", "Dollar", ""), "€": ("Euro", "Euro", ""), "£": ("Pfund", "Pfund", ""),
            "¥": ("Yen", "Yen", ""),
        },
        units={
            "km": "Kilometer", "m": "Meter", "cm": "Zentimeter", "mm": "Millimeter", "kg": "Kilogramm", "g": "Gramm",
            "l": "Liter", "ml": "Milliliter", "h": "Stunden", "min": "Minuten", "s": "Sekunden", "std": "Stunden",
            "km/h": "Kilometer pro Stunde", "°c": "Grad Celsius", "°": "Grad", "m²": "Quadratmeter", "%": "Prozent",
            "gb": "Gigabyte", "mb": "Megabyte", "uhr": "Uhr",
        },
        magnitudes={"k": "tausend", "M": "Millionen"},
        abbreviations={
            "dr.": "Doktor", "prof.": "Professor", "hr.": "Herr", "fr.": "Frau", "z.b.": "zum Beispiel",
            "d.h.": "das heißt", "usw.": "und so weiter", "bzw.": "beziehungsweise", "ca.": "circa", "nr.": "Nummer",
            "str.": "Straße", "u.a.": "unter anderem", "st.": "Sankt", "&": "und", "evtl.": "eventuell",
        },
        symbols={"+": "plus", "=": "gleich", "@": "at", "#": "Raute", "/": "Schrägstrich", "%": "Prozent",
                 "&": "und", "°": "Grad", ".": "Punkt", "_": "Unterstrich", "×": "mal",
                 "²": "Quadrat", "³": "hoch drei"},
        months=(
            "Januar", "Februar", "März", "April", "Mai", "Juni",
            "Juli", "August", "September", "Oktober", "November", "Dezember",
        ),
        fractions={"½": "ein halb", "¼": "ein Viertel", "¾": "drei Viertel"},
        ordinal=r"(\d+)\.",
        oclock="Uhr",
    ),
    weak_ends=words(
        """
        der die das ein eine und im am zu
        """
    ),
)  # fmt: skip
