"""The account that asks."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.http import HttpRequest
from ninja.errors import HttpError


def account(request: HttpRequest) -> User:
    """Who is signed in. Raises HttpError 401 for a guest."""
    user = request.user
    if not isinstance(user, User) or not user.is_authenticated:
        raise HttpError(401, "Sign in first.")
    return user


def account_id(request: HttpRequest) -> int:
    """The id of who is signed in. Raises HttpError 401 for a guest."""
    return account(request).pk
