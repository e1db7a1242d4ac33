"""What one way of biting a part of a plate is: its steps, goal, planner, words and cautions."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from core.data.care import CARE, CareRow
from core.data.facing import Facing
from core.data.mordants import Mordant
from core.errors import CoreError
from core.faults import bad_input
from core.process.shapes import Columns, Decided, ProcessWords
from core.schema import Shape
from core.stages.bench import metal_gained_g_per_l
from core.stages.planner import Planner, sheet_of
from core.stages.shapes import RunSheet
from core.tone.shapes import Curve


@dataclass(frozen=True)
class Process:
    """One row a process; nothing branches on its key anywhere else."""

    words: ProcessWords
    order: int
    """Of the parts of one plate: lower is bitten first."""
    plan_step: str
    bite_step: str
    planner: Planner[Any]
    wish: type[Shape]
    """One area as it is wanted."""
    given: Callable[[Decided], Any]
    """The planner's input."""
    depth: Callable[[Any], float]
    """Of a wish, for the order of areas: what is bitten least comes first."""
    tell: Callable[[Any], str]
    """A wish in words: "Far rain 18 µm deep"."""
    count: Callable[[list[Columns]], str]
    """All wishes in words: "3 depths"."""
    goal_column: str
    """The column of a wish that holds its goal."""
    goal_of: Callable[[Any], float | None]
    """Of a wish, in that column's unit; None for what is never bitten, or goes by minutes."""
    strips: str
    """Which strips calibrate it: "tones" or "lines"."""
    care: str | None = None
    """A key of ``CARE`` in place of the mordant's."""
    care_every_seconds: int | None = None
    cautions: tuple[str, ...] = ()
    """Keys of ``CAUTIONS`` to be acknowledged before it begins."""
    vessels: tuple[str, ...] = ("tray", "tank")
    stays_when_stripped: bool = False
    """What it bit goes on from where it stands under a new ground, too; a grain's does not."""
    lies_in_bath: bool = True
    """False where the mordant comes to the plate."""
    has_maps: bool = False
    """Its areas are painted by the stop-out maps of the plate's value study."""
    loads_bath: bool = True
    """False where what was used is wiped off and thrown away."""
    other_goals: tuple[str, ...] = ()
    """Columns in which the same goal may stand otherwise."""
    source: str = "room-practice"

    @property
    def key(self) -> str:
        """Return the process's key."""
        return self.words.key

    def against(self, curve: Curve | None) -> Curve | None:
        """Return the curve that a bath's measured speed is told over: that of a strip of tones.

        Parameters
        ----------
        curve : Curve or None
            Of the strip it is planned from.

        Returns
        -------
        Curve or None
            None: the speed is told over the table's, at 20 °C and fresh.
        """
        return curve if self.strips == "tones" else None

    def care_for(self, mordant: Mordant, facing: Facing) -> tuple[CareRow, int | None]:
        """Return what hands do while it bites, and how often.

        Parameters
        ----------
        mordant : Mordant
        facing : Facing
            How the plate lies.

        Returns
        -------
        CareRow, int or None [s]
            The process's own way, else the mordant's; None where so lying it needs none.
        """
        row = CARE[self.care or mordant.care]
        every = self.care_every_seconds if self.care else mordant.care_every_seconds
        return row, every if facing in row.facings else None

    def wishes(self, areas: list[Columns]) -> list[Any]:
        """Return areas as wishes, checked.

        Parameters
        ----------
        areas : list of columns
            As they were typed or stored; columns of other processes are passed over.

        Returns
        -------
        list of the process's wish

        Raises
        ------
        CoreError
            An area whose columns are not a wish of this process; names it by its place.
        """
        return [self._wish(place, area) for place, area in enumerate(areas)]

    def _wish(self, place: int, area: Columns) -> Shape:
        said = {key: area[key] for key in self.wish.model_fields if key in area}
        try:
            return self.wish.model_validate(said)
        except ValidationError as error:
            fault = bad_input(error, self.wish)
            raise CoreError(
                fault.code,
                f"{area.get('name') or 'area'}: {fault.text}",
                field=".".join(part for part in (f"areas.{place}", fault.field) if part),
                value=fault.value,
                allowed=fault.allowed,
                unit=fault.unit,
            ) from None

    def in_order(self, areas: list[Columns]) -> list[Columns]:
        """Return areas with what is bitten least first.

        Parameters
        ----------
        areas : list of columns

        Returns
        -------
        list of columns

        Raises
        ------
        CoreError
            As for ``wishes``.
        """
        depths = [self.depth(wish) for wish in self.wishes(areas)]
        return [areas[place] for place in sorted(range(len(areas)), key=depths.__getitem__)]

    def with_goal(self, area: Columns, goal: float) -> Columns:
        """Return an area as stored with another goal.

        Parameters
        ----------
        area : columns
        goal : float
            In the unit of ``goal_column``.

        Returns
        -------
        columns
        """
        others = dict.fromkeys(self.other_goals)
        return {**area, **others, self.goal_column: goal}

    def sheet(self, decided: Decided) -> RunSheet:
        """Return the run sheet of the bites that remain.

        Parameters
        ----------
        decided : Decided

        Returns
        -------
        RunSheet

        Raises
        ------
        CoreError
            What is wanted cannot be laid out.
        """
        return sheet_of(self.planner, self.given(decided), self.key)

    def metal_g_per_l(self, decided: Decided) -> float:
        """Return the load that the bites made have added to the bath.

        Parameters
        ----------
        decided : Decided

        Returns
        -------
        float [g/L]
            At the table's rate; 0 for a process that does not load its bath.

        Raises
        ------
        CoreError
            What is wanted cannot be laid out.
        """
        if not self.loads_bath:
            return 0.0
        bench = self.planner.lay_out(self.given(decided))
        gained = 0.0
        for bite in decided.done:
            areas = [area for area in bench.given.areas if area.name in bite.open]
            gained += metal_gained_g_per_l(bench, areas, bite.seconds)
        return gained
