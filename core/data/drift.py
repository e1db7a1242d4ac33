"""How a bath's speed wanders, and how surely each kind of measurement tells it.

Standard deviations of the logarithm of the speed unless another unit is named. ``room-practice``
until a room's own measurements are many enough.
"""

from __future__ import annotations

from core.data.lines import Number

DRIFT_PER_ROOT_DAY = Number(0.012, 0.004, "√d⁻¹", "room-practice")
"""A standing bath loses water, takes up air, settles: about 3 % in a week, 6 % in a month."""
REPLACED = Number(0.25, 0.1, "", "room-practice")
"""For a bath wholly replaced; less by the share that was: the new part is another batch."""
STRIP_DAYS = ((0.01, 0.80), (0.04, 0.15), (0.15, 0.05))
"""How far the bath of a strip and today's, of one label, are apart (standard deviation), and how
often: as a rule hardly, now and then one of them is not what its label says. ``room-practice``"""
COUPON = Number(0.032, 0.01, "", "room-practice")
"""Edges, a place that was not quite clean, the rule itself: all but the scale."""
SCALE_G = Number(0.005, 0.002, "g", "room-practice")
"""One weighing on a bench scale, where its doubt was not said."""
HYDROMETER_BAUME = Number(0.3, 0.1, "°Bé", "room-practice")
"""One reading at the stem."""
STRIP = Number(0.19, 0.05, "", "room-practice")
"""Dust, wiping and hands of one strip: two of one ground part by √2 of it, which is what
``STRIP_DRIFT`` of the curves makes of their pace."""
LINES = Number(0.05, 0.02, "", "room-practice")
"""Narrow lines are rinsed by fresh mordant otherwise than an open coupon; all but the loupe."""
CHECK_PATCH = Number(0.35, 0.1, "L*", "room-practice")
"""Grain and wiping of one patch, beside its reading."""
