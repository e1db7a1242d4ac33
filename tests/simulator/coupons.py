"""Baths whose physics is not the model's, and coupons weighed in them."""

from __future__ import annotations

import numpy as np

GAS = 8.314


class AnyBath:
    """A bath with a hidden energy and end of life; it slows by one of three laws."""

    def __init__(self, rng):
        self.energy, self.end = rng.uniform(20, 48), rng.uniform(42, 78)
        self.fresh = 1.5 * np.exp(rng.normal(0, 0.3))
        self.law = int(rng.integers(3))
        self.wetting = rng.uniform(2, 9)

    def speed(self, celsius, load):
        """µm/min, by Eyring's law rather than Arrhenius'."""
        t = celsius + 273.15
        warm = t / 293.15 * np.exp(-(self.energy - 2.44) * 1000 / GAS * (1 / t - 1 / 293.15))
        x = load / self.end
        slowed = (
            max(0.15, 1 - 0.75 * x),
            np.exp(-1.05 * x - 0.25 * x * x),
            (1 - 0.6 * x) / (1 + 0.18 * x),
        )[self.law]
        return self.fresh * warm * slowed

    def coupon(self, rng, celsius, load, *, area=20.0, scale=0.002, uneven=0.02):
        """A coupon's evidence, weighed on a scale that is sure to ``scale`` g."""
        seconds = rng.uniform(600, 1200)
        depth = self.speed(celsius, load) * (seconds - self.wetting) / 60
        lost = depth * 1e-4 * area * 8.96 * np.exp(rng.normal(0, uneven))
        before = rng.uniform(10, 15)
        return {
            "kind": "coupon", "area_cm2": area, "seconds": seconds, "temperature_c": celsius,
            "load_g_per_l": load, "mass_spread_g": scale,
            "mass_before_g": before + rng.normal(0, scale),
            "mass_after_g": before - lost + rng.normal(0, scale),
        }  # fmt: skip
