"""Which phones of a sentence belong to which of its words."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from itertools import pairwise

from dearhost.speech.phone_symbols import phones_in
from dearhost.speech.plan import SpokenWord
from dearhost.speech.sharing import share_out


def spoken_words(words: Sequence[SpokenWord], symbols: Sequence[str], breaks: Sequence[bool],
                 alone: Callable[[str], Sequence[str]]) -> list[int]:  # fmt: skip
    """For each phone, the index of its spoken word; ``alone`` gives a word's phones when it is said by itself.

    Raises ValueError when there are fewer phones than words.
    """
    if words[0].written == words[-1].written:  # one long number, say: there is nothing to share out
        return [min(index, len(words) - 1) for index in range(len(symbols))]
    said = [phones_in(word.ipa) if word.ipa else alone(word.text) for word in words]
    cuts = share_out(symbols, breaks, said)
    owners: list[int] = []
    for index, (first, last) in enumerate(pairwise(cuts)):
        owners += [index] * (last - first)
    return owners
