"""Any picture at all is read, or refused in words: never a traceback."""

import cv2
import numpy as np
import pytest

from core.calculators import compute
from core.errors import CoreError

KINDS = ("flat", "noise", "disc", "clouds", "edge", "line", "ramp")


def drawn(kind, rng):
    height, width = (int(side) for side in rng.integers(20, 400, 2))
    noise = rng.integers(0, 256, (height, width), dtype=np.uint8)
    paper = np.full((height, width), 245, np.uint8)
    if kind == "flat":
        return np.full((height, width), rng.integers(0, 256), np.uint8)
    if kind == "noise":
        return noise
    if kind == "clouds":
        return cv2.normalize(cv2.GaussianBlur(noise, (0, 0), 9), None, 0, 255, cv2.NORM_MINMAX)
    if kind == "disc":
        cv2.circle(paper, (width // 2, height // 2), min(height, width) // 3, 30, -1)
    elif kind == "edge":
        paper[:, : width // 9 + 1] = 10
    elif kind == "line":
        cv2.line(paper, (0, 0), (width, height), 0, 3)
    else:
        paper = np.tile(np.linspace(255, 0, width).astype(np.uint8), (height, 1))
    return paper


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("calculator", ["read-patches", "read-proof"])
def test_any_picture_is_read_or_refused_in_words(tmp_path, kind, calculator):
    rng = np.random.default_rng(KINDS.index(kind))
    labels = cv2.medianBlur((rng.random((60, 80)) * 4 + 1).astype(np.uint8), 5)
    cv2.imwrite(str(tmp_path / "labels.png"), labels)
    for _ in range(3):
        picture = drawn(kind, rng)
        cv2.imwrite(str(tmp_path / "scan.png"), picture)
        given = {"image": str(tmp_path / "scan.png")}
        if calculator == "read-patches":
            given |= {"patches": int(rng.integers(2, 41))}
        else:
            given |= {"labels": str(tmp_path / "labels.png"), "width_mm": 80, "height_mm": 60,
                      "areas": [{"name": str(i), "labels": [i], "expected_lstar": 90 - 20 * i}
                                for i in range(1, 5)]}  # fmt: skip
        try:
            answer = compute(calculator, given)
        except CoreError as error:
            assert error.text and error.field in {"image", "corners_px", "patch_corners_px"}
        else:
            assert answer.model_dump_json()


def test_patches_of_few_pixels_are_refused(tmp_path):
    picture = np.full((60, 160), 240, np.uint8)
    for place, grey in enumerate((200, 150, 110, 70, 40, 20)):
        picture[26:34, 56 + 8 * place : 64 + 8 * place] = grey
    cv2.imwrite(str(tmp_path / "scan.png"), picture)
    with pytest.raises(CoreError) as refused:
        compute("read-patches", {"image": str(tmp_path / "scan.png"), "patches": 6})
    assert (refused.value.code, refused.value.unit) == ("too-coarse", "px a patch")
