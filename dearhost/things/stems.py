"""Words as they are compared: lower case, without endings."""

from __future__ import annotations

import re
from functools import lru_cache

from dearhost.languages.snowball import snowball

_IRREGULAR = {
    "children": "child", "people": "person", "men": "man", "women": "woman", "feet": "foot", "teeth": "tooth",
    "mice": "mouse", "leaves": "leaf", "shelves": "shelf", "bought": "buy", "sold": "sell", "paid": "pay",
    "grew": "grow", "grown": "grow", "fell": "fall", "fallen": "fall", "risen": "rise", "sent": "send",
    "gave": "give", "given": "give", "took": "take", "taken": "take", "brought": "bring", "kept": "keep",
    "wrote": "write", "written": "write", "drove": "drive", "ate": "eat", "ran": "run", "met": "meet", "saw": "see",
    "heard": "hear", "spoke": "speak", "taught": "teach", "built": "build", "won": "win", "lost": "lose",
    "broke": "break", "went": "go", "news": "news", "glasses": "glasses", "scissors": "scissors",
}  # fmt: skip


@lru_cache(maxsize=20000)
def stem(word: str) -> str:
    """The stem of one word (Porter 2001, Snowball's English), with plurals and pasts that are irregular."""
    bare = word.lower().strip("'’").removesuffix("'s").removesuffix("’s")
    return snowball(_IRREGULAR.get(bare, bare), "english")


_ARTICLE = re.compile(r"^(?:l|un|d|dell|all|nell|sull|dall|qu)['’](?=\w{2})", re.IGNORECASE)


def without_article(word: str) -> str:
    """A French or Italian word without the article run into it: ``orage`` of ``l'orage``; ``s'ouvre`` stays."""
    return _ARTICLE.sub("", word)


def words_in(text: str) -> list[re.Match[str]]:
    """The words and numbers of a text, where they stand."""
    return list(re.finditer(r"[^\W\d_]+(?:['’][^\W\d_]+)?|\d+", text))
