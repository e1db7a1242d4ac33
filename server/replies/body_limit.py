"""Refuse bodies past their limit before they are read."""

from __future__ import annotations

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from server.replies.errors import TooLarge, reply

UPLOAD_SUFFIXES = ("/files", "/calc/dust-coverage")


class BodyLimitMiddleware:
    """Limit bodies to 1 MB, uploads of pictures to 60 MB."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        limit = settings.LARGEST_BODY_BYTES
        if request.path.endswith(UPLOAD_SUFFIXES):
            limit = settings.LARGEST_UPLOAD_BYTES + 100_000
        size = request.META.get("CONTENT_LENGTH") or "0"
        if not size.isdigit() or int(size) > limit:
            return reply(413, too_large(size, limit).body)
        return self.get_response(request)


def too_large(size: object, limit: int) -> TooLarge:
    """Return the error for a body of ``size`` bytes."""
    return TooLarge(
        "too-large",
        f"That is larger than {limit / 1e6:.0f} MB. Nothing was stored; yours is untouched.",
        field="file",
        value=size,
        allowed=f"at most {limit // 1_000_000}",
        unit="MB",
    )
