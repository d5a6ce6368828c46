"""Italian. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language

ITALIAN = Language(
    code="it",
    name="Italian",
    counted=("uno primo", "due secondo", "tre terzo"),
    gesture_words={
        "greet": "ciao arrivederci salve buongiorno",
        "welcome": "benvenuto benvenuta benvenuti benvenute",
        "thank": "grazie ringrazio ringraziamo scusa scusate",
        "large": "enorme enormi gigante immenso immensa tutto tutta tutti tutte intero intera",
        "small": "piccolo piccola piccoli piccole minuscolo minuscola stretto",
        "list": "primo prima innanzitutto tre",
        "halt": "alt fermo fermi aspetta aspettate attenzione",
        "address": "tu te ti tuo tua tuoi tue voi vi vostro vostra",
        "deny": "non mai nessuno nessuna niente nulla no né",
        "here": "qui ecco questo questa",
        "agree": "sì esatto esattamente vero certo sempre",
        "unsure": "forse magari chissà",
        "think": "penso pensare immagina immaginate ricordo ricordate chiedo",
        "other": "altro altra altri altre ma invece",
        "and": "e ed o",
    },
)  # fmt: skip
