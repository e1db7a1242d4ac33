"""Who is asking."""

from __future__ import annotations

from django.http import HttpRequest
from ninja.utils import check_csrf

from server.accounts.models import User
from server.replies.errors import AppError, NotAllowed


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


def require_csrf(request: HttpRequest) -> None:
    """Refuse a signed-out form without its token.

    Raises
    ------
    NotAllowed
    """
    if check_csrf(request) is not None:
        raise NotAllowed("csrf", "The page was open too long. Sending again.")
