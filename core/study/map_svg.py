"""Stop-out maps as outlines: one SVG a stage, in mm."""

from __future__ import annotations

from xml.sax.saxutils import escape, quoteattr

from core.study.outlines import Polygon, as_path
from core.study.stages import CRAYON_NOW, CRAYONED
from core.study.stop_out_maps import BEFORE, NOW

STATES = {
    BEFORE: ("covered", 'fill="#2c221b"'),
    NOW: ("now", 'fill="url(#now)" stroke="#1b1714" stroke-width="0.35"'),
    CRAYON_NOW: ("crayon", 'fill="url(#crayon)" stroke="#1b1714" stroke-width="0.2"'),
    CRAYONED: ("crayoned", 'fill="none" stroke="#1b1714" stroke-width="0.2" '
               'stroke-dasharray="1 1"'),
}  # fmt: skip
_PATTERNS = (
    '<defs><pattern id="now" width="2" height="2" patternUnits="userSpaceOnUse" '
    'patternTransform="rotate(45)"><path d="M0 0V2" stroke="#1b1714" stroke-width="0.9"/></pattern>'
    '<pattern id="crayon" width="1.6" height="1.6" patternUnits="userSpaceOnUse">'
    '<circle cx="0.5" cy="0.5" r="0.3"/><circle cx="1.3" cy="1.2" r="0.25"/></pattern></defs>'
)


def map_svg(title: str, size_mm: tuple[float, float], pieces: dict[int, list[Polygon]]) -> str:
    """Return one map.

    Parameters
    ----------
    title : str
    size_mm : (float, float) [mm]
        Width and height of the plate.
    pieces : dict of list of Polygon
        By what becomes of them on the map.

    Returns
    -------
    str
        An SVG whose unit is the mm.
    """
    width, height = size_mm
    paths = "".join(
        f'<path id="{name}" {look} fill-rule="evenodd" d={quoteattr(as_path(pieces[state]))}/>'
        for state, (name, look) in STATES.items()
        if pieces.get(state)
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:g}mm" height="{height:g}mm" '
        f'viewBox="0 0 {width:g} {height:g}"><title>{escape(title)}</title>{_PATTERNS}'
        f'<rect width="{width:g}" height="{height:g}" fill="#fff" stroke="#1b1714" '
        f'stroke-width="0.2"/>{paths}</svg>'
    )
