"""What is poured when a bath is made up: names of the trade in three languages, and their role.

The role decides the order of pouring, so it is never guessed from a part of a name: "eau-forte" and
"Scheidewasser" are acids.
"""

from __future__ import annotations

from typing import Literal, get_args

Role = Literal["water", "acid", "ferric", "salt", "alkali", "other"]
ROLES: tuple[Role, ...] = get_args(Role)

ORDER: dict[Role, int] = {"water": 0, "other": 1, "salt": 2, "alkali": 3, "ferric": 4, "acid": 5}
"""Water first, acid last: acid into water, never water into acid. ``room-practice``"""

NAMES: dict[Role, tuple[str, ...]] = {
    "water": (
        "water", "tap water", "cold water", "warm water", "distilled water", "rain water",
        "deionised water", "deionized water", "demineralised water", "h2o",
        "wasser", "leitungswasser", "kaltes wasser", "warmes wasser", "destilliertes wasser",
        "regenwasser", "eau", "eau du robinet", "eau froide", "eau tiède", "eau distillée",
        "eau de pluie", "eau déminéralisée",
    ),
    "acid": (
        "acid", "nitric acid", "nitric", "hno3", "aqua fortis", "acetic acid", "vinegar",
        "white vinegar", "citric acid", "sulphuric acid", "sulfuric acid", "h2so4",
        "oil of vitriol", "hydrochloric acid", "hcl", "muriatic acid", "spirits of salt",
        "säure", "salpetersäure", "scheidewasser", "essigsäure", "essig", "zitronensäure",
        "citronensäure", "schwefelsäure", "salzsäure", "acide", "acide nitrique", "eau forte",
        "acide acétique", "vinaigre", "acide citrique", "acide sulfurique",
        "acide chlorhydrique",
    ),
    "ferric": (
        "ferric chloride", "ferric", "iron chloride", "iron iii chloride", "fecl3",
        "eisenchlorid", "eisen iii chlorid", "perchlorure de fer", "chlorure ferrique",
        "chlorure de fer",
    ),
    "salt": (
        "salt", "table salt", "common salt", "sea salt", "sodium chloride", "nacl",
        "copper sulphate", "copper sulfate", "cuso4", "kochsalz", "salz", "tafelsalz",
        "kupfersulfat", "sel", "sel de cuisine", "sulfate de cuivre",
    ),
    "alkali": (
        "ammonia", "ammonia water", "household ammonia", "nh3", "soda", "washing soda",
        "sodium carbonate", "caustic soda", "lye", "naoh", "ammoniak", "salmiakgeist",
        "waschsoda", "natronlauge", "ammoniaque", "cristaux de soude", "soude caustique",
    ),
}  # fmt: skip
"""Every name whose role need not be asked. ``room-practice``"""

BLEACHES = ("bleach", "household bleach", "sodium hypochlorite", "chlorine bleach", "chlorbleiche",
            "chlorreiniger", "eau de javel", "javel")  # fmt: skip
"""Never with ammonia, acid or ferric: chlorine, chloramine. ``room-practice``"""
SOLVENTS = ("alcohol", "ethanol", "methylated spirit", "methylated spirits", "white spirit",
            "acetone", "turpentine", "spiritus", "alkohol", "terpentin", "aceton", "alcool",
            "alcool à brûler", "térébenthine", "acétone")  # fmt: skip
"""Never with acid: fire, explosion. ``room-practice``"""

STRENGTH_WORDS = ("concentrated", "conc", "dilute", "diluted", "strong", "pure", "konzentriert",
                  "verdünnt", "rein", "concentré", "dilué", "pur", "percent",
                  "prozent")  # fmt: skip
"""Words and figures of strength that stand beside a name and change no role."""
