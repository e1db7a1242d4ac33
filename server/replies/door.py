"""What comes in at the door: refused before it is read where nothing can be made of it."""

from __future__ import annotations

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from server.replies.errors import AppError, TooLarge, reply, unreadable

UPLOAD_SUFFIXES = ("/files", "/calc/dust-coverage")
FORM_BYTES = 100_000
"""What a form puts round its file."""
BELOW = {
    404: ("not-found", "That is not here."),
    405: ("not-so", "That is not asked or told in this way."),
    500: ("broken", "That could not be answered: the fault is the server's."),
}
"""What the framework below answers by itself, and what it means here."""
MAY = (
    "camera=(self), microphone=(self), screen-wake-lock=(self), geolocation=(), payment=(), usb=()"
)
"""What the page may ask the device for: pictures, a spoken word, a screen that stays awake."""
READ = ("application/json", "multipart/form-data")


class DoorMiddleware:
    """Refuse bodies too large, of no known length or kind, and text that cannot be kept."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        answer = _in_one_form(request, _refused(request) or self.get_response(request))
        answer["Permissions-Policy"] = MAY
        return answer


def _in_one_form(request: HttpRequest, answer: HttpResponse) -> HttpResponse:
    """Return an answer of the API; where the framework below refused, in the house's own words."""
    kind = answer.get("Content-Type", "")
    if answer.status_code < 400 or not request.path.startswith("/api/") or "json" in kind:
        return answer
    code, text = BELOW.get(answer.status_code, ("refused", "That is not taken here."))
    told = reply(answer.status_code, AppError(code, text).body)
    if "Allow" in answer:
        told["Allow"] = answer["Allow"]
    return told


def _refused(request: HttpRequest) -> HttpResponse | None:
    """Return why a request is not let in; None where it is."""
    if "\0" in request.path or any("\0" in text for text in _texts(request)):
        return reply(400, unreadable())
    if "HTTP_TRANSFER_ENCODING" in request.META:
        return reply(411, AppError("no-length", "Say how long the body is: Content-Length.").body)
    limit = most_bytes(request.path)
    size = request.META.get("CONTENT_LENGTH") or "0"
    if not size.isdigit() or int(size) > limit:
        return reply(413, too_large(size, limit).body)
    if int(size) and request.content_type not in READ:
        return reply(415, _unknown_kind(request.content_type or "").body)
    return None


def most_bytes(path: str) -> int:
    """Return how large a body may be that is sent to a path."""
    if path.endswith(UPLOAD_SUFFIXES):
        return int(settings.LARGEST_UPLOAD_BYTES) + FORM_BYTES
    return int(settings.LARGEST_BODY_BYTES)


def _texts(request: HttpRequest) -> list[str]:
    """Return the texts of an address's query and of its cookies."""
    asked = [text for key, texts in request.GET.lists() for text in (key, *texts)]
    return [*asked, *request.COOKIES.values()]


def _unknown_kind(kind: str) -> AppError:
    text = "A body of that kind is not read here."
    return AppError("unknown-kind", text, value=kind, allowed=" or ".join(READ))


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
