"""Signing in and out."""

from __future__ import annotations

from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router, Schema, Status

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


class Problem(Schema):
    """What went wrong and what to do."""

    detail: str
    kind: str = ""


def _session(request: HttpRequest) -> Session:
    user = request.user
    if not user.is_authenticated:
        return Session(signed_in=False)
    return Session(signed_in=True, username=user.get_username(), name=user.get_full_name() or user.get_username())


@router.get("", response=Session, auth=None, operation_id="getSession")
def get_session(request: HttpRequest) -> Session:
    """Who is signed in; sets the cookie that later requests are checked against."""
    get_token(request)
    return _session(request)


@router.post("", response={200: Session, 401: Problem}, auth=None, operation_id="signIn")
def sign_in(request: HttpRequest, data: SignIn) -> Session | Status[Problem]:
    """Begin a session."""
    user = authenticate(request, username=data.username, password=data.password)
    if user is None:
        detail = "Name or password is not right. Check both; capital letters count."
        return Status(401, Problem(detail=detail, kind="SignIn"))
    login(request, user)
    return _session(request)


@router.delete("", response=Session, operation_id="signOut")
def sign_out(request: HttpRequest) -> Session:
    """End the session."""
    logout(request)
    return Session(signed_in=False)
