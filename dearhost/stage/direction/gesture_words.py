"""What a word says that a gesture could say too, by the word tables of each language.

Lists are known in these languages too, questions in every one.
"""

from __future__ import annotations

from collections.abc import Mapping

from dearhost.languages import LANGUAGES, main_code

_IDEAS: Mapping[str, Mapping[str, str]] = {
    language: {word: idea for idea, words in ideas.items() for word in words.split()}
    for language, ideas in ((code, known.gesture_words) for code, known in LANGUAGES.items())
}
_ENDINGS: Mapping[str, tuple[tuple[str, str], ...]] = {
    language: tuple((word[1:], idea) for word, idea in words.items() if word[0] == "*")
    for language, words in _IDEAS.items()
}


def idea_of(word: str, language: str, *, begins: bool) -> str:
    """What a word says that a gesture could say too, such as "deny", in a language such as "de-AT"; "" for nothing.

    ``begins``: it is the first of its sentence. What comes after an apostrophe is a word as well ("l'autre").
    """
    main = main_code(language)
    ideas = _IDEAS.get(main)
    if ideas is None:
        return ""
    plain = word.replace("’", "'")
    if not begins and plain in ideas:
        return ideas[plain]
    for form in (plain.lower(), plain.lower().rpartition("'")[2]):
        if form in ideas:
            return ideas[form]
    return next((idea for ending, idea in _ENDINGS[main] if plain.lower().endswith(ending)), "")
