"""Proofs of one account leave room for those of another."""

from __future__ import annotations

import threading
from concurrent.futures import ThreadPoolExecutor
from contextlib import ExitStack

import httpx
import pytest
from django.conf import settings
from django.test import Client

from server.productions.pictures import picture_turns, sound_waited_for
from server.productions.proof_turns import ProofTurns, WaitedFor
from tests.server.conftest import Begin

LONG = "MAREN: " + "Mama may bring a boat, and Papa mends the map. " * 6


def test_the_oldest_ends_when_an_account_takes_one_too_many() -> None:
    taken = ProofTurns(most=2)
    with ExitStack() as going:
        first, second, other = (going.enter_context(taken.taken(account)) for account in (1, 1, 2))
        assert not (first.is_set() or second.is_set())
        third = going.enter_context(taken.taken(1))
        assert [turn.is_set() for turn in (first, second, third, other)] == [True, False, False, False]
    assert taken.accounts == 0  # nothing is kept of who is gone


def test_a_turn_given_back_makes_room() -> None:
    taken = ProofTurns(most=1)
    with taken.taken(1) as first:
        pass
    with taken.taken(1) as second:
        assert not first.is_set() and not second.is_set()


def test_many_proofs_at_once_end_but_for_the_latest(address: str, client: Client, begin: Begin) -> None:
    production = begin(LONG)
    scene = production.document["script"]["scenes"][0]["id"]
    cookies = {settings.SESSION_COOKIE_NAME: client.cookies[settings.SESSION_COOKIE_NAME].value}
    path = f"{address}/pictures/{production.pk}/{scene}/proof-picture.mp4"
    begun = threading.Barrier(6)

    def proof(_: int) -> int:
        with httpx.Client(cookies=cookies, trust_env=False, timeout=120) as web:
            begun.wait()
            answer = web.get(path)
        assert answer.status_code == 200
        return len(answer.content)

    with ThreadPoolExecutor(6) as six:
        sizes = sorted(six.map(proof, range(6)))
    whole = sizes[-1]
    assert whole > 100_000 and sizes[3] > 0.9 * whole  # three are made to their end
    assert sizes[2] < 0.9 * whole  # the others are not
    assert picture_turns.accounts == 0


def test_what_is_waited_for_is_known_until_nobody_waits() -> None:
    waited = WaitedFor()
    assert not waited
    with waited.waiting():
        with waited.waiting():
            assert waited
        assert waited
    assert not waited
    try:
        with waited.waiting():
            raise ValueError
    except ValueError:
        assert not waited


def test_a_sound_that_is_not_fetched_to_its_end_holds_no_picture_up(address: str, client: Client, begin: Begin) -> None:
    production = begin(LONG)
    scene = production.document["script"]["scenes"][0]["id"]
    cookies = {settings.SESSION_COOKIE_NAME: client.cookies[settings.SESSION_COOKIE_NAME].value}
    where = f"{address}/pictures/{production.pk}/{scene}"
    with (
        httpx.Client(cookies=cookies, trust_env=False, timeout=120) as web,
        web.stream("GET", f"{where}/proof-sound.mp4") as sound,
    ):
        next(sound.iter_raw())
        assert web.get(f"{where}/proof-picture.mp4").status_code == 200
    assert not sound_waited_for


def test_what_a_picture_took_is_given_back_once_it_ends_or_is_left(
    address: str, client: Client, begin: Begin, monkeypatch: pytest.MonkeyPatch
) -> None:
    given_back = threading.Semaphore(0)
    monkeypatch.setattr("server.productions.pictures.release_memory", given_back.release)
    production = begin(LONG)
    scene = production.document["script"]["scenes"][0]["id"]
    cookies = {settings.SESSION_COOKIE_NAME: client.cookies[settings.SESSION_COOKIE_NAME].value}
    path = f"{address}/pictures/{production.pk}/{scene}/proof-picture.mp4"
    with httpx.Client(cookies=cookies, trust_env=False, timeout=120) as web:
        assert web.get(f"{path}?until=0.5").status_code == 200
        assert given_back.acquire(timeout=20)
        with web.stream("GET", path) as left:
            next(left.iter_raw())
            assert not given_back.acquire(blocking=False)
        assert given_back.acquire(timeout=20)
