"""Films as files: 16-bit PNG and TIFF at their own resolution, and a PDF at 1:1."""

from __future__ import annotations

import zlib
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import numpy as np
import png
import tifffile
from numpy.typing import NDArray
from PIL import Image
from reportlab import rl_config
from reportlab.lib.units import mm
from reportlab.pdfbase.pdfdoc import PDFImageXObject
from reportlab.pdfgen.canvas import Canvas

from core.errors import CoreError
from core.polymer.positive_shapes import Form, PositiveFile
from core.units import MM_PER_INCH

Film = NDArray[np.uint16]
"""65535 clear, 0 black: (height, width), as the printer draws it."""

_MARGIN_MM, _MARK_MM, _GAP_MM = 14.0, 6.0, 2.0
_WORDS_PT = 8
_LEVEL, _PARTS = 1, 2
_SAMPLED, _WORTH = 64, 0.4
"""Rows that are tried, and what they must come to for pressing to be worth its time."""
_FINEST_PDF_DPI = 1440.0


def write_film(
    film: Film, dpi: float, forms: list[Form], folder: str, size_mm: tuple[float, float], said: str
) -> list[PositiveFile]:
    """Write a film in each form wanted.

    Parameters
    ----------
    film : array (height, width)
    dpi : float
    forms : list of {"png", "tiff", "pdf"}
    folder : str
    size_mm : (float, float) [mm]
    said : str
        Stands beside the picture in the PDF.

    Returns
    -------
    list of PositiveFile

    Raises
    ------
    CoreError
        ``cannot-write``.
    """
    files = []
    for form in dict.fromkeys(forms):
        path = Path(folder) / f"positive.{form}"
        try:
            path.parent.mkdir(parents=True, exist_ok=True)
            if form == "pdf":
                _write_pdf(path, film, dpi, size_mm, said)
            else:
                {"png": write_png, "tiff": write_tiff}[form](path, film, dpi)
        except OSError:
            raise CoreError(
                "cannot-write", "The film cannot be written there.", field="write", value=folder,
                allowed="a folder that can be written",
            ) from None  # fmt: skip
        files.append(PositiveFile(form=form, path=str(path)))
    return files


def write_png(path: Path, film: Film, dpi: float) -> None:
    """Write a film as a 16-bit grey PNG that knows its resolution.

    Parameters
    ----------
    path : Path
    film : array (height, width)
    dpi : float
    """
    a_metre = round(dpi / MM_PER_INCH * 1000)
    writer = png.Writer(
        film.shape[1], film.shape[0], greyscale=True, bitdepth=16, compression=_level(film),
        x_pixels_per_unit=a_metre, y_pixels_per_unit=a_metre, unit_is_meter=True,
    )  # fmt: skip
    with path.open("wb") as file:
        writer.write_packed(file, (row.astype(">u2").tobytes() for row in film))


def _level(film: Film) -> int:
    """Return how hard a film is pressed: not at all where its finest greys are noise."""
    rows = np.ascontiguousarray(film[:: max(1, len(film) // _SAMPLED)]).tobytes()
    return _LEVEL if len(zlib.compress(rows, _LEVEL)) < _WORTH * len(rows) else 0


def write_tiff(path: Path, film: Film, dpi: float) -> None:
    """Write a film as a 16-bit grey TIFF that knows its resolution.

    Parameters
    ----------
    path : Path
    film : array (height, width)
    dpi : float
    """
    tifffile.imwrite(
        path, film, photometric="minisblack", resolution=(dpi, dpi), resolutionunit="INCH"
    )  # fmt: skip


def _write_pdf(path: Path, film: Film, dpi: float, size_mm: tuple[float, float], said: str) -> None:
    """Write a page as large as the film with its marks; 8 bits, which is what a PDF's grey has."""
    wide, high = (side + 2 * _MARGIN_MM for side in size_mm)
    rl_config.useA85 = 0  # pictures as bytes: as letters they are a quarter larger, and slow
    canvas = Canvas(str(path), pagesize=(wide * mm, high * mm))
    canvas.setTitle(said)
    grey = Image.fromarray((film >> 8).astype(np.uint8))
    if dpi > _FINEST_PDF_DPI:
        smaller = _FINEST_PDF_DPI / dpi
        grey = grey.resize((round(grey.width * smaller), round(grey.height * smaller)))
    _draw(canvas, grey, size_mm)
    _marks(canvas, size_mm)
    canvas.setFont("Helvetica", _WORDS_PT)
    canvas.drawString(
        _MARGIN_MM * mm, 4 * mm, f"{said} {size_mm[0]:g} × {size_mm[1]:g} mm at 100 %."
    )
    canvas.showPage()
    canvas.save()


def _draw(canvas: Canvas, grey: Image.Image, size_mm: tuple[float, float]) -> None:
    """Draw the picture, pressed quickly: the writer's own way takes five times as long."""
    picture = PDFImageXObject("film")
    picture.name = "film"
    picture.width, picture.height = grey.size
    picture.colorSpace, picture.bitsPerComponent = "DeviceGray", 8
    picture.streamContent, picture._filters = _pressed(grey.tobytes()), ("FlateDecode",)
    document = canvas._doc
    canvas._setXObjects(picture)
    document.Reference(picture, document.getXObjectName("film"))
    document.addForm("film", picture)
    canvas.saveState()
    canvas.translate(_MARGIN_MM * mm, _MARGIN_MM * mm)
    canvas.scale(size_mm[0] * mm, size_mm[1] * mm)
    canvas._code.append(f"/{document.getXObjectName('film')} Do")
    canvas.restoreState()
    canvas._formsinuse.append("film")
    canvas._currentPageHasImages = 1


def _pressed(data: bytes) -> bytes:
    """Return bytes as one zlib stream whose parts were pressed side by side."""
    part = -(-len(data) // _PARTS)
    parts = [data[at : at + part] for at in range(0, len(data), part)]
    with ThreadPoolExecutor(_PARTS) as hands:
        pressed = list(hands.map(_raw, parts, [at == len(parts) - 1 for at in range(len(parts))]))
    return b"\x78\x01" + b"".join(pressed) + zlib.adler32(data).to_bytes(4, "big")


def _raw(part: bytes, last: bool) -> bytes:
    press = zlib.compressobj(_LEVEL, zlib.DEFLATED, -zlib.MAX_WBITS)
    return press.compress(part) + press.flush(zlib.Z_FINISH if last else zlib.Z_FULL_FLUSH)


def _marks(canvas: Canvas, size_mm: tuple[float, float]) -> None:
    """Draw marks outside the picture's corners."""
    canvas.setLineWidth(0.35)
    for x, way_x in ((_MARGIN_MM, -1), (_MARGIN_MM + size_mm[0], 1)):
        for y, way_y in ((_MARGIN_MM, -1), (_MARGIN_MM + size_mm[1], 1)):
            for a, b in ((_GAP_MM, _GAP_MM + _MARK_MM),):
                canvas.line((x + way_x * a) * mm, y * mm, (x + way_x * b) * mm, y * mm)
                canvas.line(x * mm, (y + way_y * a) * mm, x * mm, (y + way_y * b) * mm)
