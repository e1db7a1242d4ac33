"""Write readings as a CSV, or as a CGATS text that other programs read."""

from __future__ import annotations

import csv
import io

from core.reading.table_shapes import Reading, WriteTableInput, WriteTableOutput

_OWN = ("SECONDS", "STDEV_L")


def write_table(given: WriteTableInput) -> WriteTableOutput:
    """Return readings as the text of a file.

    Parameters
    ----------
    given : WriteTableInput
        Tones [L*] over the bare sheet's as 100.

    Returns
    -------
    WriteTableOutput

    Notes
    -----
    In CGATS a tone is neutral (LAB_A and LAB_B 0), its white the bare sheet. Source: ``cgats-17``.
    """
    text = _csv(given.readings) if given.form == "csv" else _cgats(given.readings, given.title)
    safe = "".join(c if c.isalnum() else "-" for c in given.title.lower()).strip("-") or "readings"
    return WriteTableOutput(text=text, name=f"{safe}.{'csv' if given.form == 'csv' else 'txt'}")


def _csv(readings: list[Reading]) -> str:
    out = io.StringIO()
    pen = csv.writer(out, lineterminator="\n")
    pen.writerow(["patch", "seconds", "lstar", "spread"])
    for place, each in enumerate(readings, start=1):
        pen.writerow([each.name or place, _cell(each.seconds), _cell(each.lstar),
                      _cell(each.spread)])  # fmt: skip
    return out.getvalue()


def _cgats(readings: list[Reading], title: str) -> str:
    timed = all(each.seconds is not None for each in readings)
    spread = all(each.spread is not None for each in readings)
    own = [name for name, there in zip(_OWN, (timed, spread), strict=True) if there]
    fields = ["SAMPLE_ID", "SAMPLE_NAME", *own, "LAB_L", "LAB_A", "LAB_B"]
    head = ["CGATS.17", "", f'ORIGINATOR "{_plain(title)}"',
            'DESCRIPTOR "Tones over the bare sheet"']  # fmt: skip
    head += [f'KEYWORD "{name}"' for name in ("SAMPLE_NAME", *own)]
    rows = [_row(place, each, timed, spread) for place, each in enumerate(readings, start=1)]
    parts = [*head, f"NUMBER_OF_FIELDS {len(fields)}", "BEGIN_DATA_FORMAT", " ".join(fields),
             "END_DATA_FORMAT", f"NUMBER_OF_SETS {len(rows)}", "BEGIN_DATA", *rows,
             "END_DATA", ""]  # fmt: skip
    return "\n".join(parts)


def _row(place: int, each: Reading, timed: bool, spread: bool) -> str:
    cells = [str(place), f'"{_plain(each.name or str(place))}"']
    cells += [_cell(each.seconds)] if timed else []
    cells += [_cell(each.spread)] if spread else []
    return " ".join([*cells, _cell(each.lstar), "0.0", "0.0"])


def _plain(text: str) -> str:
    return text.replace('"', "'").replace("\n", " ")


def _cell(value: float | None) -> str:
    return "" if value is None else repr(float(value))
