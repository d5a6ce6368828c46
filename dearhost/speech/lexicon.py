"""What the rules of ``verbalise`` need to know of each language. Data only."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Lexicon:
    """``language`` is the num2words code; currencies give (one, many, parts)."""

    language: str
    point: str
    minus: str
    percent: str
    range_word: str
    decimal_comma: bool
    currencies: Mapping[str, tuple[str, str, str]]
    units: Mapping[str, str]
    magnitudes: Mapping[str, str]
    abbreviations: Mapping[str, str]
    symbols: Mapping[str, str]
    months: tuple[str, ...]
    fractions: Mapping[str, str]
    ordinal: str  # a pattern with one group: the digits
    oclock: str
    letter_names: Mapping[str, str] = field(default_factory=dict)


ENGLISH = Lexicon(
    language="en",
    point="point",
    minus="minus",
    percent="percent",
    range_word="to",
    decimal_comma=False,
    currencies={
        "$": ("dollar", "dollars", ""),
        "€": ("euro", "euros", ""),
        "£": ("pound", "pounds", ""),
        "¥": ("yen", "yen", ""),
    },
    units={
        "km": "kilometers", "m": "meters", "cm": "centimeters", "mm": "millimeters", "kg": "kilograms",
        "g": "grams", "lb": "pounds", "lbs": "pounds", "oz": "ounces", "l": "liters", "ml": "milliliters",
        "gb": "gigabytes", "mb": "megabytes", "tb": "terabytes", "hz": "hertz", "khz": "kilohertz",
        "ghz": "gigahertz", "fps": "frames per second", "mph": "miles per hour", "km/h": "kilometers per hour",
        "kn": "knots", "kw": "kilowatts", "tsp": "teaspoon", "tbsp": "tablespoon", "hrs": "hours", "hr": "hour",
        "min": "minutes", "sec": "seconds", "am": "A M", "pm": "P M", "m²": "square meters",
        "m³": "cubic meters", "°c": "degrees celsius", "°f": "degrees fahrenheit", "°": "degrees",
        "x": "times", "ft": "feet", "in": "inches", "inch": "inch", "★": "stars", "¢": "cents", "%": "percent",
    },
    magnitudes={"k": "thousand", "m": "million", "M": "million", "bn": "billion", "b": "billion", "B": "billion"},
    abbreviations={
        "dr.": "doctor", "mr.": "mister", "mrs.": "missus", "ms.": "miz", "prof.": "professor", "st.": "saint",
        "i.e.": "that is", "e.g.": "for example", "etc.": "et cetera", "vs.": "versus", "no.": "number",
        "vol.": "volume", "pp.": "pages", "p.": "page", "jan.": "january", "feb.": "february", "mar.": "march",
        "apr.": "april", "aug.": "august", "sept.": "september", "sep.": "september", "oct.": "october",
        "nov.": "november", "dec.": "december", "mon": "monday", "tue": "tuesday", "wed": "wednesday",
        "thu": "thursday", "fri": "friday", "a.m.": "A M", "p.m.": "P M", "ph.d.": "P H D", "approx.": "approximately",
        "dept.": "department", "est.": "established", "jr.": "junior", "sr.": "senior", "inc.": "incorporated",
        "ltd.": "limited", "co.": "company", "nasa": "nasa", "ceo": "C E O", "r&d": "R and D", "at&t": "A T and T",
        "h&m": "H and M", "p&g": "P and G", "m&ms": "M and Ms", "q&a": "Q and A", "c++": "C plus plus",
        "c#": "C sharp", "&": "and", "wi-fi": "wi fi", "http": "H T T P", "https": "H T T P S",
        "www": "double-u double-u double-u", "io": "I O", "ok": "O K", "pdf": "P D F", "usa": "U S A", "uk": "U K",
        "eu": "E U", "est": "E S T", "api": "A P I", "id": "I D", "ai": "A I", "diy": "D I Y", "faq": "F A Q",
        "oled": "O led", "ram": "ram", "e-mail": "email", "ipv6": "I P V six",
    },
    symbols={
        "+": "plus", "=": "equals", "@": "at", "#": "hashtag", "_": "underscore", "/": "slash", "~": "about",
        "<": "less than", ">": "greater than", "%": "percent", "&": "and", "°": "degrees", "²": "squared",
        "³": "cubed", "★": "stars", "¢": "cents", ".": "dot", "×": "times", "π": "pi", "μ": "micro", "§": "section",
        "√": "root", "≈": "about", "→": "to",
    },
    months=(
        "january", "february", "march", "april", "may", "june",
        "july", "august", "september", "october", "november", "december",
    ),
    fractions={"½": "a half", "¼": "a quarter", "¾": "three quarters", "⅓": "a third", "⅔": "two thirds",
               "⅛": "an eighth"},
    ordinal=r"(\d+)(?:st|nd|rd|th)",
    oclock="o'clock",
)  # fmt: skip

SPANISH = Lexicon(
    language="es",
    point="coma",
    minus="menos",
    percent="por ciento",
    range_word="a",
    decimal_comma=True,
    currencies={
        "$": ("dólar", "dólares", ""), "€": ("euro", "euros", ""), "£": ("libra", "libras", ""),
        "¥": ("yen", "yenes", ""),
    },
    units={
        "km": "kilómetros", "m": "metros", "cm": "centímetros", "mm": "milímetros", "kg": "kilogramos",
        "g": "gramos", "l": "litros", "ml": "mililitros", "h": "horas", "min": "minutos", "s": "segundos",
        "km/h": "kilómetros por hora", "°c": "grados celsius", "°": "grados", "m²": "metros cuadrados",
        "%": "por ciento", "gb": "gigabytes", "mb": "megabytes",
    },
    magnitudes={"k": "mil", "M": "millones"},
    abbreviations={
        "sr.": "señor", "sra.": "señora", "dr.": "doctor", "dra.": "doctora", "ud.": "usted", "uds.": "ustedes",
        "etc.": "etcétera", "p.ej.": "por ejemplo", "núm.": "número", "pág.": "página", "&": "y",
        "ee.uu.": "Estados Unidos",
    },
    symbols={"+": "más", "=": "igual a", "@": "arroba", "#": "almohadilla", "/": "barra", "%": "por ciento",
             "&": "y", "°": "grados", ".": "punto", "_": "guion bajo", "×": "por", "²": "al cuadrado", "³": "al cubo"},
    months=(
        "enero", "febrero", "marzo", "abril", "mayo", "junio",
        "julio", "agosto", "septiembre", "octubre", "noviembre", "diciembre",
    ),
    fractions={"½": "medio", "¼": "un cuarto", "¾": "tres cuartos"},
    ordinal=r"(\d+)\.?[ºª]",
    oclock="en punto",
)  # fmt: skip

FRENCH = Lexicon(
    language="fr",
    point="virgule",
    minus="moins",
    percent="pour cent",
    range_word="à",
    decimal_comma=True,
    currencies={
        "$": ("dollar", "dollars", ""), "€": ("euro", "euros", ""), "£": ("livre", "livres", ""),
        "¥": ("yen", "yens", ""),
    },
    units={
        "km": "kilomètres", "m": "mètres", "cm": "centimètres", "mm": "millimètres", "kg": "kilogrammes",
        "g": "grammes", "l": "litres", "ml": "millilitres", "h": "heures", "min": "minutes", "s": "secondes",
        "km/h": "kilomètres par heure", "°c": "degrés celsius", "°": "degrés", "m²": "mètres carrés",
        "%": "pour cent", "go": "gigaoctets", "mo": "mégaoctets",
    },
    magnitudes={"k": "mille", "M": "millions"},
    abbreviations={
        "m.": "monsieur", "mme": "madame", "mlle": "mademoiselle", "dr": "docteur", "etc.": "et cetera",
        "p.ex.": "par exemple", "n°": "numéro", "&": "et", "st": "saint", "ste": "sainte",
    },
    symbols={"+": "plus", "=": "égale", "@": "arobase", "#": "dièse", "/": "barre oblique", "%": "pour cent",
             "&": "et", "°": "degrés", ".": "point", "_": "tiret bas", "×": "fois", "²": "au carré", "³": "au cube"},
    months=(
        "janvier", "février", "mars", "avril", "mai", "juin",
        "juillet", "août", "septembre", "octobre", "novembre", "décembre",
    ),
    fractions={"½": "un demi", "¼": "un quart", "¾": "trois quarts"},
    ordinal=r"(\d+)(?:er|re|e|ème|nd|nde)",
    oclock="heures",
)  # fmt: skip

GERMAN = Lexicon(
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
             "&": "und", "°": "Grad", ".": "Punkt", "_": "Unterstrich", "×": "mal", "²": "Quadrat", "³": "hoch drei"},
    months=(
        "Januar", "Februar", "März", "April", "Mai", "Juni",
        "Juli", "August", "September", "Oktober", "November", "Dezember",
    ),
    fractions={"½": "ein halb", "¼": "ein Viertel", "¾": "drei Viertel"},
    ordinal=r"(\d+)\.",
    oclock="Uhr",
)  # fmt: skip

LEXICONS: Mapping[str, Lexicon] = {"en": ENGLISH, "es": SPANISH, "fr": FRENCH, "de": GERMAN}
