"""Lines and their distance → the tone a hatched field prints."""

from __future__ import annotations

from core.data.mordants import TABLES_VERSION
from core.drypoint.coverage import Lines, band_of, covered_share, doubt_of, printed_lstar
from core.drypoint.shapes import HatchToneInput, HatchToneOutput, Layer
from core.errors import CoreError


def hatch_tone(given: HatchToneInput) -> HatchToneOutput:
    """Return the tone of lines hatched in one or more layers.

    Parameters
    ----------
    given : HatchToneInput
        Printed width and distance of each layer [µm]; what bare and solid print [L*].

    Returns
    -------
    HatchToneOutput
        Share covered, L* and its 95 % band.

    Raises
    ------
    CoreError
        ``needle-wider-than-spacing``.

    Notes
    -----
    No factor for the burr is applied: the width is that of the printed line. See ``coverage``.
    """
    for place, layer in enumerate(given.layers):
        _check(place, layer)
    layers: list[Lines] = [(each.width_um, each.spacing_um) for each in given.layers]
    covered = covered_share(layers)
    reach = (given.lightest_lstar, given.solid_lstar)
    low, high = band_of(covered, doubt_of(layers, given.width_spread), *reach)
    return HatchToneOutput(
        covered=round(covered, 4),
        lstar=round(printed_lstar(covered, *reach), 2),
        low=round(low, 1),
        high=round(high, 1),
        tables=TABLES_VERSION,
    )


def _check(place: int, layer: Layer) -> None:
    if layer.spacing_um < layer.width_um:
        raise CoreError(
            "needle-wider-than-spacing",
            f"Lines of {layer.width_um:g} µm cannot lie {layer.spacing_um:g} µm apart: they run "
            "into each other. Space them at least as wide as they print, or take a finer needle.",
            field=f"layers.{place}.spacing_um", value=layer.spacing_um,
            allowed=f"at least {layer.width_um:g}", unit="µm",
        )  # fmt: skip
