"""Whether a given name is a woman's or a man's, by the lists of names of 86 countries and languages in Faker."""

from __future__ import annotations

import importlib
import pkgutil
from collections import Counter
from functools import lru_cache

WOMAN, MAN = "woman", "man"
_CLEAR = 3
"""So many times as many lists must have a name for the one as for the other."""
_TITLES = {
    WOMAN: "mrs ms miss madam mother mum grandmother granny aunt sister queen princess lady girl woman frau señora "
    "madame signora dona",
    MAN: "mr sir father dad grandfather grandpa uncle brother king prince lord boy man herr señor monsieur signor dom",
}
_BY_TITLE = {title: who for who, titles in _TITLES.items() for title in titles.split()}


def woman_or_man(name: str) -> str:
    """``WOMAN`` or ``MAN`` by the first word of a speaker's name that says so; "" where none does."""
    known = _names()
    for word in name.casefold().replace(".", " ").split():
        who = _BY_TITLE.get(word) or known.get(word, "")
        if who:
            return who
    return ""


@lru_cache(maxsize=1)
def _names() -> dict[str, str]:
    from faker.providers import person  # noqa: PLC0415 - a fifth of a second, for whoever has speakers to cast

    lists = {WOMAN: Counter[str](), MAN: Counter[str]()}
    for country in pkgutil.iter_modules(person.__path__):
        provider = importlib.import_module(f"{person.__name__}.{country.name}").Provider
        for who, field in ((WOMAN, "first_names_female"), (MAN, "first_names_male")):
            lists[who].update({given.casefold() for given in getattr(provider, field, ())})
    found = {}
    for given in lists[WOMAN].keys() | lists[MAN].keys():
        women, men = lists[WOMAN][given], lists[MAN][given]
        if women >= _CLEAR * men or men >= _CLEAR * women:
            found[given] = WOMAN if women > men else MAN
    return found
