"""Who is asking."""

from __future__ import annotations

from django.http import HttpRequest

from server.accounts.models import User
from server.config.errors import AppError


class SignedOut(AppError):
    """Nobody is signed in."""

    status = 401


def signed_in(request: HttpRequest) -> User:
    """Return the user of a request.

    Raises
    ------
    SignedOut
    """
    if not isinstance(request.user, User):
        raise SignedOut("signed-out", "Sign in first.")
    return request.user
