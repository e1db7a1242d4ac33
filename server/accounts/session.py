"""Who is asking."""

from __future__ import annotations

from django.conf import settings
from django.http import HttpRequest
from ninja.security import SessionAuth
from ninja.utils import check_csrf

from server.accounts.models import User
from server.replies.errors import AppError, NotAllowed


class SignedOut(AppError):
    """Nobody is signed in."""

    status = 401


LOOPBACK = ("127.", "::1")


def demo_allowed(request: HttpRequest) -> bool:
    """Tell whether the demo's people may come in by the door a request came by."""
    return settings.DEMO_SIGN_IN and request.META.get("REMOTE_ADDR", "").startswith(LOOPBACK)


def whoever(request: HttpRequest) -> User | None:
    """Return the user of a request, if one is signed in who may come in by this door."""
    user = request.user
    if not isinstance(user, User) or (user.is_demo and not demo_allowed(request)):
        return None
    return user


class DoorAuth(SessionAuth):
    """The session's cookie, by a door its person may come in by."""

    def authenticate(self, request: HttpRequest, key: str | None) -> User | None:
        """Return who is signed in."""
        return whoever(request)


def signed_in(request: HttpRequest) -> User:
    """Return the user of a request.

    Raises
    ------
    SignedOut
    """
    user = whoever(request)
    if user is None:
        raise SignedOut("signed-out", "Sign in first.")
    return user


def require_csrf(request: HttpRequest) -> None:
    """Refuse a signed-out form without its token.

    Raises
    ------
    NotAllowed
    """
    if check_csrf(request) is not None:
        raise NotAllowed("csrf", "The page was open too long. Sending again.")
