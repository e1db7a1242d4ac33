"""How much light the values of a file stand for: by sRGB, or by the profile it carries."""

from __future__ import annotations

import struct
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Curve = Callable[[Array], Array]

_HEAD_BYTES = 128
_SRGB_Y = (0.2126, 0.7152, 0.0722)
_SRGB_D50_Y, _AS_USUAL = (0.2225, 0.7169, 0.0606), 0.002
"""What profiles of sRGB say of its colours under their own white: told as if there were none."""
_STEPS_16 = 65_535
_FORMS = {0: "g", 1: "gab", 2: "gabc", 3: "gabcd", 4: "gabcdef"}


def srgb_to_linear(value: Array) -> Array:
    """Return linear light of sRGB values, both 0 to 1. Source: ``srgb``.

    Parameters
    ----------
    value : array

    Returns
    -------
    array
    """
    return np.where(value <= 0.04045, value / 12.92, ((value + 0.055) / 1.055) ** 2.4)


@dataclass(frozen=True)
class Light:
    """Share of each colour in the luminance, and its curve; red, green, blue."""

    weights: tuple[float, float, float]
    curves: tuple[Curve, Curve, Curve]
    grey: Curve

    def tables(self, steps: int, channels: int) -> NDArray[np.uint16]:
        """Return the luminance that each value of each colour gives, 65535 white.

        Parameters
        ----------
        steps : int
            Values of a channel: 256 or 65536.
        channels : int
            1 or 3.

        Returns
        -------
        array (channels or 3, steps)
        """
        values = np.linspace(0, 1, steps)
        if channels == 1:
            return _in_steps(self.grey(values)[None])
        pairs = zip(self.weights, self.curves, strict=True)
        parts = _in_steps(np.stack([weight * curve(values) for weight, curve in pairs]))
        parts[1, -1] = _STEPS_16 - int(parts[0, -1]) - int(parts[2, -1])  # white is white
        return parts


def _in_steps(light: Array) -> NDArray[np.uint16]:
    return np.asarray(np.rint(np.clip(light, 0, 1) * _STEPS_16), dtype=np.uint16)


SRGB = Light(_SRGB_Y, (srgb_to_linear,) * 3, srgb_to_linear)


def light_of(profile: bytes | None) -> Light:
    """Return how a file's values turn to light.

    Parameters
    ----------
    profile : bytes or None
        The ICC profile embedded in it.

    Returns
    -------
    Light
        By sRGB where there is no profile, or none of curves (a table of inks, say).

    Notes
    -----
    Of a profile of curves Y = Σ w·c(value): w the Y of its colorants. Source: ``icc-1``.
    """
    try:
        return _read(profile) if profile else SRGB
    except (struct.error, KeyError, IndexError, ValueError, ZeroDivisionError):
        return SRGB


def _read(profile: bytes) -> Light:
    tags = _tags(profile)
    if "kTRC" in tags:
        grey = _curve(tags["kTRC"])
        return Light(_SRGB_Y, (grey,) * 3, grey)
    own = tuple(_colorant_y(tags[f"{colour}XYZ"]) for colour in "rgb")
    curves = (_curve(tags["rTRC"]), _curve(tags["gTRC"]), _curve(tags["bTRC"]))
    return Light(_weights(own), curves, curves[1])


def _weights(own: tuple[float, ...]) -> tuple[float, float, float]:
    """Return the share of each colour in the light; those of sRGB as where there is no profile."""
    off = max(abs(y - usual) for y, usual in zip(own, _SRGB_D50_Y, strict=True))
    if off < _AS_USUAL:
        return _SRGB_Y
    red, green, blue = (y / sum(own) for y in own)
    return red, green, blue


def _tags(profile: bytes) -> dict[str, bytes]:
    (count,) = struct.unpack_from(">I", profile, _HEAD_BYTES)
    found = {}
    for i in range(min(count, 200)):
        name, at, size = struct.unpack_from(">4sII", profile, _HEAD_BYTES + 4 + 12 * i)
        found[name.decode("ascii", "replace")] = profile[at : at + size]
    return found


def _colorant_y(tag: bytes) -> float:
    return float(_fixed(tag, 12, 1)[0])


def _fixed(tag: bytes, at: int, count: int) -> tuple[float, ...]:
    return tuple(value / 65_536 for value in struct.unpack_from(f">{count}i", tag, at))


def _curve(tag: bytes) -> Curve:
    kind = tag[:4]
    if kind == b"curv":
        return _sampled(tag)
    if kind == b"para":
        return _by_formula(tag)
    raise ValueError("a curve of another kind")


def _sampled(tag: bytes) -> Curve:
    (count,) = struct.unpack_from(">I", tag, 8)
    if count == 0:
        return lambda value: value
    values = np.array(struct.unpack_from(f">{count}H", tag, 12), dtype=float)
    if count == 1:
        gamma = float(values[0]) / 256
        return lambda value: value**gamma
    places = np.linspace(0, 1, count)
    return lambda value: np.interp(value, places, values / _STEPS_16)


def _by_formula(tag: bytes) -> Curve:
    (form,) = struct.unpack_from(">H", tag, 8)
    names = _FORMS[form]
    given = dict(zip(names, _fixed(tag, 12, len(names)), strict=True))
    gamma, a, b = given["g"], given.get("a", 1.0), given.get("b", 0.0)
    foot = given.get("d", -b / a if form in (1, 2) else 0.0)
    slope = given.get("c", 0.0) if form >= 3 else 0.0
    above = given.get("e", 0.0) if form == 4 else given.get("c", 0.0) if form == 2 else 0.0
    below = given.get("f", 0.0) if form == 4 else above if form == 2 else 0.0

    def light(value: Array) -> Array:
        powered = np.maximum(a * value + b, 0.0) ** gamma + above
        return np.where(value >= foot, powered, slope * value + below)

    return light
