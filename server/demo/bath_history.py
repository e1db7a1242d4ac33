"""What the demo's baths went through: bites, coupons, check patches, a refresh, warm and cold."""

from __future__ import annotations

import uuid
from datetime import datetime, timedelta
from typing import Any

import numpy as np

from core.data.mordants import METALS, MORDANTS
from core.kinetics.speed import load_factor, temperature_factor
from core.kinetics.standing import Reading, stand
from core.tone.shapes import Curve
from core.tone.table import table_of
from server.accounts.models import User
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath, BathCheck, BathReading
from server.demo.tablet import MakeId
from server.demo.when import at_work
from server.instruments.actions.keep import make_instrument
from server.instruments.schemas import InstrumentIn
from server.record.actions.write import told_from
from server.strips.models import Strip

AMBER_DAYS, REFRESHED_DAYS, REFRESHED_SHARE = 72, 30, 0.25
AMBER_LOAD = 16.9
COUPON_DAYS, PATCH_DAYS = (71, 50, 29, 6), (62, 36, 16, 2)
COUPON_CM2, COUPON_SECONDS, SCALE_G = 20.0, 600, 0.002
PATCH_SECONDS = 120
FASTER = 1.04
"""Amber tray over the table's rate: what its coupons find out."""
PLATES = ("Lantern Row, line work", "Steam Stall, proof strip", "The Weighbridge",
          "a student's plate", "a student's test plate")  # fmt: skip


class History:
    """Readings and checks of one bath, stored as they would have come in."""

    def __init__(self, bath: Bath, by: User, now: datetime, make_id: MakeId) -> None:
        self.bath, self.by, self.now, self.make_id = bath, by, now, make_id
        self.count = 0

    def _id(self) -> uuid.UUID:
        self.count += 1
        return self.make_id(f"{self.bath.name} reading {self.count}")

    def read(self, days: float, **facts: Any) -> None:
        """Store a reading so many days ago."""
        BathReading.objects.create(
            id=self._id(), room=self.bath.room, bath=self.bath, by=self.by,
            at=self.now - timedelta(days=days), **facts,
        )  # fmt: skip

    def stood(self, days: float) -> tuple[float, float]:
        """Return temperature and load so many days ago."""
        rows = BathReading.objects.filter(bath=self.bath)
        known = [
            Reading(r.at.timestamp(), r.temperature_c, r.load_g_per_l, r.gained_g_per_l,
                    r.replaced_share)
            for r in rows
        ]  # fmt: skip
        then = stand(known, (self.now - timedelta(days=days)).timestamp())
        return then.temperature_c or 18.0, then.load_g_per_l or 0.0

    def check(self, days: float, kind: str, said: dict[str, Any], strip: Strip | None) -> None:
        """Store a check so many days ago."""
        BathCheck.objects.create(
            id=self.make_id(f"{self.bath.name} {kind} {days}"), room=self.bath.room,
            bath=self.bath, at=self.now - timedelta(days=days), by=self.by, kind=kind, said=said,
            curve=strip.curve if strip else None, strip=strip.id if strip else None,
        )  # fmt: skip

    def coupon(self, days: float, stray: float) -> None:
        """Weigh a coupon that lost what the bath would have taken, a little off."""
        row = MORDANTS[self.bath.mordant]
        warm, load = self.stood(days)
        rate = row.rate_um_per_min * FASTER * (1 + stray)
        rate *= float(temperature_factor(warm, row.energy_kj_per_mol))
        rate *= float(load_factor(load, row.end_g_per_l))
        depth = rate * (COUPON_SECONDS - row.wetting_seconds) / 60
        lost = depth * 1e-4 * COUPON_CM2 * METALS[row.metal].density_g_per_cm3
        before = 12.4 + 0.013 * days
        said = {
            "area_cm2": COUPON_CM2, "mass_before_g": round(before, 3),
            "mass_after_g": round(before - lost, 3), "mass_spread_g": SCALE_G,
            "seconds": COUPON_SECONDS, "temperature_c": warm, "load_g_per_l": round(load, 2),
        }  # fmt: skip
        self.check(days, "coupon", said, None)

    def patch(self, days: float, strip: Strip, stray: float) -> None:
        """Bite a check patch and read it off the strip's curve, a little off."""
        row, curve = MORDANTS[self.bath.mordant], Curve.model_validate(strip.curve)
        warm, load = self.stood(days)
        at = curve.conditions
        factor = (1 + stray) * float(
            temperature_factor(warm, row.energy_kj_per_mol)
            * load_factor(load, row.end_g_per_l)
            / temperature_factor(at.temperature_c, row.energy_kj_per_mol)
            / load_factor(at.load_g_per_l, row.end_g_per_l)
        )
        table = table_of(curve)
        tone = float(table.at(np.maximum(PATCH_SECONDS - table.wetting, 0.0) * factor).mean())
        said = {
            "seconds": PATCH_SECONDS, "lstar": round(tone, 1), "spread": 0.9, "dips": 1,
            "temperature_c": warm, "load_g_per_l": round(load, 2),
        }  # fmt: skip
        self.check(days, "check-patch", said, strip)


def load_bath_history(keeper: User, now: datetime, make_id: MakeId) -> None:
    """Load the past of the baths, and the instruments that stand by."""
    _amber(keeper, now, make_id)
    _grey(keeper, now, make_id)
    _spent(keeper, now, make_id)
    room_id = Bath.objects.get(id=make_id("Amber tray")).room_id
    for name, kind in (("Shop scale", "scale"), ("Bench densitometer", "densitometer")):
        given = InstrumentIn.model_validate({"id": make_id(name), "name": name, "kind": kind})
        with told_from(at_work(now) - timedelta(days=60)):
            make_instrument(keeper, room_id, given)


def _warm(day: float) -> float:
    """Return the temperature of a tray in a room that cools through autumn [°C]."""
    return round(20.6 - 2.3 * (1 - day / AMBER_DAYS) + 1.1 * np.sin(day * 0.9), 1)


def _amber(keeper: User, now: datetime, make_id: MakeId) -> None:
    bath = Bath.objects.get(id=make_id("Amber tray"))
    begun = now - timedelta(days=AMBER_DAYS)
    first = BathReading.objects.get(bath=bath)
    first.at, first.load_g_per_l, first.temperature_c = begun, 0.0, 21.4
    first.save()
    told = History(bath, keeper, now, make_id)
    rng = np.random.default_rng(26)
    days = [70 - 2.3 * i - 0.4 * (i % 3) for i in range(27)]
    given = 1.5 + 2.2 * rng.random(len(days))
    before = [g for d, g in zip(days, given, strict=True) if d > REFRESHED_DAYS]
    kept = sum(before) * (1 - REFRESHED_SHARE) + sum(given[len(before) :])
    scale = AMBER_LOAD * bath.volume_l / kept
    for place, (day, grams) in enumerate(zip(days, given, strict=True)):
        gained = float(grams * scale / bath.volume_l)
        name = PLATES[place % len(PLATES)]
        told.read(day, gained_g_per_l=gained,
                  note=f"Reckoned from the bites of {name}: +{gained:.2f} g/L.")  # fmt: skip
    told.read(REFRESHED_DAYS, replaced_share=REFRESHED_SHARE, note="1 of 4 L new, 42 °Bé.")
    for day in range(AMBER_DAYS - 1, 0, -2):
        told.read(day + 0.2, temperature_c=_warm(day))
    told.read(50 / 1440, temperature_c=18.5)
    strip = Strip.objects.get(id=make_id("Rosin last week"))
    for day, stray in zip(COUPON_DAYS, (0.012, -0.02, 0.015, -0.018), strict=True):
        told.coupon(day, stray)
    for day, stray in zip(PATCH_DAYS, (-0.01, 0.02, 0.0, 0.012), strict=True):
        told.patch(day, strip, stray)
    settle_bath(bath)
    Bath.objects.filter(id=bath.id).update(created_at=begun)


def _grey(keeper: User, now: datetime, make_id: MakeId) -> None:
    bath = Bath.objects.get(id=make_id("Grey tank"))
    told = History(bath, keeper, now, make_id)
    told.coupon(0.01, -0.08)
    BathCheck.objects.filter(bath=bath).update(at=now - timedelta(days=3))


def _spent(keeper: User, now: datetime, make_id: MakeId) -> None:
    """A bath of last winter waits in its can until it is fetched."""
    at = now - timedelta(days=85)
    room = Bath.objects.get(id=make_id("Amber tray")).room
    bath = Bath.objects.create(
        id=make_id("Last winter's ferric"), room=room,
        name="Last winter's ferric", mordant="copper-ferric", vessel="tray", volume_l=9.0,
        baume=42.0, load_g_per_l=56.0, temperature_c=18.0, temperature_at=at, held_copper=True,
        retired=True, retired_to="labelled can, shelf by the sink",
    )  # fmt: skip
    BathReading.objects.create(
        id=make_id("spent reading"), room=bath.room, bath=bath, at=at, by=keeper,
        temperature_c=18.0, load_g_per_l=56.0, note="As it stood when it was retired.",
    )  # fmt: skip
