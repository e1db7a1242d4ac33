"""Made-up polymer plates: other shapes than the ones that are fitted to them."""

from dataclasses import dataclass, replace

import numpy as np


@dataclass(frozen=True)
class Plate:
    """How one plate under one lamp answers both exposures."""

    screen: float
    image: float
    paper: float
    solid: float
    grey: tuple[float, float]
    lights: tuple[float, float, float]
    wiped: tuple[float, float]
    closed: tuple[float, float]
    leak: float
    darks: tuple[float, float, float]

    def tones(self, screen, image, light=1.0):
        """Return paper, highlight, shadow and solid [L*]; ``light`` of the lamp."""
        a, b = np.log(screen * light / self.screen), np.log(image * light / self.image)
        hard = np.exp(b) + 0.3 * np.exp(a)
        paper = self.paper - self.grey[0] * np.exp(-((1.4 * hard) ** self.grey[1]))
        drop, steep, at = self.lights
        highlight = paper - drop / (1 + np.exp(2 * steep * (b + 0.15 * a - np.log(at))))
        solid = self.solid + self.wiped[0] * np.exp(-1.2 * np.exp(a + 0.35) ** self.wiped[1])
        solid = solid + 0.6 * self.closed[0] * np.maximum(0, np.exp(self.closed[1] * a) - 1)
        solid = solid + 0.3 * self.leak * np.exp(b)
        gap, slope, tilt = self.darks
        shadow = solid + gap / (1 + np.exp(-2 * slope * (b + tilt * a + 0.35)))
        return paper, highlight, shadow, solid


def plate(rng):
    """Return a plate of its own kind."""
    u = rng.uniform
    return Plate(
        screen=u(45, 150), image=u(60, 240), paper=u(90, 95.5), solid=u(18, 30),
        grey=(u(6, 20), u(1.2, 2.5)), lights=(u(2.5, 6), u(0.8, 2.2), u(1.0, 2.4)),
        wiped=(u(4, 18), u(1.2, 3)), closed=(u(3, 12), u(0.8, 1.8)), leak=u(0, 4),
        darks=(u(2, 6), u(0.6, 1.8), u(-0.2, 0.8)),
    )  # fmt: skip


def crossed(own, rng, screens, images):
    """Return screen and image times of a test about a plate's middle, crossed."""
    step = 2.0 if min(screens, images) < 4 else 2**0.5
    middle = np.exp(rng.uniform(-0.3, 0.3, 2)) * (own.screen, own.image)
    one, two = (
        at * step ** (np.arange(count) - (count - 1) / 2)
        for at, count in zip(middle, (screens, images), strict=True)
    )
    both = np.meshgrid(one, two)
    return both[0].ravel(), both[1].ravel()


def best_range(own, screens, images):
    """Return the widest range of a pair that holds both ends, within tested times; None: none."""
    sides = [np.geomspace(each.min(), each.max(), 80) for each in (screens, images)]
    paper, highlight, shadow, solid = own.tones(*np.meshgrid(*sides))
    holds = (paper - highlight >= 1.5) & (shadow - solid >= 1.5)
    return (paper - solid)[holds].max() if holds.any() else None


def transfer(rng):
    """Return a function from film to printed tone [L*]: straight, bent, or flat at its ends."""
    light, dark, kind = rng.uniform(88, 96), rng.uniform(14, 32), rng.integers(4)
    power, steep, middle = rng.uniform(0.5, 2.2), rng.uniform(2, 7), rng.uniform(0.3, 0.7)
    toe, shoulder, gain = rng.uniform(0, 0.08), rng.uniform(0, 0.15), rng.uniform(0.3, 1.1)
    n = rng.uniform(1.2, 2.5)

    def sigmoid(x):
        return 1 / (1 + np.exp(-steep * (x - middle)))

    def printed(film):
        x = np.asarray(film, dtype=float)
        if kind == 0:
            share = 1 - (1 - x) ** power
        elif kind == 1:
            share = (sigmoid(x) - sigmoid(0)) / (sigmoid(1) - sigmoid(0))
        elif kind == 2:
            z = np.clip((x - toe) / (1 - toe - shoulder), 0, 1)
            share = np.clip(z + gain * z * (1 - z), 0, 1)
        else:
            z = x + 0.6 * gain * x * (1 - x)
            ends = [((each + 16) / 116) ** (3 / n) for each in (light, dark)]
            return 116 * np.cbrt(((1 - z) * ends[0] + z * ends[1]) ** n) - 16
        return light - (light - dark) * share

    return printed


SYMPTOMS = {
    "wash-short": ("not-clear", "darks-closed"), "wash-long": ("edges-lifted", "lights-lost"),
    "contact": ("blurred",), "damp": ("film-stuck", "mottled"), "lamp-uneven": ("one-side",),
    "film-turned": ("blurred", "lights-lost"), "water-left": ("rings",), "soft": ("tacky",),
    "uncorrected": ("middle-dark",), "image-short": ("edges-lifted",),
}  # fmt: skip
_FALSE = ("mottled", "one-side", "middle-dark", "rings", "blurred")


def failed(cause, rng):
    """Return what is seen, read and known of a plate that went wrong for a cause."""
    own = plate(rng)
    screen, image, light, moved = own.screen, own.image, 1.0, np.zeros(4)
    wanted = np.array(own.tones(screen, image))
    ratio = {"image": 1.0, "screen": 1.0, "wash": 1.0}
    for name in ("image", "screen", "wash"):
        if cause == f"{name}-long":
            ratio[name] = rng.uniform(1.5, 2.3)
        elif cause == f"{name}-short":
            ratio[name] = rng.uniform(0.4, 0.62)
    if cause == "lamp-weak":
        light = rng.uniform(0.5, 0.72)
    if cause == "film-thin":
        own = replace(own, leak=own.leak + rng.uniform(12, 30))
    if cause == "fogged":
        moved[2:] = rng.uniform(6, 16)
    if cause == "wash-short":
        moved[2:] = rng.uniform(0, 2), rng.uniform(2, 6)
    if cause == "wash-long":
        moved[1] = rng.uniform(1, 3)
    printed = np.array(own.tones(screen * ratio["screen"], image * ratio["image"], light)) + moved
    printed = printed + rng.normal(0, 0.8, 4)
    seen = _seen(cause, wanted, printed, rng)
    known = {}
    if rng.random() < 0.5:
        known["image_ratio"] = float(ratio["image"] * np.exp(rng.normal(0, 0.1)))
        known["wash_share"] = float(ratio["wash"] * np.exp(rng.normal(0, 0.1)))
        known["screen_ratio"] = float(ratio["screen"] * np.exp(rng.normal(0, 0.1)))
    if rng.random() < 0.3:
        known["lamp_factor"] = float(light * np.exp(rng.normal(0, 0.08)))
    if rng.random() < 0.3:
        known["film_density"] = 1.6 if cause == "film-thin" else float(rng.uniform(2.4, 3.4))
    names = ("paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar")
    tones = [dict(zip(names, map(float, np.clip(each, 0, 105)), strict=True))
             for each in (wanted, printed)]  # fmt: skip
    return {"seen": seen, "wanted": tones[0], "printed": tones[1], **known}


def _seen(cause, wanted, printed, rng):
    """Return the signs a person notes: missed once in seven, seen where none is once in twenty."""
    paper, highlight, shadow, solid = printed
    found = set()
    if paper - highlight < 1.0:
        found.add("lights-lost")
    if paper < wanted[0] - 3:
        found.add("paper-grey")
    if shadow - solid < 1.0:
        found.add("darks-closed")
    if solid > wanted[3] + 5:
        found.add("no-tooth")
    found |= set(SYMPTOMS.get(cause, ()))
    kept = [sign for sign in sorted(found) if rng.random() > 0.15]
    return kept + [sign for sign in _FALSE if sign not in found and rng.random() < 0.05]
