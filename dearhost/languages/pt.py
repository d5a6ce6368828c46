"""Portuguese. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language

PORTUGUESE = Language(
    code="pt",
    name="Portuguese",
    counted=("primeiro", "dois duas", "três terceiro"),
    gesture_words={
        "greet": "olá oi adeus tchau",
        "welcome": "bem-vindo bem-vinda bem-vindos bem-vindas",
        "thank": "obrigado obrigada agradeço desculpe desculpa",
        "large": "enorme enormes gigante imenso imensa tudo todo toda todos todas inteiro inteira",
        "small": "pequeno pequena pequenos pequenas minúsculo minúscula estreito",
        "list": "primeiro primeira três",
        "halt": "pare espera espere cuidado atenção",
        "address": "você vocês tu ti teu tua",
        "deny": "não nunca jamais ninguém nada nenhum nenhuma",
        "here": "aqui este esta isto",
        "agree": "sim exatamente certo verdade sempre claro",
        "unsure": "talvez quiçá",
        "think": "penso pensar imagine imaginem lembro",
        "other": "outro outra outros outras mas porém",
        "and": "e ou",
    },
)  # fmt: skip
