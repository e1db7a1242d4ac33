"""The errors of the server, and how each becomes an answer."""

from __future__ import annotations

import json
import logging
from typing import Any

from django.core.exceptions import PermissionDenied, SuspiciousOperation
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from django.http.multipartparser import MultiPartParserError
from django.http.request import RawPostDataException
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, ValidationError, ValidationErrorContext
from ninja.errors import HttpError as NinjaHttpError
from pydantic import BaseModel

from core.errors import CoreError
from core.faults import fault_of, shown
from server.replies.statuses import declare

log = logging.getLogger(__name__)

MOST_FAULTS = 50
REQUEST_PARTS = ("body", "query", "path", "form", "file", "payload")


class ErrorBody(BaseModel):
    """What was wrong: the same form at every door."""

    code: str
    field: str
    value: Any
    allowed: str
    unit: str
    text: str


class ErrorReply(BaseModel):
    """The body of every answer that is not the one asked for."""

    error: ErrorBody
    #: Every fault of what was sent, the first among them; empty where there is but one to name.
    faults: list[ErrorBody] = []


class AppError(Exception):
    """Something the server will not do; ``status`` is its HTTP status."""

    status = 400

    def __init__(
        self,
        code: str,
        text: str,
        *,
        field: str = "",
        value: object = None,
        allowed: str = "",
        unit: str = "",
    ) -> None:
        super().__init__(text)
        self.body = ErrorBody(
            code=code, field=field, value=value, allowed=allowed, unit=unit, text=text
        )


class NotFound(AppError):
    """Unknown, or another room's: the two look the same."""

    status = 404

    def __init__(self, what: str = "That") -> None:
        super().__init__("not-found", f"{what} is not here.")


class NotAllowed(AppError):
    """The role does not carry this action."""

    status = 403


class Stale(AppError):
    """The row was changed since it was read."""

    status = 409


class BadValue(AppError):
    """A value out of its limits."""

    status = 422


class TooLarge(AppError):
    """A body or file past its limit."""

    status = 413


class Throttled(AppError):
    """Too many tries; ``again_seconds`` from now they are counted anew."""

    status = 429

    def __init__(self, code: str, text: str, again_seconds: int) -> None:
        super().__init__(code, text, value=again_seconds, allowed="later", unit="s")
        self.again_seconds = again_seconds


def reply(status: int, body: ErrorBody, faults: list[ErrorBody] | None = None) -> JsonResponse:
    """Return an error in the one form."""
    told = ErrorReply(error=body, faults=faults or [])
    return JsonResponse(told.model_dump(mode="json"), status=status)


def answer_to(error: AppError) -> JsonResponse:
    """Return the answer to something the server will not do."""
    answer = reply(error.status, error.body)
    if isinstance(error, Throttled):
        answer["Retry-After"] = str(error.again_seconds)
    return answer


def csrf_failed(request: HttpRequest, reason: str = "") -> HttpResponse:
    """Answer a missing or old token: the browser fetches a new one and sends again."""
    return reply(403, AppError("csrf", "The page was open too long. Sending again.").body)


def install(api: NinjaAPI) -> None:
    """Map every error to its answer, once."""

    @api.exception_handler(AppError)
    def app_error(request: HttpRequest, error: AppError) -> HttpResponse:
        return answer_to(error)

    @api.exception_handler(CoreError)
    def core_error(request: HttpRequest, error: CoreError) -> HttpResponse:
        return reply(422, ErrorBody(**error.as_dict()))

    @api.exception_handler(ValidationError)
    def bad_input(request: HttpRequest, error: ValidationError) -> HttpResponse:
        faults = [_told(request, fault) for fault in error.errors[:MOST_FAULTS]]
        return reply(422, faults[0], faults)

    @api.exception_handler(Http404)
    def not_found(request: HttpRequest, error: Http404) -> HttpResponse:
        return reply(404, NotFound().body)

    @api.exception_handler(AuthenticationError)
    def signed_out(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
        return reply(401, AppError("signed-out", "Sign in first.").body)

    @api.exception_handler(PermissionDenied)
    def denied(request: HttpRequest, error: PermissionDenied) -> HttpResponse:
        return csrf_failed(request)

    @api.exception_handler(NinjaHttpError)
    def http_error(request: HttpRequest, error: NinjaHttpError) -> HttpResponse:
        if "CSRF" in str(error):
            return csrf_failed(request)
        return reply(error.status_code, unreadable())

    @api.exception_handler(MultiPartParserError)
    @api.exception_handler(SuspiciousOperation)
    def no_form(request: HttpRequest, error: Exception) -> HttpResponse:
        return reply(400, unreadable())

    @api.exception_handler(Exception)
    def broken(request: HttpRequest, error: Exception) -> HttpResponse:
        log.error("%s %s broke", request.method, request.path, exc_info=error)
        text = "That could not be answered: the fault is the server's. What was sent is not stored."
        return reply(500, AppError("broken", text).body)


def unreadable() -> ErrorBody:
    """Return the error of an input that no text holds or no reader takes."""
    text = "The input cannot be read: it is not JSON, or holds a sign that no text has."
    return AppError("not-json", text, allowed="one JSON object, finite numbers").body


class HouseAPI(NinjaAPI):
    """The API whose faults know what they were validated by, for the units of their fields."""

    def get_openapi_schema(self, **options: Any) -> Any:
        """Return the schema with every answer the house can give, in our words."""
        schema = super().get_openapi_schema(**options)
        for path in schema["paths"].values():
            for operation in path.values():
                declare(operation)
        return schema

    def validation_error_from_error_contexts(
        self, error_contexts: list[ValidationErrorContext[Any]]
    ) -> ValidationError:
        """Return the faults of all parts of a request, each with its part's shape."""
        found = super().validation_error_from_error_contexts(error_contexts)
        shapes = [
            context.model
            for context in error_contexts
            for _ in context.pydantic_validation_error.errors(include_url=False)
        ]
        for fault, shape in zip(found.errors, shapes, strict=True):
            fault["shape"] = shape
        return found


def _told(request: HttpRequest, fault: dict[str, Any]) -> ErrorBody:
    """Return a fault; its path without the names of the request's parts."""
    told = fault_of({**fault, "loc": fault["loc"][1:], "input": None}, fault.get("shape"))
    said = told["field"].split(".")
    path = [part for part in said if part not in REQUEST_PARTS]
    field = ".".join(path)
    text = told["text"].replace(f"{told['field']}:", f"{field or 'input'}:", 1)
    return ErrorBody(**told | {"field": field, "text": text, "value": shown(_sent(request, path))})


def _sent(request: HttpRequest, path: list[str]) -> Any:
    """Return what was sent at a path of the body, or in the address; None where nothing was."""
    try:
        found: Any = json.loads(request.body)
        for part in path:
            found = found[int(part)] if isinstance(found, list) else found[part]
    except (ValueError, KeyError, IndexError, TypeError, RawPostDataException):
        return request.GET.get(path[-1]) if path else None
    return found
