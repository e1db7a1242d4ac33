"""What an answer of a status means, and which every endpoint can give."""

from __future__ import annotations

from typing import Any

SAID_OF = {
    200: "What was asked for.",
    201: "Stored; sent twice it is stored once.",
    202: "Under way, as a task.",
    204: "Done.",
    400: "Not what can be read: no JSON, a sign that no text has.",
    401: "Nobody is signed in.",
    403: "The role does not carry it.",
    404: "Not here, or another room's.",
    408: "Took too long to come in.",
    409: "Changed meanwhile by somebody else, or an id that is taken.",
    411: "A body that does not say how long it is.",
    413: "Too large.",
    415: "A body of a kind that is not read here.",
    422: "A value out of its limits, each fault with its field.",
    429: "Too many tries.",
}
"""What an answer of a status means, at every endpoint."""

ERROR = {"content": {"application/json": {"schema": {"$ref": "#/components/schemas/ErrorReply"}}}}


def declare(operation: dict[str, Any]) -> None:
    """Add to an operation of the schema the answers that any of its kind can give."""
    answers = {int(status): answer for status, answer in operation["responses"].items()}
    for status in _of_any(operation):
        answers.setdefault(status, dict(ERROR))
    for status, answer in answers.items():
        answer["description"] = SAID_OF[status]
    operation["responses"] = {status: answers[status] for status in sorted(answers)}


def _of_any(operation: dict[str, Any]) -> list[int]:
    """Return the statuses that follow from what an operation takes and who may ask."""
    statuses = [400]
    if operation.get("security"):
        statuses += [401, 403]
    if operation.get("parameters"):
        statuses += [404, 422]
    if "requestBody" in operation:
        statuses += [403, 408, 409, 411, 413, 415, 422]
    return statuses
