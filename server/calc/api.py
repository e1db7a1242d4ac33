"""The calculators for programs: the same shapes as ``./keen calc``."""

from __future__ import annotations

import tempfile
from typing import Any

from django.conf import settings
from django.http import HttpRequest
from ninja import File, Form, Router
from ninja.files import UploadedFile

from core.calculators import REGISTRY, Calculator, calculator
from core.data.mordants import MORDANTS
from core.image.shapes import DustCoverageOutput, UmPerPixel
from server.calc.apart import run_apart
from server.replies.door import too_large
from server.replies.errors import ErrorReply

router = Router(tags=["calculators"])

SMALL_BYTES = 30_000
"""What is larger is calculated in a process of its own: see ``benchmarks/figures.md``."""
FROM_PICTURES = {"dust-coverage"}
"""Over HTTP a picture is uploaded: a path would name a file of the server's own."""


@router.get("/calc", response=list[dict[str, str]])
def get_calculators(request: HttpRequest) -> list[dict[str, str]]:
    """List the calculators."""
    return [{"name": each.name, "summary": each.summary} for each in REGISTRY.values()]


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
    if _each.name not in FROM_PICTURES:
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
    if (image.size or 0) > settings.LARGEST_UPLOAD_BYTES:
        raise too_large(image.size, settings.LARGEST_UPLOAD_BYTES)
    with tempfile.NamedTemporaryFile() as file:
        for part in image.chunks():
            file.write(part)
        file.flush()
        given = {"image": file.name, "um_per_pixel": um_per_pixel}
        return DustCoverageOutput.model_validate(run_apart("dust-coverage", given))


@router.post("/calc/{name}", response={200: None, 422: ErrorReply}, include_in_schema=False)
def post_unknown(request: HttpRequest, name: str) -> None:
    """Refuse a name that the registry does not hold."""
    calculator(name)
