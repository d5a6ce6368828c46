"""Who may see and use a voice, host, picture or recording: one place, asked on every use.

What comes with the application is everybody's. What somebody made or brought is for their account alone; to others it
is as if it were not there, so that ids tell nothing.
"""

from __future__ import annotations

from collections.abc import Iterable

from django.db.models import Q

from dearhost.errors import SpeechError, UnknownHost
from dearhost.hosts import CAST, base_of
from dearhost.production import Production
from dearhost.production.uses import HOST, PICTURE, RECORDING, SHELF, VOICE, Use, uses_of, without
from server.assets.models import Belonging
from server.studio import studio


def key_of(use: Use) -> str:
    """The key an asset's owners are kept under: hosts without look and version, voices without language."""
    if use.kind == HOST:
        return base_of(use.id.partition("~")[0])
    return use.id.split(":")[0] if use.kind == VOICE else use.id


def belongs_to(owner_id: int, use: Use) -> None:
    """From now on the account may use it."""
    Belonging.objects.get_or_create(owner_id=owner_id, kind=use.kind, key=key_of(use))


def disown(use: Use) -> None:
    """Nobody may use it any more: it is gone."""
    Belonging.objects.filter(kind=use.kind, key=key_of(use)).delete()


def keys_of(owner_id: int | None, kind: str) -> set[str]:
    """The keys of everything of a kind that belongs to an account."""
    return set(Belonging.objects.filter(owner_id=owner_id, kind=kind).values_list("key", flat=True))


def usable(owner_id: int | None, uses: Iterable[Use]) -> set[Use]:
    """Those of ``uses`` that the account may use, or that are nobody's own."""
    wanted = set(uses)
    mine = {(b.kind, b.key) for b in Belonging.objects.filter(Q(owner_id=owner_id) | Q(shared=True))}

    def free(use: Use) -> bool:
        if use.kind == VOICE:
            return not studio().voices.is_own(use.id)
        return use.kind == HOST and key_of(use) in CAST

    return {use for use in wanted if free(use) or (use.kind, key_of(use)) in mine}


def may_use(owner_id: int | None, use: Use) -> bool:
    """Whether the account may use it."""
    return bool(usable(owner_id, [use]))


def for_account(owner_id: int | None, production: Production) -> Production:
    """The production as this account may play it: pictures and things on the shelf of others are left out.

    Raises SpeechError or UnknownHost for a voice, host or recording of another account, in the words used
    for one that is not there.
    """
    uses = uses_of(production)
    foreign = uses - usable(owner_id, uses)
    for use in sorted(foreign, key=lambda u: (u.kind, u.id)):
        if use.kind == VOICE:
            raise studio().voices.missing(use.id)
        if use.kind == HOST:
            raise UnknownHost(f"There is no host '{use.id}'. Choose one of: {', '.join(CAST)}.")
        if use.kind == RECORDING:
            raise SpeechError("The recording of this line is not on this machine. Choose another take, or record it.")
    return without(production, lambda use: use.kind in (PICTURE, SHELF) and use in foreign)
