"""A print room whose physics is not the model's: grains that shrink, pits that fill with ink.

Used to check that plans come true in rooms the model was not built from.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np


def _lstar(y):
    return np.where(y > 0.008856, 116 * np.cbrt(y) - 16, 903.3 * y)


@dataclass
class Room:
    """One made-up print room; ``flavour`` picks how tone grows with depth."""

    rng: np.random.Generator
    flavour: int
    rate_spread: float = 0.0

    def __post_init__(self):
        u = self.rng.uniform
        self.wetting = u(3, 14)
        self.energy = u(22, 45)
        self.end = u(45, 75)
        self.rate = 1.5 * np.exp(self.rng.normal(0, 1) * self.rate_spread)
        self.reading_sd = u(0.5, 1.2)
        self.plate = u(0.80, 0.90)
        self.ink = u(0.018, 0.04)
        self.scale = u(0.8, 2.8)
        self.cover = u(0.42, 0.58)
        self.grain = u(8, 20)
        self.under = u(0.4, 0.9)
        self.gain = u(1.4, 2.2)
        self.radii = np.exp(self.rng.normal(0, 0.35, 200)) * self.grain
        self.tau = np.exp(self.rng.normal(np.log(5), 0.4))
        self.beta = u(0.7, 1.1)
        self.dmax = u(1.25, 1.7)

    def tone(self, depth):
        """L* of the print for bitten depth [µm]."""
        depth = np.asarray(depth, float)
        if self.flavour == 0:
            left = np.maximum(0, 1 - self.under * depth[..., None] / self.radii)
            weight = self.radii**2
            cover = self.cover * (left**2 * weight).sum(-1) / weight.sum()
            pit = self.ink + (self.plate - self.ink) * np.exp(-depth / self.scale)
            land = self.plate
            n = self.gain
            return _lstar((cover * land ** (1 / n) + (1 - cover) * pit ** (1 / n)) ** n)
        if self.flavour == 1:
            span = self.grain / self.under * 1.3
            cover = self.cover * np.maximum(0, 1 - depth / span) ** 1.6
            pit = self.ink + (self.plate - self.ink) / (1 + depth / self.scale) ** 1.7
            return _lstar(cover * self.plate * 0.6 + (1 - cover) * pit + cover * pit * 0.4)
        d0 = -np.log10(self.plate)
        x = (depth / 1.5 / self.tau) ** self.beta
        return _lstar(10 ** -(d0 + self.dmax * (1 - np.exp(-x))))

    def speed(self, temperature_c, load):
        t, t0 = temperature_c + 273.15, 293.15
        f = np.exp(-self.energy * 1000 / 8.314 * (1 / t - 1 / t0))
        return self.rate / 60 * f * max(0.15, 1 - 0.75 * load / self.end)

    def depth(self, dips, temperature_c, load, volume_l=4.0, open_cm2=None):
        """Depth [µm] after each dip [s], the load growing as metal goes in."""
        out, total = [], 0.0
        for k, dip in enumerate(dips):
            bite = max(0.0, dip - self.wetting)
            steps = max(1, int(bite // 10))
            for _ in range(steps):
                d = self.speed(temperature_c, load) * bite / steps
                total += d
                if open_cm2 is not None:
                    load += open_cm2[k] * 0.5 * d * 1e-4 * 8.96 / volume_l
            out.append(total)
        return np.array(out)
