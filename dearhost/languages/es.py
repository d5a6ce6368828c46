"""Spanish. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, words
from dearhost.languages.lexicon import Lexicon

SPANISH = Language(
    code="es",
    name="Spanish",
    counted=("uno primero", "dos segundo", "tres tercero"),
    gesture_words={
        "greet": "hola adiós",
        "welcome": "bienvenido bienvenida bienvenidos bienvenidas",
        "thank": "gracias agradezco perdón",
        "large": "enorme enormes gigante inmenso inmensa todo toda todos todas entero entera",
        "small": "pequeño pequeña pequeños pequeñas diminuto diminuta estrecho",
        "list": "primero primera tres",
        "halt": "espera esperen cuidado",
        "address": "tú ti tu tus usted ustedes vosotros os",
        "deny": "no nunca jamás nadie nada ningún ninguno ninguna tampoco",
        "here": "aquí este esta esto",
        "agree": "sí exacto exactamente cierto verdad siempre claro",
        "unsure": "quizás quizá acaso",
        "think": "pienso pensar imagina imaginen recuerda recuerdo pregunto",
        "other": "otro otra otros otras pero sino",
        "and": "y e o u",
    },
    lexicon=Lexicon(
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
                 "&": "y", "°": "grados", ".": "punto", "_": "guion bajo", "×": "por",
                 "²": "al cuadrado", "³": "al cubo"},
        months=(
            "enero", "febrero", "marzo", "abril", "mayo", "junio",
            "julio", "agosto", "septiembre", "octubre", "noviembre", "diciembre",
        ),
        fractions={"½": "medio", "¼": "un cuarto", "¾": "tres cuartos"},
        ordinal=r"(\d+)\.?[ºª]",
        oclock="en punto",
    ),
    weak_ends=words(
        """
        el la los las un una de del en y
        """
    ),
)  # fmt: skip
