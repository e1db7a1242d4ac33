"""The calculators for programs: the same shapes as ``./keen calc``."""

from __future__ import annotations

import json
import tempfile
from typing import Annotated, Any

from django.conf import settings
from django.http import HttpRequest
from ninja import File, Form, Router, Schema
from ninja.files import UploadedFile
from pydantic import Field

from core.calculator import Calculator
from core.calculator_words import WORDS
from core.calculators import REGISTRY, calculator
from core.data.mordants import MORDANTS
from core.image.shapes import DustCoverageOutput, UmPerPixel
from core.study.shapes import ToneAreasOutput
from server.calc.apart import run_apart
from server.replies.door import too_large
from server.replies.errors import BadValue, ErrorReply

router = Router(tags=["calculators"])

SMALL_BYTES = 30_000
"""What is larger is calculated in a process of its own: see ``benchmarks/figures.md``."""
_JSON = Field(max_length=20_000)


class CalculatorOut(Schema):
    """A calculator in the list: what it is called, and its answer as a sentence."""

    name: str
    title: str
    group: str
    summary: str
    says: str
    """Names fields of the answer, each with how it is written; empty: the answer says its own."""
    reads_files: bool
    """It is given pictures or writes files: it has no form."""


@router.get("/calc", response=list[CalculatorOut])
def get_calculators(request: HttpRequest) -> list[CalculatorOut]:
    """List the calculators, by the words of the trade."""
    return [
        CalculatorOut(
            name=name, title=words.title, group=words.group, says=words.says,
            summary=REGISTRY[name].summary, reads_files=REGISTRY[name].reads_files,
        )
        for name, words in WORDS.items()
    ]  # fmt: skip


@router.get("/calc/{name}/schema", response={200: dict[str, Any], 422: ErrorReply})
def get_calculator(request: HttpRequest, name: str) -> dict[str, Any]:
    """Show the JSON Schemas of a calculator."""
    return calculator(name).schema()


@router.get("/mordants", response=list[dict[str, Any]])
def get_mordants(request: HttpRequest) -> list[dict[str, Any]]:
    """List the mordants with their starting numbers and spreads."""
    return [vars(row) for row in MORDANTS.values()]


def _door(each: Calculator) -> None:
    """Add ``POST /calc/NAME``, with its own shapes in the OpenAPI document."""

    def compute(request: HttpRequest, payload: Any) -> Any:
        if len(request.body) > SMALL_BYTES:
            return run_apart(each.name, payload.model_dump(mode="json", exclude_unset=True))
        return each.run(payload)

    compute.__annotations__ = {"request": HttpRequest, "payload": each.input, "return": Any}
    compute.__doc__ = each.summary
    router.post(
        f"/calc/{each.name}",
        response={200: each.output, 422: ErrorReply, 429: ErrorReply},
        operation_id=each.name.replace("-", "_"),
        summary=each.summary,
    )(compute)


for _each in REGISTRY.values():
    if not _each.reads_files:
        _door(_each)


@router.post(
    "/calc/dust-coverage",
    response={200: DustCoverageOutput, 422: ErrorReply, 429: ErrorReply},
    operation_id="dust_coverage",
)
def post_dust_coverage(
    request: HttpRequest, image: File[UploadedFile], um_per_pixel: Form[UmPerPixel]
) -> DustCoverageOutput:
    """Measure the dust on an uploaded close photograph; nothing is stored."""
    answer = _of_picture("dust-coverage", image, {"um_per_pixel": um_per_pixel})
    return DustCoverageOutput.model_validate(answer)


@router.post(
    "/calc/tone-areas",
    response={200: ToneAreasOutput, 422: ErrorReply, 429: ErrorReply},
    operation_id="tone_areas",
)
def post_tone_areas(
    request: HttpRequest, image: File[UploadedFile], given: Form[Annotated[str, _JSON]]
) -> ToneAreasOutput:
    """Cut an uploaded picture into tones; ``given`` is the rest as JSON. Nothing is stored."""
    try:
        rest = json.loads(given)
    except ValueError:
        rest = None
    if not isinstance(rest, dict):
        raise BadValue(
            "not-json", "The rest is one JSON object.", field="given", value=given[:80],
            allowed="one JSON object",
        )  # fmt: skip
    answer = _of_picture("tone-areas", image, {**rest, "image": "-"})
    return ToneAreasOutput.model_validate(answer)


def _of_picture(name: str, image: UploadedFile, rest: dict[str, Any]) -> dict[str, Any]:
    """Return the answer of a calculator for an uploaded picture, in a process of its own."""
    if (image.size or 0) > settings.LARGEST_UPLOAD_BYTES:
        raise too_large(image.size, settings.LARGEST_UPLOAD_BYTES)
    with tempfile.NamedTemporaryFile() as file:
        for part in image.chunks():
            file.write(part)
        file.flush()
        return run_apart(name, {**rest, "image": file.name})


@router.post("/calc/{name}", response={200: None, 422: ErrorReply}, include_in_schema=False)
def post_unknown(request: HttpRequest, name: str) -> None:
    """Refuse a name that the registry does not hold, or whose pictures are a room's own."""
    known = calculator(name)
    raise BadValue(
        "in-a-room", f"{known.name} reads files: over HTTP it is a task of a print room.",
        field="name", value=name, allowed="a task under /api/rooms/{room}/",
    )  # fmt: skip
