"""Signing in and out."""

from __future__ import annotations

from ipaddress import ip_address

from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router, Schema, Status

from server import room
from server.accounts.demo_account import DEMO_ACCOUNT
from server.accounts.failed_sign_ins import FailedSignIns

router = Router(tags=["session"])


class SignIn(Schema):
    """A name and a password."""

    username: str
    password: str


class Session(Schema):
    """Who is signed in."""

    signed_in: bool
    username: str = ""
    name: str = ""
    room: str = ""
    """What is to be said while little room is left on the disk."""


class Problem(Schema):
    """What went wrong and what to do."""

    detail: str
    kind: str = ""


def _is_this_machine(request: HttpRequest) -> bool:
    address = request.META.get("REMOTE_ADDR", "")
    try:
        return ip_address(address).is_loopback
    except ValueError:
        return not address


def _session(request: HttpRequest) -> Session:
    user = request.user
    if not user.is_authenticated:
        return Session(signed_in=False)
    name = user.get_full_name() or user.get_username()
    return Session(signed_in=True, username=user.get_username(), name=name, room=room.warning())


@router.get("", response=Session, auth=None, operation_id="getSession")
def get_session(request: HttpRequest) -> Session:
    """Who is signed in; sets the cookie that later requests are checked against."""
    get_token(request)
    return _session(request)


@router.post(
    "",
    response={200: Session, 401: Problem, 403: Problem, 429: Problem},
    auth=None,
    operation_id="signIn",
)
def sign_in(request: HttpRequest, data: SignIn) -> Session | Status[Problem]:
    """Begin a session. After some wrong passwords for a name one has to wait."""
    tries = FailedSignIns(data.username)
    if tries.wait:
        detail = f"Too many wrong passwords for this name. Wait {tries.wait:.0f} s, then try again."
        return Status(429, Problem(detail=detail, kind="SignIn"))
    if (data.username, data.password) == DEMO_ACCOUNT and not _is_this_machine(request):
        detail = "The demo account's password is known to everybody: it opens on the machine itself only."
        return Status(403, Problem(detail=detail, kind="SignIn"))
    user = authenticate(request, username=data.username, password=data.password)
    if user is None:
        tries.add()
        detail = "Name or password is not right. Check both; capital letters count."
        return Status(401, Problem(detail=detail, kind="SignIn"))
    tries.forget()
    login(request, user)
    return _session(request)


@router.delete("", response=Session, operation_id="signOut")
def sign_out(request: HttpRequest) -> Session:
    """End the session."""
    logout(request)
    return Session(signed_in=False)
