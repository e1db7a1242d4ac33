"""What strips bitten in a bath say of its speed stands among the bath's checks."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Iterator
from typing import Any

from django.db import migrations
from django.db.models import Q

ALIKE = ("paper", "ink", "wipe")
COLUMNS = ("seconds", "dips", "depth_um", "depth_spread_um")


def tell(apps: Any, schema_editor: Any) -> None:
    """Give each bath what the strips bitten in it say that count."""
    strips = apps.get_model("strips", "Strip").objects.exclude(bath=None).filter(out_reason="")
    check = apps.get_model("baths", "BathCheck")
    bitten = strips.filter(Q(planned=[]) | Q(ended_at__isnull=False))
    for strip in bitten.select_related("bath", *ALIKE):
        if strip.bath.mordant != strip.conditions["mordant"]:
            continue
        for kind, mark, said, curve in [*_tones(strip), *_lines(strip)]:
            check.objects.get_or_create(
                id=uuid.uuid5(strip.id, f"{kind} {mark}"),
                defaults={
                    "room_id": strip.room_id, "bath": strip.bath, "strip": strip.id,
                    "kind": kind, "at": strip.ended_at or strip.created_at, "said": said,
                    "curve": curve,
                },
            )  # fmt: skip


def _tones(strip: Any) -> Iterator[tuple[str, str, dict[str, Any], Any]]:
    if strip.curve is not None:
        rows = (getattr(strip, name) for name in ALIKE)
        alike = [strip.ground, *(row.name for row in rows if row)]
        yield "strip", "tones", {"ground": " · ".join(alike)}, strip.curve


def _lines(strip: Any) -> Iterator[tuple[str, str, dict[str, Any], Any]]:
    found = defaultdict(list)
    for line in strip.lines:
        if line.get("depth_um") and line["seconds"] >= 1:
            at = line.get("temperature_c", 20.0), line.get("load_g_per_l", 0.0)
            found[at].append({c: line[c] for c in COLUMNS if line.get(c) is not None})
    for (warm, load), measured in found.items():
        said = {"temperature_c": warm, "load_g_per_l": load, "measured": measured}
        yield "lines", f"{warm:g} {load:g}", said, None


class Migration(migrations.Migration):
    """Nothing is lost on the way back: what is derived is derived anew."""

    dependencies = [("strips", "0006_printed_and_counting"), ("baths", "0003_evidence")]

    operations = [migrations.RunPython(tell, migrations.RunPython.noop)]
