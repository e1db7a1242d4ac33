"""Cautions: shown where they matter, each with what to do when it went wrong.

None of them replaces the supplier's safety sheet, local rules or licensed practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal


@dataclass(frozen=True)
class CautionRow:
    """One caution."""

    key: str
    level: Literal["danger", "care"]
    title: str
    text: str
    now: str
    source: str = "room-practice"


CAUTIONS: dict[str, CautionRow] = {
    row.key: row
    for row in (
        CautionRow(
            "nitric-hot",
            "danger",
            "Nitric above 30 °C runs away",
            "It heats itself faster than the tray cools, and gives off brown gas. Nothing is "
            "planned or begun in it.",
            "Lift the plate, lid on, extraction on, leave the room until it is below 27 °C. Stand "
            "the tray in cold water; pour nothing in. Brown gas: a doctor, even when you feel "
            "well.",
        ),
        CautionRow(
            "ferric",
            "care",
            "Ferric stains and corrodes",
            "Goggles and gloves on. Bicarbonate is for plates and benches only: it foams.",
            "On skin: plenty of water. In eyes: water for 15 minutes, then a doctor. "
            "Follow the supplier's sheet and local rules.",
        ),
        CautionRow(
            "nitric",
            "danger",
            "Nitric fumes harm hours later",
            "Extraction on before the lid is off. Acid into water, never water into acid. Keep "
            "alcohol, solvents and solvent rags away. Never above 30 °C.",
            "Brown gas: leave, and see a doctor even when you feel well. On skin or in eyes: water "
            "for 15 minutes, then a doctor. Local rules come first.",
        ),
        CautionRow(
            "nitric-warm",
            "care",
            "Nitric is near 30 °C",
            "From 27 °C it warms itself. Stand the tray in cold water between bites and read the "
            "thermometer before each dip.",
            "Above 30 °C: lift the plate, lid on, extraction on, leave the room until it cooled.",
        ),
        CautionRow(
            "spit-bite",
            "danger",
            "Brushed mordant has no tray round it",
            "Goggles, gloves and apron on, the plate in a tray, extraction on. Take the mordant "
            "from the bottle or bath that is named, a little at a time. Nothing goes to the mouth: "
            "pools are broken with water.",
            "On skin: plenty of water. In eyes: water for 15 minutes, then a doctor. Spilt: "
            "dilute with water, then bicarbonate on the bench. Local rules come first.",
        ),
        CautionRow(
            "sulphate",
            "care",
            "Copper sulphate is poisonous to water",
            "Gloves and goggles on. Brush the red sludge off; do not let it sit in the lines. "
            "Nothing goes down the drain.",
            "In eyes: water for 15 minutes, then a doctor. Swallowed: a doctor at once.",
        ),
        CautionRow(
            "zinc-in-ferric",
            "danger",
            "Keep zinc out of the ferric",
            "Zinc in a ferric bath heats up, gives off gas, and copper plates out on it. Also in a "
            "bath that was topped up or decanted.",
            "Lift the plate out with tongs, stand back, air the room. Do not lean over the tray.",
        ),
        CautionRow(
            "zinc-in-clean-ferric",
            "danger",
            "Zinc in ferric heats up and gasses",
            "Only in a bath that copper never touched. A little metal at a time, extraction on, "
            "the thermometer in it. From then on it is for zinc alone.",
            "Foaming or hot: lift the plate out with tongs, stand back, air the room.",
        ),
        CautionRow(
            "zinc-in-coppered-nitric",
            "care",
            "Copper plates out on zinc",
            "Copper was in this nitric: a red, loose film grows on the zinc and it bites "
            "unevenly. Brush it off often, or make up a fresh bath.",
            "Red film on the plate: lift, rinse, brush it off, change the bath.",
        ),
        CautionRow(
            "rosin",
            "danger",
            "Rosin dust can explode",
            "No flame, spark or switch near the box. P2 or P3 mask. Fuse under extraction.",
            "Breathed in or skin itches: stop, fresh air; a doctor if it stays. Rosin sensitises.",
        ),
        CautionRow(
            "waste",
            "care",
            "A spent bath is hazardous waste",
            "Baths that hold copper or zinc go into a labelled container, never down the drain. "
            "Ask the local authority.",
            "Spilled: keep it from the drain, soak it up with sand, collect it.",
        ),
        CautionRow(
            "bath",
            "care",
            "Mordants burn",
            "Goggles, gloves, extraction. Know where the water is before the plate goes in.",
            "On skin: plenty of water. In eyes: water for 15 minutes, then a doctor. The page of "
            "the bath says what else. Local rules come first.",
        ),
        CautionRow(
            "cut-edges",
            "care",
            "Cut edges and tools cut",
            "Gloves to carry plates; work away from the other hand; goggles with power tools.",
            "A cut: water, a clean dressing; deep or dirty, a doctor.",
        ),
        CautionRow(
            "ammonia",
            "danger",
            "Never mix cleaners",
            "Goggles and gloves for ammonia. Ammonia and bleach give poison gas; bleach never "
            "meets acid or ferric. Air the room.",
            "Coughing or stinging eyes: leave, fresh air; a doctor if it stays.",
        ),
        CautionRow(
            "alcohol",
            "danger",
            "Alcohol burns",
            "Degreasing with alcohol: no flame, hot plate off, and not near the nitric tray. Air "
            "the room; the rag goes into the closed metal can.",
            "Fire: a lid or a blanket. Dizzy: leave, fresh air. In eyes: water for 15 minutes.",
        ),
        CautionRow(
            "cold-first",
            "danger",
            "Alcohol only on a cold plate",
            "Grain and varnish come off with alcohol or acetone only when plate and hot plate are "
            "cold: their vapour catches fire.",
            "Fire: a lid or a blanket, nobody leans over it. Dizzy: leave, fresh air.",
        ),
        CautionRow(
            "soda",
            "care",
            "Strong soda burns",
            "Goggles and gloves. Soda into water, stirring; it heats up. Not on zinc.",
            "On skin: plenty of water. In eyes: water for 15 minutes, then a doctor.",
        ),
        CautionRow(
            "smoking",
            "danger",
            "Smoking a ground is an open flame",
            "Tongs for the plate, nothing that burns near the flame, hair and sleeves tied back, "
            "no solvent in the room.",
            "On skin: cool water for 20 minutes. Fire: a lid or a blanket, never water on wax.",
        ),
        CautionRow(
            "press",
            "danger",
            "The press takes fingers",
            "Fingers out of the nip. Nobody turns while another lays paper. Bed stops on; a heavy "
            "bed needs its catches.",
            "Caught: stop, turn back, a doctor. Do not pull.",
        ),
        CautionRow(
            "knives",
            "care",
            "Knives and scrapers slip",
            "Work away from the other hand; a cap on what is not in use; the plate held fast.",
            "A cut: water, a clean dressing; deep or dirty, a doctor.",
        ),
        CautionRow(
            "grinding-dust",
            "care",
            "Metal and stone dust is breathed in",
            "Mask P2; work wet where it can be done; wipe up, do not sweep.",
            "In eyes: water for 15 minutes. Coughing that stays: a doctor.",
        ),
        CautionRow(
            "hot-plate",
            "danger",
            "Heat, wax and solvents burn",
            "No solvent or alcohol near the hot plate; liquid ground must have flashed off first. "
            "Tongs for the plate.",
            "On skin: cool water for 20 minutes. Fire: a lid or a blanket, never water on wax.",
        ),
        CautionRow(
            "solvents",
            "danger",
            "Solvents burn and make you ill",
            "Extraction on, gloves, no flame or hot plate near. Oily rags into the closed metal "
            "can. Alcohol and strong solvents craze acrylic and attack photopolymer.",
            "Dizzy: leave, fresh air. On skin: soap and water. In eyes: water for 15 minutes.",
        ),
        CautionRow(
            "fusing",
            "care",
            "Rosin smoke is a sensitiser",
            "Extraction on while it fuses; the flame well away from the box and any cloud.",
            "Chest tight or eyes sting: stop, fresh air, a doctor if it stays.",
        ),
        CautionRow(
            "spray",
            "care",
            "Sprayed mist is breathed in",
            "Mask and extraction; no flame: the mist burns.",
            "Breathed in: fresh air; a doctor if it stays.",
        ),
        CautionRow(
            "uv",
            "care",
            "Lamps harm eyes and skin",
            "No looking into the lamp, no bare skin in its light.",
            "Eyes sore hours later: dark and cool, and a doctor.",
        ),
        CautionRow(
            "uncured-polymer",
            "care",
            "Uncured polymer irritates",
            "Gloves until the plate is hardened; wash water not onto skin.",
            "On skin: soap and water; a doctor if it itches.",
        ),
        CautionRow(
            "inks",
            "care",
            "Inks, whiting and solvents",
            "Gloves, no food at the bench. Oily rags into the closed metal can.",
            "On skin: oil, then soap. In eyes: water for 15 minutes.",
        ),
        CautionRow(
            "laser",
            "danger",
            "A laser burns, and some plastics give poison",
            "Only plastic whose name is known: never one with chlorine. Extraction on, lid shut, "
            "somebody beside it.",
            "Flame: stop it, lid shut, a blanket. Sharp smell: stop, leave, fresh air, a doctor.",
        ),
    )
}
