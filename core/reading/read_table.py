"""Read readings out of a CSV or a CGATS text, whatever its commas and columns."""

from __future__ import annotations

import csv
import io
import re
from itertools import pairwise

from core.errors import CoreError
from core.reading.shapes import ReadWarning
from core.reading.table_shapes import MOST_ROWS, Reading, ReadTableInput, ReadTableOutput
from core.tone.lightness import (
    lightness_from_density,
    lightness_from_reflectance,
    reflectance_from_lightness,
)

Row = dict[str, str]

_NAMES = ("sample_name", "sample_id", "patch", "name", "area", "sampleid")
_LSTAR = ("lab_l", "lstar", "l*", "l", "cie_l", "lightness", "lch_l")
_LIGHT = ("xyz_y", "cie_y", "y")
_DENSITY = ("d_vis", "density", "d", "dens")
_SPREAD = ("spread", "stdev_l", "sd", "stdev_lab_l")
_SECONDS = ("seconds", "time", "time_s", "in_all", "minutes")
_PAPER = ("paper", "white", "bare sheet", "substrate", "papier", "papel")
_CGATS = re.compile(r"^\s*(CGATS\.17|BEGIN_DATA_FORMAT|NUMBER_OF_FIELDS|LGOROWLENGTH)", re.M)
_SPECTRAL = re.compile(r"^(spec_|nm_?\d|spectral|r_\d{3})", re.I)


def read_table(given: ReadTableInput) -> ReadTableOutput:
    """Return the readings of a table.

    Parameters
    ----------
    given : ReadTableInput

    Returns
    -------
    ReadTableOutput
        Tones [L*] over the bare sheet's as 100.

    Raises
    ------
    CoreError
        No rows, no column of L*, Y or density, a number that cannot be read, too many rows.

    Notes
    -----
    Source: ``cgats-17``, ``cie-15``.
    """
    form = "cgats" if _CGATS.search(given.text) else "csv"
    rows = _cgats_rows(given.text) if form == "cgats" else _csv_rows(given.text)
    if not rows:
        raise CoreError("no-rows", "There is no row of readings in this file.", field="text",
                        allowed="a heading and at least one row")  # fmt: skip
    if len(rows) > MOST_ROWS:
        raise CoreError("too-many-rows", "That is more than one table of readings.", field="text",
                        value=len(rows), allowed=f"at most {MOST_ROWS}", unit="rows")  # fmt: skip
    column, kind = _column_of(list(rows[0]))
    read = [_reading(row, column, kind, place) for place, row in enumerate(rows, start=1)]
    papers = [each for each in read if each.name.strip().lower() in _PAPER]
    paper = given.paper_lstar or (papers[0].lstar if papers else 100.0)
    readings = [_over(each, paper) for each in read if each not in papers]
    return ReadTableOutput(
        form=form,
        readings=readings,
        paper_lstar=paper,
        warnings=_warnings(list(rows[0]), readings, paper, kind),
    )


def _cgats_rows(text: str) -> list[Row]:
    fields = _between(text, "BEGIN_DATA_FORMAT", "END_DATA_FORMAT")
    body = _between(text, "BEGIN_DATA", "END_DATA")
    if fields is None or body is None:
        raise CoreError(
            "broken-cgats", "This CGATS text has no data, or breaks off.", field="text",
            allowed="BEGIN_DATA_FORMAT … END_DATA_FORMAT, BEGIN_DATA … END_DATA",
        )  # fmt: skip
    names = [name.lower() for name in fields.split()]
    cells = [next(part for part in found if part) if any(found) else "" for found in
             re.findall(r'"([^"]*)"|(\S+)', body)]  # fmt: skip
    if not names or len(cells) % len(names):
        raise CoreError("broken-cgats", "The rows of this CGATS text do not fit its columns.",
                        field="text", value=len(cells), allowed=f"rows of {len(names)}",
                        unit="values")  # fmt: skip
    parts = [cells[i : i + len(names)] for i in range(0, len(cells), len(names))]
    return [dict(zip(names, part, strict=True)) for part in parts]


def _between(text: str, start: str, end: str) -> str | None:
    found = re.search(rf"^\s*{start}\s*$(.*?)^\s*{end}\s*$", text, re.M | re.S)
    return found.group(1) if found else None


def _csv_rows(text: str) -> list[Row]:
    lines = [line for line in text.lstrip("\ufeff").splitlines() if line.strip()]
    if not lines:
        return []
    mark = max(";\t,", key=lines[0].count)
    parts = list(csv.reader(io.StringIO("\n".join(lines)), delimiter=mark))
    names = [name.strip().lower().replace(" ", "_") for name in parts[0]]
    if any(_is_number(name) for name in names if name):
        raise CoreError("no-heading", "The first line must name the columns.", field="text",
                        value=lines[0][:80], allowed="patch, seconds, lstar, spread")  # fmt: skip
    return [dict(zip(names, row, strict=False)) for row in parts[1:]]


def _is_number(text: str) -> bool:
    try:
        float(text.replace(",", "."))
    except ValueError:
        return False
    return True


def _column_of(names: list[str]) -> tuple[str, str]:
    for wanted, kind in ((_LSTAR, "lstar"), (_LIGHT, "light"), (_DENSITY, "density")):
        for name in wanted:
            if name in names:
                return name, kind
    spectra = any(_SPECTRAL.match(name) for name in names)
    said = (
        "It holds spectra alone, which are not reckoned here: let the instrument's program write "
        "L* beside them." if spectra else "Let the instrument's program write L*."
    )  # fmt: skip
    raise CoreError(
        "no-lstar", f"There is no column of L* in this file. {said}", field="text",
        value=", ".join(names)[:120], allowed="LAB_L, XYZ_Y or D_VIS; in a CSV lstar",
    )  # fmt: skip


def _reading(row: Row, column: str, kind: str, place: int) -> Reading:
    value = _number(row.get(column, ""), column, place)
    if kind == "light":
        value = float(lightness_from_reflectance(value / 100))
    elif kind == "density":
        value = float(lightness_from_density(value))
    if not 0 <= value <= 105:
        raise CoreError(
            "out-of-range", f"Row {place}: {column} {row[column]} is no tone of a print.",
            field="text", value=row[column], allowed="0 to 105", unit="L*",
        )  # fmt: skip
    name = next((row[key] for key in _NAMES if row.get(key)), "")
    return Reading(
        name=name.strip()[:120], lstar=value, spread=_some(row, _SPREAD, place),
        seconds=_seconds(row, place),
    )  # fmt: skip


def _number(text: str, column: str, place: int) -> float:
    try:
        return float(text.strip().replace(",", "."))
    except ValueError:
        raise CoreError(
            "not-a-number", f"Row {place}: {column} cannot be read.", field="text",
            value=text[:40], allowed="a number, with point or comma",
        ) from None  # fmt: skip


def _some(row: Row, names: tuple[str, ...], place: int) -> float | None:
    name = next((each for each in names if row.get(each, "").strip()), None)
    return None if name is None else _number(row[name], name, place)


def _seconds(row: Row, place: int) -> float | None:
    """Return a time in seconds; written as m:ss too."""
    name = next((each for each in _SECONDS if row.get(each, "").strip()), None)
    if name is None:
        return None
    text = row[name].strip()
    if ":" in text:
        total = 0.0
        for part in text.split(":"):
            total = 60 * total + _number(part, name, place)
        return total
    return _number(text, name, place) * (60 if name == "minutes" else 1)


def _over(reading: Reading, paper: float) -> Reading:
    """Return a reading over the bare sheet's."""
    if paper == 100:
        return reading
    light = reflectance_from_lightness(reading.lstar) / reflectance_from_lightness(paper)
    lstar = min(105.0, float(lightness_from_reflectance(float(light))))
    return reading.model_copy(update={"lstar": round(lstar, 3)})


def _warnings(
    names: list[str], readings: list[Reading], paper: float, kind: str
) -> list[ReadWarning]:
    found = []
    if paper == 100 and readings and max(each.lstar for each in readings) < 97:
        text = (
            "No row is named paper, so L* 100 is taken for the bare sheet. If the instrument "
            "reads paper darker, give what it read."
        )
        found.append(ReadWarning(code="no-paper", text=text))
    if kind == "lstar" and any(_SPECTRAL.match(name) for name in names):
        found.append(ReadWarning(code="spectra", text="Spectra are passed over; L* is taken."))
    timed = [each for each in readings if each.seconds is not None]
    timed.sort(key=lambda each: each.seconds or 0)
    if any(b.lstar > a.lstar + 2 for a, b in pairwise(timed)):
        text = "Some patch is lighter than a shorter one: it is looked at when the curve is drawn."
        found.append(ReadWarning(code="rises", text=text))
    return found
