"""French. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, words
from dearhost.languages.lexicon import Lexicon

FRENCH = Language(
    code="fr",
    name="French",
    counted=("premier première", "deux deuxième", "trois troisième"),
    gesture_words={
        "greet": "bonjour bonsoir salut adieu",
        "welcome": "bienvenue bienvenus",
        "thank": "merci remercie remercions pardon désolé désolée",
        "large": "énorme énormes immense géant géante tout toute tous toutes entier entière",
        "small": "petit petite petits petites minuscule minuscules étroit étroite",
        "list": "premièrement d'abord premier première trois",
        "halt": "stop attends attendez attention prudence",
        "address": "tu toi te ton ta tes vous votre vos",
        "deny": "pas jamais rien aucun aucune non ni",
        "here": "ici voici ceci",
        "agree": "oui exactement vrai certes toujours",
        "unsure": "peut-être",
        "think": "pense penser imagine imaginez souviens demande",
        "other": "autre autres mais plutôt",
        "and": "et ou",
    },
    lexicon=Lexicon(
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
                 "&": "et", "°": "degrés", ".": "point", "_": "tiret bas", "×": "fois",
                 "²": "au carré", "³": "au cube"},
        months=(
            "janvier", "février", "mars", "avril", "mai", "juin",
            "juillet", "août", "septembre", "octobre", "novembre", "décembre",
        ),
        fractions={"½": "un demi", "¼": "un quart", "¾": "trois quarts"},
        ordinal=r"(\d+)(?:er|re|e|ème|nd|nde)",
        oclock="heures",
    ),
    weak_ends=words(
        """
        le les des du et à
        """
    ),
)  # fmt: skip
