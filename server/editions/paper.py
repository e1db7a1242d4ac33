"""Paper and ink that a plate's edition takes."""

from __future__ import annotations

from typing import Any

from core.calculators import compute
from core.errors import CoreError
from server.editions.decided import decided_of
from server.editions.schemas import PaperPlanOut
from server.plates.models import Plate
from server.pulls.printing import printing_of
from server.pulls.schemas import PrintingDecided
from server.replies.errors import ErrorBody
from server.shopbook.models import Supply
from server.shopbook.reads import ink_facts, paper_facts
from server.shopbook.schemas import PaperFacts

_MOST = 1000


def paper_plan(plate: Plate, impressions: int | None, spoiled_share: float | None) -> PaperPlanOut:
    """Return how paper is torn for so many impressions, and how much ink they take.

    None asks for what its edition says, else for the usual.
    """
    printing, decided = printing_of(plate), decided_of(plate)
    aside = decided.artist_proofs + decided.printer_proofs
    impressions = impressions or decided.size + aside
    spoiled_share = decided.spoiled_share if spoiled_share is None else spoiled_share
    sheets, fault = sheets_for(plate, printing, impressions, spoiled_share)
    return PaperPlanOut(
        sheets=sheets, fault=fault, impressions=impressions,
        ink=ink_for(plate, printing, impressions),
    )  # fmt: skip


def sheets_for(
    plate: Plate, printing: PrintingDecided, impressions: int, spoiled_share: float
) -> tuple[Any, ErrorBody | None]:
    """Return how sheets are torn, or why they cannot be."""
    facts = _paper(printing)
    try:
        return compute("sheets", {
            "sheet_mm": [facts.width_mm, facts.height_mm],
            "plate_mm": [plate.width_mm, plate.height_mm], "margin_mm": printing.margin_mm,
            "impressions": min(_MOST, max(1, impressions)), "spoiled_share": spoiled_share,
            "in_stock": facts.sheets,
        }), None  # fmt: skip
    except CoreError as error:
        return None, ErrorBody(**error.as_dict())


def _paper(printing: PrintingDecided) -> PaperFacts:
    supply = Supply.objects.filter(id=printing.paper).first() if printing.paper else None
    return paper_facts(supply) if supply else PaperFacts()


def ink_for(plate: Plate, printing: PrintingDecided, impressions: int, days: int = 1) -> Any:
    """Return how much ink so many impressions take."""
    supply = Supply.objects.filter(id=printing.ink).first() if printing.ink else None
    parts = ink_facts(supply).parts if supply else []
    return compute("ink-needed", {
        "plate_mm": [plate.width_mm, plate.height_mm], "depth_um": printing.depth_um,
        "impressions": min(_MOST, max(1, impressions)), "days": max(1, days),
        "ink": [each.model_dump() for each in parts],
    })  # fmt: skip
