"""Sign in, throttled by django-axes; the demo's printed password works on loopback only."""

from __future__ import annotations

from django.conf import settings
from django.contrib.auth import authenticate, login
from django.http import HttpRequest

from server.accounts.models import User
from server.accounts.schemas import SignIn
from server.replies.errors import AppError, NotAllowed, Throttled

LOOPBACK = ("127.", "::1")


class WrongPassword(AppError):
    """Name and password do not belong together."""

    status = 401


def demo_allowed(address: str) -> bool:
    """Tell whether the demo's sign-in works for a caller at ``address``."""
    return settings.DEMO_SIGN_IN and address.startswith(LOOPBACK)


def sign_in(request: HttpRequest, given: SignIn) -> User:
    """Return the user, signed in.

    Raises
    ------
    WrongPassword, Throttled, NotAllowed
    """
    user = authenticate(request, username=given.sign_in.strip().lower(), password=given.password)
    if getattr(request, "axes_locked_out", False):
        raise Throttled(
            "too-many-tries",
            "Too many tries. Wait 15 minutes, or ask a keeper for a link.",
            again_seconds=int(settings.AXES_COOLOFF_TIME * 3600),
        )
    if not isinstance(user, User):
        raise WrongPassword("wrong-password", "Name and password do not belong together.")
    if user.is_demo and not demo_allowed(request.META.get("REMOTE_ADDR", "")):
        raise NotAllowed(
            "demo-elsewhere",
            "The demo sign-in works only on the machine that serves it. Make yourself a user "
            "there: ./keen user add.",
        )
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return user
