"""Proofs read area by area: how near, which way they lie, and whose they are not."""

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError
from tests.simulator.scans import any_labels, any_proof

PX_PER_MM = 4
SURE = 0.3
"""Of the mean [L*]: an area that is surer than this is no sliver."""


@pytest.fixture(scope="module")
def proofs():
    return [any_proof(np.random.default_rng(seed)) for seed in range(8)]


def read(tmp_path, proof, picture=None, labels=None, expected=None, **more):
    scan, plate = str(tmp_path / "scan.png"), str(tmp_path / "labels.png")
    cv2.imwrite(scan, proof.picture if picture is None else picture)
    cv2.imwrite(plate, proof.labels if labels is None else labels)
    height, width = proof.labels.shape
    areas = [
        {"name": f"tone {i}", "labels": [i], "expected_lstar": lstar}
        for i, lstar in enumerate(expected or proof.lstars, start=1)
    ]
    return compute("read-proof", {
        "image": scan, "labels": plate, "areas": areas, "width_mm": width / PX_PER_MM,
        "height_mm": height / PX_PER_MM, **more,
    })  # fmt: skip


def off(answer, proof):
    pairs = zip(answer.areas, proof.lstars, strict=True)
    return np.array([a.lstar - lstar for a, lstar in pairs if a.doubt is not None
                     and a.doubt < SURE])  # fmt: skip


def test_areas_are_read_within_one_lstar(tmp_path, proofs):
    found = np.concatenate([off(read(tmp_path, proof), proof) for proof in proofs])
    assert len(found) > 25
    assert np.abs(found).max() < 1.0


def test_a_sliver_is_read_with_its_doubt(tmp_path, proofs):
    for proof in proofs:
        for area, lstar in zip(read(tmp_path, proof).areas, proof.lstars, strict=True):
            if area.lstar is not None:
                assert abs(area.lstar - lstar) < 3 * area.doubt + 1.0


def test_tones_that_missed_are_read_as_they_are(tmp_path, proofs):
    proof = proofs[3]
    meant = [90.0, 86.0, 58.0, 52.0, 24.0]
    assert np.abs(off(read(tmp_path, proof, expected=meant), proof)).max() < 1.0


@pytest.mark.parametrize("turn", [1, 2, 3])
def test_a_sheet_that_lay_turned_is_read_the_same(tmp_path, proofs, turn):
    proof = proofs[1]
    turned = np.ascontiguousarray(np.rot90(proof.picture, -turn))
    answer = read(tmp_path, proof, picture=turned)
    assert answer.turned == 90 * turn
    assert np.abs(off(answer, proof)).max() < 1.0


def test_a_mirrored_scan_is_told_from_one_upside_down(tmp_path, proofs):
    with pytest.raises(CoreError) as refused:
        read(tmp_path, proofs[1], picture=np.ascontiguousarray(proofs[1].picture[:, ::-1]))
    assert refused.value.code == "mirrored-scan"


def test_another_plates_proof_is_refused(tmp_path, proofs):
    wrong = 0
    for seed in range(6):
        other = any_labels(np.random.default_rng(900 + seed))
        try:
            read(tmp_path, proofs[seed], labels=other)
        except CoreError as error:
            assert error.code in {"other-plate", "mirrored-scan", "no-plate-mark"}
        else:
            wrong += 1
    assert wrong == 0


def test_a_scan_without_paper_round_the_plate_is_refused(tmp_path, proofs):
    with pytest.raises(CoreError) as refused:
        read(tmp_path, proofs[2], picture=proofs[2].picture[150:-150, 150:-150])
    assert refused.value.code in {"no-paper", "no-plate-mark", "other-plate"}


def test_what_is_painted_over_does_not_count(tmp_path):
    rng = np.random.default_rng(4)
    labels = np.full((600, 800), 2, np.uint8)
    labels[:, :400] = 1
    proof = any_proof(rng, lstars=[80.0, 40.0], labels=labels)
    spoiled = proof.picture.copy()
    cv2.rectangle(spoiled, (230, 160), (310, 640), (20, 20, 20), -1)
    stroke = {"points_mm": [[40, 2], [40, 148]], "size_mm": 40}
    without = read(tmp_path, proof, picture=spoiled)
    kept = read(tmp_path, proof, picture=spoiled, left_out=[stroke])
    assert without.areas[0].lstar < 76
    assert abs(kept.areas[0].lstar - 80) < 1.0


def test_corners_by_hand_serve_where_no_mark_stands_out(tmp_path, proofs):
    proof = proofs[0]
    found = read(tmp_path, proof).corners_px
    by_hand = [(5, -4), (-6, 3), (4, 4), (-3, -5)]
    moved = [[x + dx, y + dy] for (x, y), (dx, dy) in zip(found, by_hand, strict=True)]
    assert np.abs(off(read(tmp_path, proof, corners_px=moved), proof)).max() < 1.0


def test_a_blurred_proof_is_said_to_be(tmp_path):
    sharp = any_proof(np.random.default_rng(11))
    soft = any_proof(np.random.default_rng(11), blur=3.0)
    assert not read(tmp_path, sharp).warnings
    assert [w.code for w in read(tmp_path, soft).warnings] == ["blurred"]


def test_a_map_that_is_not_there_is_named(tmp_path, proofs):
    with pytest.raises(CoreError) as refused:
        read(tmp_path, proofs[0], labels=None)
        cv2.imwrite(str(tmp_path / "x.png"), proofs[0].picture)
        compute("read-proof", {
            "image": str(tmp_path / "x.png"), "labels": str(tmp_path / "none.png"),
            "areas": [{"name": "a", "labels": [1]}], "width_mm": 200, "height_mm": 150,
        })  # fmt: skip
    assert (refused.value.code, refused.value.field) == ("no-map", "labels")
