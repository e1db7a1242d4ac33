"""What to know of a picture before its film is printed."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from core.errors import CoreError
from core.polymer.film_tones import FilmTones
from core.polymer.positive_shapes import PositiveInput, PositiveWarning

Light = NDArray[np.uint16]

COARSE_DPI = 150.0
_DARK_LSTAR, _DARK_MEAN, _EDGE_DARKER = 30.0, 45.0, 8.0
_CLIPPED_SHARE = 0.02
_BAND_LSTAR, _BAND_SHARE = 1.2, 0.02
_THIN_DENSITY, _DENSE = 2.0, 2.3
_LIMIT_SHARE = 0.25
_ONE_GREY_LSTAR = 2.0
_EIGHT_BIT = ("1", "L", "P", "RGB", "RGBA", "LA", "PA")


def check_colours(path: str) -> None:
    """Refuse a picture in inks: what greys it stands for depends on a press.

    Parameters
    ----------
    path : str

    Raises
    ------
    CoreError
        ``cmyk``.
    """
    if (mode := _mode(path)) == "CMYK":
        raise CoreError(
            "cmyk", "This picture is in printing inks (CMYK). Save it as grey or RGB.",
            field="image", value=mode, allowed="grey or RGB, 8 or 16 bits",
        )  # fmt: skip


def warnings_of(
    given: PositiveInput, small: Light, tones: FilmTones, picture_dpi: float
) -> list[PositiveWarning]:
    """Return what to know before the film is printed.

    Parameters
    ----------
    given : PositiveInput
    small : array
        The picture's light, reduced.
    tones : FilmTones
    picture_dpi : float

    Returns
    -------
    list of PositiveWarning
    """
    mode = _mode(given.image)
    lstar = tones.lstar[small]
    found = [
        *_coarse(picture_dpi, given.dpi), *_tones(lstar), *_clipped(lstar, given),
        *_ink(given, tones, small),
    ]  # fmt: skip
    if mode in ("RGBA", "LA", "PA"):
        found.append(_said("alpha", "What is clear in the picture is laid on white."))
    if mode in _EIGHT_BIT:
        found.extend(_banding(small, tones))
    return found


def _mode(path: str) -> str:
    """Return the kind of a picture's colours; what is no picture is told where it is opened."""
    try:
        with Image.open(path) as picture:
            return "RGBA" if "transparency" in picture.info else picture.mode
    except Exception:  # whatever a broken file raises
        return ""


def _coarse(picture_dpi: float, film_dpi: float) -> list[PositiveWarning]:
    if picture_dpi >= min(COARSE_DPI, film_dpi):
        return []
    text = (
        f"On this plate the picture has only {picture_dpi:.0f} dpi: it will look soft. Take a "
        f"larger one, of {COARSE_DPI:.0f} dpi at least."
    )
    return [_said("too-coarse", text)]


def _tones(lstar: NDArray) -> list[PositiveWarning]:
    """Return a warning where the histogram is that of a negative, or of nothing."""
    low, high = np.percentile(lstar, [1, 99])
    if high - low < _ONE_GREY_LSTAR:
        return [_said("one-grey", "The picture is one grey: nothing would print.")]
    rim = max(1, min(lstar.shape) // 20)
    edge = np.concatenate([lstar[:rim].ravel(), lstar[-rim:].ravel(),
                           lstar[:, :rim].ravel(), lstar[:, -rim:].ravel()])  # fmt: skip
    mostly_dark = lstar.mean() < _DARK_MEAN and np.median(lstar) < _DARK_LSTAR
    if mostly_dark and np.median(edge) < lstar.mean() - _EDGE_DARKER:
        text = (
            f"Mostly black, its edges most of all (mean L* {lstar.mean():.0f}): is this a "
            "negative? A positive is dark where the print is dark."
        )
        return [_said("turned-tones", text)]
    return []


def _clipped(lstar: NDArray, given: PositiveInput) -> list[PositiveWarning]:
    levels = given.levels
    below = float(np.mean(lstar < levels.black_lstar - 0.5)) if levels.black_lstar > 0 else 0.0
    above = float(np.mean(lstar > levels.white_lstar + 0.5)) if levels.white_lstar < 100 else 0.0
    if max(below, above) < _CLIPPED_SHARE:
        return []
    what = "darks close" if below > above else "lights are lost"
    text = f"By these levels {100 * max(below, above):.0f} % of the picture's {what}."
    return [_said("clipped", text)]


def _ink(given: PositiveInput, tones: FilmTones, small: Light) -> list[PositiveWarning]:
    found = []
    if given.film_density is not None and given.film_density < _DENSE:
        leak = 100 * 10**-given.film_density
        worse = "Lay two films" if given.film_density < _THIN_DENSITY else "Print it denser"
        text = (
            f"The film's black has a density of {given.film_density:g}: {leak:.1f} % of the light "
            f"comes through, so darks fill up. {worse}."
        )
        found.append(_said("thin-black", text))
    heavy = float(np.mean(tones.black[small] > 0.97))
    if given.most_black == 1.0 and heavy > _LIMIT_SHARE:
        text = (
            f"{100 * heavy:.0f} % of the film is solid: ink may pool and dry slowly. Measure at "
            "which share its black gets no denser, and hold it there."
        )
        found.append(_said("ink-limit", text))
    return found


def _banding(small: Light, tones: FilmTones) -> list[PositiveWarning]:
    """Return a warning where neighbouring greys of an 8-bit picture print visibly apart."""
    greys = np.arange(256) / 255
    light = np.where(greys <= 0.04045, greys / 12.92, ((greys + 0.055) / 1.055) ** 2.4)
    steps = np.rint(light * (len(tones.lstar) - 1)).astype(int)
    apart = np.abs(np.diff(tones.printed(tones.black)[steps]))
    wide = np.abs(np.diff(tones.black[steps])) > 0.03
    used = np.histogram(small, bins=np.append(steps, len(tones.lstar)))[0][:-1] / small.size
    share = float(used[(apart > _BAND_LSTAR) | wide].sum())
    if share < _BAND_SHARE:
        return []
    text = (
        f"Neighbouring greys of this 8-bit picture part visibly on {100 * share:.0f} % of it: a "
        "16-bit picture does not band."
    )
    return [_said("banding", text)]


def _said(code: str, text: str) -> PositiveWarning:
    return PositiveWarning.model_validate({"code": code, "text": text})
