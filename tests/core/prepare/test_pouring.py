"""Water first, acid last, whatever they are called; an unknown liquid is not mixed."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.data.pouring import BLEACHES, NAMES, ORDER, ROLES, SOLVENTS
from core.errors import CoreError
from core.prepare.pouring import plain, role_by_name

# acid, water, in English, German and French: as they stand on bottles and scraps of paper
SPELLINGS = [
    ("HNO3", "tap water"), ("hno3 68 %", "H2O"), ("Nitric acid", "Water"),
    ("NITRIC ACID (68%)", "water"), ("nitric acid 68 %", "distilled water"),
    ("conc. nitric acid", "cold water"), ("Nitric", "deionised water"), ("aqua fortis", "water"),
    ("acetic acid 5 %", "rain water"), ("white vinegar", "water"), ("vinegar", "warm water"),
    ("citric acid", "demineralised water"), ("sulphuric acid", "water"), ("sulfuric acid", "water"),
    ("H2SO4 37%", "distilled water"), ("hydrochloric acid", "water"), ("HCl", "deionized water"),
    ("Salpetersäure", "Wasser"), ("Salpetersaeure 65 %", "Wasser"), ("Scheidewasser", "Wasser"),
    ("Salpetersäure 65%", "Leitungswasser"), ("konzentrierte Salpetersäure", "Wasser"),
    ("Essigsäure", "destilliertes Wasser"), ("Essig", "warmes Wasser"),
    ("Zitronensäure", "kaltes Wasser"), ("Schwefelsäure, verdünnt", "Wasser"),
    ("Salzsäure", "Regenwasser"), ("SÄURE", "WASSER"), ("acide nitrique", "eau"),
    ("Acide nitrique 60 %", "eau du robinet"), ("eau-forte", "eau"), ("eau forte", "eau distillée"),
    ("acide acétique", "eau froide"), ("vinaigre", "eau tiède"), ("acide citrique", "eau"),
    ("acide sulfurique", "eau de pluie"), ("acide chlorhydrique", "eau"),
    ("ACIDE NITRIQUE CONCENTRÉ", "EAU"), ("nitric acd", "water"), ("Salpeter", "Wasser"),
]  # fmt: skip
POUR_AT_LEAST = 30


def poured(*parts):
    return compute("dilute", {"parts": list(parts), "volume_l": 1.1})


def named(name, role=None, parts=1):
    return {"name": name, "role": role, "parts": parts}


def test_forty_spellings_are_never_poured_acid_first_and_most_are_poured():
    done = 0
    for acid, water in SPELLINGS:
        for pair in ({acid: 1, water: 10}, {water: 10, acid: 1}):
            try:
                out = compute("dilute", {"parts": pair, "volume_l": 1.1})
            except CoreError as error:
                assert error.code == "role-unknown", acid
                continue
            assert out.pour == [f"{water} first: 1.00 L", "then acid: 0.10 L"], acid
            done += 1
    assert len(SPELLINGS) == 40 and done / 2 >= POUR_AT_LEAST


def test_the_case_that_poured_the_acid_first():
    out = compute("dilute", {"parts": {"HNO3": 1, "tap water": 10}, "volume_l": 1.1})
    assert out.pour[0].startswith("tap water first")
    assert (out.water_l, out.stock_l) == (1.0, 0.1)
    assert any("Acid into water" in text for text in out.cautions)


@pytest.mark.parametrize(
    "name", ["blue stuff", "Salpeter", "eau de nuit", "acidic tea", "waterglass"]
)
def test_any_other_name_needs_a_role(name):
    with pytest.raises(CoreError) as refused:
        poured(named("water"), named(name))
    assert (refused.value.code, refused.value.field) == ("role-unknown", "parts.1.role")
    out = poured(named(name, "acid"), named("water", parts=10))
    assert out.pour[0].startswith("water first")


@pytest.mark.parametrize(
    ("name", "role"),
    [("nitric acid", "water"), ("water", "acid"), ("eau-forte 60 %", "water"), ("soda", "acid")],
)
def test_a_role_against_the_table_is_refused(name, role):
    with pytest.raises(CoreError) as refused:
        poured(named(name, role), named("rain water", parts=10))
    assert refused.value.code == "role-against-table"
    assert refused.value.field == "parts.0.role"


@pytest.mark.parametrize(
    "parts",
    [("bleach", "vinegar"), ("eau de Javel", "ammoniaque"), ("Bleach", "ferric chloride"),
     ("alcohol", "nitric acid"), ("nitric acid", "washing soda")],
)  # fmt: skip
def test_what_harms_together_is_not_mixed(parts):
    with pytest.raises(CoreError) as refused:
        poured(
            named("water", parts=5), *(named(each, role_by_name(each) or "other") for each in parts)
        )
    assert refused.value.code == "never-together"


@given(st.permutations(["water", "copper sulphate", "ferric chloride", "citric acid"]))
def test_in_whatever_order_they_are_given_they_are_poured_by_role(names):
    out = poured(*(named(name) for name in names))
    said = [line.split(":")[0].removeprefix("then ").removesuffix(" first") for line in out.pour]
    assert said == ["water", "copper sulphate", "ferric chloride", "acid"]
    assert sum(out.litres.values()) == pytest.approx(1.1, abs=1e-3)


def test_every_name_has_one_role_and_is_found_however_it_is_written():
    for role, names in NAMES.items():
        for name in names:
            for written in (name, name.upper(), f" {name} ", f"{name} 10 %"):
                assert role_by_name(written) == role, written
    assert set(NAMES) | {"other"} == set(ROLES) == set(ORDER)
    for name in (*BLEACHES, *SOLVENTS):
        assert role_by_name(name) is None and plain(name), name


def test_two_parts_of_one_name_are_refused():
    with pytest.raises(CoreError):
        poured(named("water"), named("water"))
