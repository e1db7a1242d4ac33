"""The room's papers, inks and wipes: named by proofs and strips, kept in the shop book."""

import pytest

from server.shopbook.models import Supply
from tests.server.conftest import new_id


def kept(person, **more):
    return {"id": new_id(), "kind": "paper", "name": "Soft cotton", **more}


def names(person, kind="paper"):
    items = person.must("GET", "/supplies")["items"]
    return [each["name"] for each in items if each["kind"] == kind]


def test_what_a_proof_names_is_in_the_shop_book_once(furnished):
    for paper in ("Soft cotton", "soft  cotton", "Hard rag"):
        furnished.must("POST", "/proofs", {
            "id": new_id(), "plate": furnished.ids["plate"], "paper": paper})  # fmt: skip
    assert names(furnished) == ["Hard rag", "Soft cotton"]
    assert names(furnished, "ink") == []


def test_under_a_new_name_all_proofs_and_strips_follow(furnished):
    proof = {"id": new_id(), "plate": furnished.ids["plate"], "ink": "Black"}
    furnished.must("POST", "/proofs", proof)
    furnished.must("PUT", f"/strips/{furnished.ids['strip']}", {"version": 1, "ink": "black"})
    ink = furnished.must("GET", "/supplies")["items"][0]
    furnished.must("PUT", "/supplies", ink | {"name": "Bone black"})
    assert furnished.must("GET", f"/strips/{furnished.ids['strip']}")["ink"] == "Bone black"
    told = furnished.must("GET", f"/proofs?plate={furnished.ids['plate']}")["items"]
    assert told[0]["ink"] == "Bone black"


def test_put_away_it_still_stands_where_it_was_used(furnished):
    furnished.must("PUT", f"/strips/{furnished.ids['strip']}", {"version": 1, "wipe": "cloth"})
    wipe = furnished.must("GET", "/supplies")["items"][0]
    furnished.must("PUT", "/supplies", wipe | {"put_away": True, "note": "streaks"})
    assert furnished.must("GET", f"/strips/{furnished.ids['strip']}")["wipe"] == "cloth"


def test_a_name_is_there_once_a_kind_and_a_room(furnished, stranger):
    furnished.must("PUT", "/supplies", kept(furnished))
    status, reply = furnished.ask("PUT", "/supplies", kept(furnished, name="SOFT cotton"))
    assert (status, reply["error"]["code"], reply["error"]["field"]) == (422, "name-taken", "name")
    furnished.must("PUT", "/supplies", kept(furnished, kind="ink"))
    stranger.must("PUT", "/supplies", kept(stranger))


def test_a_paper_stays_a_paper(furnished):
    made = furnished.must("PUT", "/supplies", kept(furnished))
    status, reply = furnished.ask("PUT", "/supplies", made | {"kind": "ink"})
    assert (status, reply["error"]["code"]) == (422, "kind-stays")
    assert reply["error"]["text"].startswith("Soft cotton stays a paper.")


@pytest.mark.parametrize(
    "more", [{"kind": "press"}, {"name": ""}, {"name": "  "}, {"name": "x" * 121}]
)
def test_what_is_no_supply_is_refused(furnished, more):
    assert furnished.ask("PUT", "/supplies", kept(furnished, **more))[0] == 422


def test_a_strip_that_says_nothing_of_its_paper_keeps_what_it_said(furnished):
    url = f"/strips/{furnished.ids['strip']}"
    furnished.must("PUT", url, {"version": 1, "paper": "Rag"})
    assert furnished.must("PUT", url, {"version": 2, "note": "x"})["paper"] == "Rag"
    assert furnished.must("PUT", url, {"version": 3, "paper": ""})["paper"] == ""
    assert Supply.objects.count() == 1
