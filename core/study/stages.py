"""The areas of a study in their order, and what is painted before each bite."""

from __future__ import annotations

from dataclasses import dataclass, field

import numpy as np

from core.data.study import (
    HANDLING_MINUTES,
    PAINT_FACTOR,
    PAINT_SECONDS_A_CM,
    PAINT_SECONDS_A_CM2,
    WHITE_WITHIN_LSTAR,
    ResistKey,
)
from core.study.divide import FIRST_TONE, KEPT_WHITE
from core.study.islands import edge_px
from core.study.printed import ends_of
from core.study.shapes import Method, StudyCut
from core.study.stop_out_maps import BEFORE, NOW, OPEN, Labels

CRAYON_NOW, CRAYONED = 64, 192
"""On a map: a shape to crayon now, and one that was and bites on in part."""
MM_A_CM = 10.0


@dataclass(frozen=True)
class StudyArea:
    """All of the plate that is meant to have one tone, or to fade from one to another."""

    name: str
    labels: tuple[int, ...]
    lstar: float | None
    """None: it stays white."""
    cm2: float
    share: float
    edge_cm: float
    graded_from: str | None = None
    resist: ResistKey | None = None

    @property
    def paint_minutes(self) -> float:
        """Return how long covering it takes by hand."""
        return (
            PAINT_SECONDS_A_CM2 * self.cm2 + PAINT_SECONDS_A_CM * self.edge_cm
        ) / 60  # ``room-practice``


@dataclass(frozen=True)
class Stage:
    """What is painted before one bite."""

    bite: int
    now: list[str]
    """Areas covered, or opened where the method opens up."""
    crayon: list[str]
    """Shapes crayoned over after that."""
    table: np.ndarray = field(repr=False)
    """What becomes of each label on the map."""


def areas_of(labels: Labels, cut: StudyCut, width_mm: float) -> list[StudyArea]:
    """Return the areas of a divided study, the lightest first; none of 0 cm².

    Parameters
    ----------
    labels : array
        As ``divide`` returns them.
    cut : StudyCut
    width_mm : float [mm]

    Returns
    -------
    list of StudyArea
    """
    tones = cut.tones_lstar
    graded = [edit for edit in cut.edits if edit.kind == "grade"]
    kinds = FIRST_TONE + len(tones) + len(graded)
    fine = labels.shape[1] / width_mm
    sizes = np.bincount(labels.ravel(), minlength=kinds)[:kinds]
    edges = edge_px(labels, kinds)
    names = tone_names(cut)
    rows: list[tuple[str, tuple[int, ...], float | None]] = [
        (names[i], (FIRST_TONE + i,), None if is_white(cut, i) else tones[i])
        for i in range(len(tones))
    ]
    if rows[0][2] is None:
        rows[0] = (rows[0][0], (KEPT_WHITE, FIRST_TONE), None)
    elif sizes[KEPT_WHITE]:
        rows.insert(0, ("Paper", (KEPT_WHITE,), None))

    def area(name: str, own: tuple[int, ...], lstar: float | None, **more: object) -> StudyArea:
        px = sum(sizes[label] for label in own)
        return StudyArea(
            name, own, lstar, float(px / fine**2 / 100), float(px / labels.size),
            sum(edges[label] for label in own) / fine / MM_A_CM, **more,  # type: ignore[arg-type]
        )  # fmt: skip

    found = [area(*row) for row in rows]
    for j, edit in enumerate(graded):
        light, dark = ends_of(edit, cut)
        found.append(
            area(
                f"Graded {j + 1}",
                (FIRST_TONE + len(tones) + j,),
                tones[dark],
                graded_from=names[light],
                resist=edit.resist,
            )
        )
    return [each for each in found if each.cm2 > 0]


def is_white(cut: StudyCut, place: int) -> bool:
    """Tell whether a tone is left white: only the lightest, where no bite is short enough.

    Parameters
    ----------
    cut : StudyCut
    place : int

    Returns
    -------
    bool
    """
    return place == 0 and cut.tones_lstar[0] > cut.lightest_lstar - WHITE_WITHIN_LSTAR


def tone_names(cut: StudyCut) -> list[str]:
    """Return what the tones are called: numbered by their bites, the paper by its name.

    Parameters
    ----------
    cut : StudyCut

    Returns
    -------
    list of str
    """
    white = is_white(cut, 0)
    first = [] if not white else ["Paper"]
    return first + [f"Tone {i + 1}" for i in range(len(cut.tones_lstar) - len(first))]


def stages_of(areas: list[StudyArea], method: Method) -> list[Stage]:
    """Return what is painted before each bite, in order.

    Parameters
    ----------
    areas : list of StudyArea
    method : {"stop-out", "open-up"}

    Returns
    -------
    list of Stage
        Stopping out, the darkest is never covered; opening up, white is never opened.
    """
    steps = _steps(areas)
    bitten = [step for step in steps if step[0].lstar is not None]
    white = [step for step in steps if step[0].lstar is None]
    if method == "open-up":
        return _opening(areas, bitten[::-1])
    covered = [(1, step) for step in white]
    covered += [(i + 2, step) for i, step in enumerate(bitten[:-1])]
    done: list[int] = []
    crayoned: list[int] = []
    stages = []
    for bite, step in covered:
        now = [label for area in step for label in area.labels]
        fading = [a for a in areas if a.graded_from in {area.name for area in step}]
        crayon = [label for area in fading for label in area.labels]
        table = np.full(256, OPEN, dtype=np.uint8)
        table[crayoned] = CRAYONED
        table[done] = BEFORE
        table[now] = NOW
        table[crayon] = CRAYON_NOW
        stages.append(Stage(bite, [a.name for a in step], [a.name for a in fading], table))
        done += now
        crayoned += crayon
    return stages


def _steps(areas: list[StudyArea]) -> list[list[StudyArea]]:
    """Return the areas that end together: a graded shape with its dark tone."""
    steps: list[list[StudyArea]] = []
    for area in sorted(areas, key=lambda a: -(999 if a.lstar is None else a.lstar)):
        if steps and steps[-1][0].lstar == area.lstar:
            steps[-1].append(area)
        else:
            steps.append([area])
    return steps


def _opening(areas: list[StudyArea], darkest_first: list[list[StudyArea]]) -> list[Stage]:
    opened: list[int] = []
    stages = []
    for bite, step in enumerate(darkest_first, start=1):
        now = [label for area in step for label in area.labels]
        table = np.full(256, BEFORE, dtype=np.uint8)
        table[opened] = OPEN
        table[now] = NOW
        stages.append(Stage(bite, [area.name for area in step], [], table))
        opened += now
    return stages


def prints_after(areas: list[StudyArea], bite: int, kinds: int, lightest: float) -> list[float]:
    """Return the L* of each label if one stopped after a bite of a plan that stops out.

    Parameters
    ----------
    areas : list of StudyArea
    bite : int
        0: not bitten at all.
    kinds : int
        Labels there are.
    lightest : float [L*]

    Returns
    -------
    list of float [L*]
    """
    tones = sorted({area.lstar for area in areas if area.lstar is not None}, reverse=True)
    so_far = tones[min(bite, len(tones)) - 1] if bite else lightest
    out = [lightest] * kinds
    for area in areas:
        for label in area.labels:
            out[label] = lightest if area.lstar is None else max(area.lstar, so_far)
    return out


def minutes_in_all(areas: list[StudyArea], bite_seconds: list[float]) -> float:
    """Return how long painting, biting and handling take.

    Parameters
    ----------
    areas : list of StudyArea
    bite_seconds : list of float [s]

    Returns
    -------
    float [min]
    """
    darkest = min((a.lstar for a in areas if a.lstar is not None), default=None)
    painted = sum(a.paint_minutes for a in areas if a.lstar is None or a.lstar != darkest)
    return painted + sum(bite_seconds) / 60 + HANDLING_MINUTES * len(bite_seconds)


def paint_range(minutes: float) -> tuple[float, float]:
    """Return the likely range of a painting time.

    Parameters
    ----------
    minutes : float [min]

    Returns
    -------
    (float, float) [min]
    """
    return minutes / PAINT_FACTOR, minutes * PAINT_FACTOR
