"""Sign in, throttled by django-axes; the demo's printed password works on loopback only."""

from __future__ import annotations

from django.contrib.auth import authenticate, login
from django.http import HttpRequest

from server.accounts.actions.tries import check_tries, too_many
from server.accounts.models import User
from server.accounts.schemas import SignIn
from server.accounts.session import demo_allowed
from server.replies.errors import AppError, NotAllowed


class WrongPassword(AppError):
    """Name and password do not belong together."""

    status = 401


def sign_in(request: HttpRequest, given: SignIn) -> User:
    """Return the user, signed in.

    Raises
    ------
    WrongPassword, Throttled, NotAllowed
    """
    name = given.sign_in.strip().lower()
    check_tries(name, request.META.get("REMOTE_ADDR", ""))
    user = authenticate(request, username=name, password=given.password)
    if getattr(request, "axes_locked_out", False):
        raise too_many()
    if not isinstance(user, User):
        raise WrongPassword("wrong-password", "Name and password do not belong together.")
    if user.is_demo and not demo_allowed(request):
        raise NotAllowed(
            "demo-elsewhere",
            "The demo sign-in works only on the machine that serves it. Make yourself a user "
            "there: ./keen user add.",
        )
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return user
