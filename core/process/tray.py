"""The words of a plate that is laid into a tray or hung into a tank."""

from __future__ import annotations

from core.process.shapes import Hands, Opening

BY_TRAY = Hands(
    dip="Dip",
    lift="Lift",
    wet="In the bath",
    dry="Out of the bath",
    at_zero="lift, rinse, dry.",
    closing="stop-out",
    opening=Opening(
        verb="Open",
        done="Opened",
        how="Take its cover off and leave the grain unharmed.",
        closed="covered for now",
        covers=True,
    ),
    follow="Then stop out",
    ready="Dip when the varnish is dry to the touch.",
    finish="Then wash, and strip the ground.",
)
