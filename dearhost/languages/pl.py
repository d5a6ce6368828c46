"""Polish. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language

POLISH = Language(
    code="pl",
    name="Polish",
    counted=("jeden pierwszy", "dwa drugi", "trzy trzeci"),
    gesture_words={
        "greet": "cześć witam pa",
        "welcome": "witajcie zapraszam",
        "thank": "dziękuję dziękujemy dzięki przepraszam",
        "large": "ogromny ogromna ogromne wielki wielka wielkie wszystko wszyscy cały cała całe",
        "small": "mały mała małe malutki malutka maleńki wąski",
        "list": "pierwszy najpierw trzy",
        "halt": "stop czekaj czekajcie uwaga ostrożnie",
        "address": "ty ciebie cię tobie twój twoja twoje was wam wasz pan pani państwo",
        "deny": "nie nigdy nikt nic żaden żadna żadne",
        "here": "tutaj",
        "agree": "tak dokładnie prawda zawsze oczywiście",
        "unsure": "chyba",
        "think": "myślę myśleć pamiętam wyobraź",
        "other": "inny inna inne ale natomiast",
        "and": "i oraz lub albo",
    },
)  # fmt: skip
