"""The hosts that come with the product."""

from __future__ import annotations

from collections.abc import Mapping

from dearhost.errors import UnknownHost
from dearhost.hosts.host import Host
from dearhost.hosts.model_sheet import OUTFITS, Features, ModelSheet
from dearhost.hosts.person import Person
from dearhost.hosts.seabird import Seabird

_MAREN = ModelSheet(
    skin=4, hair="waves", hair_colour="espresso", outfit=OUTFITS["blazer"], build="curvy", earring="vermilion",
    features=Features(jaw="heart", brow="soft", nose="wedge", lip_tint=0.9, lash=1.5, iris="#6A4426", eye_tilt=0.22),
)  # fmt: skip
_TOBIAS = ModelSheet(
    skin=1, hair="side", hair_colour="copper", outfit=OUTFITS["knit"], build="broad", beard=True,
    features=Features(jaw="square", brow="thick", nose="straight", lip_tint=0.1, lash=0.5, iris="#3F7191",
                      eye_height=0.88),
)  # fmt: skip
_IMANI = ModelSheet(
    skin=7, hair="curls", hair_colour="ink", outfit=OUTFITS["polo"], build="average", lanyard="vermilion",
    glasses="mustard",
    features=Features(jaw="oval", brow="arch", nose="broad", lip_tint=0.8, lip_upper=1.35, lip_lower=1.25, lash=1.4,
                      iris="#4A2C18"),
)  # fmt: skip

CAST: Mapping[str, Host] = {
    host.id: host
    for host in (
        Person("maren", "Maren Oake", "curator in a navy blazer, long dark hair", _MAREN),
        Person("tobias", "Tobias Reed", "keeper in a knitted jersey, red beard", _TOBIAS),
        Person("imani", "Imani Sedge", "guide in a polo shirt, round glasses", _IMANI),
        Seabird("skerry", "Skerry", "a seabird with a scarf"),
    )
}


def host_by_id(host_id: str) -> Host:
    """The host with this id. Raises UnknownHost, naming those there are."""
    if host_id not in CAST:
        raise UnknownHost(f"There is no host '{host_id}'. Choose one of: {', '.join(CAST)}.")
    return CAST[host_id]
