"""The registry of named calculators: one typed input, one typed output each."""

from __future__ import annotations

import json
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from importlib import import_module
from typing import TYPE_CHECKING, Any, get_type_hints

from core.budget import ORDINARY, Budget
from core.errors import CoreError, UnknownCalculator
from core.progress import Tell, untold

if TYPE_CHECKING:
    from pydantic import BaseModel

LONGEST_SHOWN_TEXT = 200


@dataclass(frozen=True)
class Calculator:
    """A pure function of the core with its one-line description.

    What it stands on is imported when it is asked for: to name them all costs reading the rows.
    """

    name: str
    where: str
    """Module and function, ``core.tone.fit_strip:fit_strip``."""
    summary: str
    """The first sentence of its input's docstring."""
    budget: Budget = ORDINARY
    """What one calculation may take of the machine."""
    reads_files: bool = False
    """It is given paths: over HTTP they would name files of the server's own."""

    @cached_property
    def run(self) -> Callable[..., BaseModel]:
        """Return the function: one typed input, one typed output."""
        module, function = self.where.split(":")
        return getattr(import_module(module), function)

    @property
    def input(self) -> type[BaseModel]:
        """Return the shape of what it is given."""
        return self._shapes[0]

    @property
    def output(self) -> type[BaseModel]:
        """Return the shape of what it answers."""
        return self._shapes[1]

    @cached_property
    def _shapes(self) -> tuple[type[BaseModel], type[BaseModel]]:
        hints = get_type_hints(self.run)
        return hints["given"], hints["return"]

    @cached_property
    def tells(self) -> bool:
        """Return whether it takes so long that it tells how far it is."""
        return "tell" in get_type_hints(self.run)

    def schema(self) -> dict[str, Any]:
        """Return the JSON Schemas of input and output."""
        return {
            "name": self.name,
            "input": self.input.model_json_schema(),
            "output": self.output.model_json_schema(mode="serialization"),
        }


REGISTRY: dict[str, Calculator] = {
    calculator.name: calculator
    for calculator in (
        Calculator(
            "fit-strip",
            "core.tone.fit_strip:fit_strip",
            "Patches read off a strip, and the bath they were bitten in.",
        ),
        Calculator(
            "learn-curve",
            "core.tone.learn_curve:learn_curve",
            "A strip's curve, and the areas of a plate that was printed as the strip was.",
        ),
        Calculator(
            "compare-curves",
            "core.tone.compare_curves:compare_curves",
            "Two strips' curves of one mordant; the second is moved to the first one's bath.",
        ),
        Calculator(
            "read-curve",
            "core.tone.read_curve:read_curve",
            "Questions to a curve: which time for a tone, which tone for a time (a single dip).",
        ),
        Calculator(
            "plan-bites",
            "core.stages.plan_bites:plan_bites",
            "What is wanted, with which curve, in which bath, after which bites.",
        ),
        Calculator(
            "run-sheet",
            "core.stages.plan_bites:run_sheet",
            "The same as for planning; the sheet is for the bites that remain.",
        ),
        Calculator(
            "minutes",
            "core.stages.minutes:minutes",
            "Minutes as they are written; a time may be minutes, with a comma or point, or m:ss.",
        ),
        Calculator(
            "plan-lines",
            "core.line.plan_lines:plan_lines",
            "Groups of lines with the depth each shall have, in which bath, after which bites.",
        ),
        Calculator(
            "advise-proof",
            "core.stages.advice:advise",
            "A proof's tones beside the wanted ones, with the strip and bath to bite on with.",
        ),
        Calculator(
            "what-next",
            "core.stages.what_next:what_next",
            "A proof's tones beside the wanted ones, and what can be done to its plate.",
        ),
        Calculator(
            "dust-coverage",
            "core.image.dust_coverage:dust_coverage",
            "A close photograph of a dusted plate, and how much of it one pixel shows.",
            Budget(seconds=60, megabytes=600),
            reads_files=True,
        ),
        Calculator(
            "tone-areas",
            "core.study.tone_areas:tone_areas",
            "A picture as it shall print, and into how many tones it may be cut.",
            Budget(seconds=60, megabytes=1400),
            reads_files=True,
        ),
        Calculator(
            "stop-out-maps",
            "core.study.stop_out_maps:stop_out_maps",
            "A picture, the tones it is cut into, and where its maps shall be written.",
            Budget(seconds=120, megabytes=1400),
            reads_files=True,
        ),
        Calculator(
            "study-field",
            "core.study.field:study_field",
            "Sketches laid together on a plate, their greys tuned, smoothed to what a brush can "
            "paint.",
            Budget(seconds=120, megabytes=1400),
            reads_files=True,
        ),
        Calculator(
            "study-maps",
            "core.study.study_maps:study_maps",
            "A study as it was cut, and in which form its maps are wanted.",
            Budget(seconds=300, megabytes=1400),
            reads_files=True,
        ),
        Calculator(
            "look-over",
            "core.study.look_over:look_over",
            "A photograph of a plate before a dip, and the map it should be painted by.",
            Budget(seconds=60, megabytes=1000),
            reads_files=True,
        ),
        Calculator(
            "read-patches",
            "core.reading.read_patches:read_patches",
            "A scan of a printed strip, and how many patches stand in its row.",
            Budget(seconds=60, megabytes=1000),
            reads_files=True,
        ),
        Calculator(
            "read-proof",
            "core.reading.read_proof:read_proof",
            "A scan of a proof, and the map of its plate.",
            Budget(seconds=60, megabytes=1000),
            reads_files=True,
        ),
        Calculator(
            "compare-proofs",
            "core.reading.compare_proofs:compare_proofs",
            "Two proofs of a plate, laid straight, and their areas as they were read.",
            Budget(seconds=30, megabytes=600),
            reads_files=True,
        ),
        Calculator(
            "read-table",
            "core.reading.read_table:read_table",
            "The text of a CSV, or of a CGATS file from a densitometer.",
        ),
        Calculator(
            "write-table",
            "core.reading.write_table:write_table",
            "Readings, and the form they are wanted in.",
        ),
        Calculator(
            "course",
            "core.course.course:course",
            "Which steps a plate goes through, by its routes, its material and its past.",
        ),
        Calculator(
            "bevel",
            "core.prepare.bevel:bevel",
            "Whether a plate needs a bevel, how far it runs, and how long the work takes.",
        ),
        Calculator(
            "dilute",
            "core.prepare.dilute:dilute",
            "How much of what to pour: by parts, or a ferric stock down to a strength.",
        ),
        Calculator(
            "bath-speed",
            "core.bath.today:bath_speed",
            "What is known of a bath, and at which temperature and load its speed is wanted.",
        ),
        Calculator(
            "make-up",
            "core.bath.make_up:make_up",
            "Which mordant, how much of it or for which vessel and plate, and from what.",
        ),
        Calculator(
            "bath-heat",
            "core.bath.heat:bath_heat",
            "A bath, what stands round it, and how much metal is open in it.",
        ),
        Calculator(
            "bath-life",
            "core.bath.life:bath_life",
            "A bath, how fast metal gathers in it, and what a plate takes.",
        ),
        Calculator(
            "cut-sheet",
            "core.prepare.cut_sheet:cut_sheet",
            "Plates to cut out of a sheet by straight cuts from edge to edge.",
        ),
        Calculator(
            "ground-check",
            "core.ground.ground_check:ground_check",
            "What was logged of a plate's ground; null where nothing was.",
        ),
        Calculator(
            "cleaning-order",
            "core.ground.cleaning:cleaning_order",
            "What lies on a plate, the uppermost first.",
        ),
        Calculator(
            "repair-routes",
            "core.repair.repair_routes:repair_routes",
            "What is to be made lighter, how large and how deep it is.",
        ),
        Calculator(
            "exposure-wedge",
            "core.polymer.exposure_wedge:exposure_wedge",
            "A wedge exposed for a time, the last step it held, and the one that shall hold.",
        ),
        Calculator(
            "pair-test",
            "core.polymer.pair_test:pair_test",
            "Where the times of a test are centred, how many each way, and the plate it is laid "
            "on.",
        ),
        Calculator(
            "exposure-pair",
            "core.polymer.exposure_pair:exposure_pair",
            "The patches of a two-way test: screen time × image time, read.",
        ),
        Calculator(
            "correction-curve",
            "core.polymer.correction_curve:correction_curve",
            "A step chart printed through a pair of exposures: its films and the tones they gave.",
        ),
        Calculator(
            "step-chart",
            "core.polymer.step_chart:step_chart",
            "How many steps, on which plate, once or in each patch of a two-way test.",
            Budget(seconds=120, megabytes=1400),
            reads_files=True,
        ),
        Calculator(
            "positive",
            "core.polymer.positive:positive",
            "A picture, the plate it fills, its correction, and the film it is made for.",
            Budget(seconds=300, megabytes=1500),
            reads_files=True,
        ),
        Calculator(
            "dot-screen",
            "core.polymer.dot_screen:dot_screen",
            "How large its dots are, how much of it is open, and the film it is written for.",
            Budget(seconds=300, megabytes=1500),
            reads_files=True,
        ),
        Calculator(
            "lamp-today",
            "core.polymer.lamp_today:lamp_today",
            "A lamp, its hours now and when a test was made, and what was measured of it.",
        ),
        Calculator(
            "lamp-dose",
            "core.polymer.lamp_dose:lamp_dose",
            "A lamp measured at some distances, and the time or the dose that is wanted at one.",
        ),
        Calculator(
            "lamp-evenness",
            "core.polymer.lamp_evenness:lamp_evenness",
            "Nine readings over a bed, row by row, and the plate that lies in its middle.",
        ),
        Calculator(
            "wash-out",
            "core.polymer.wash_out:wash_out",
            "The water, and how long the plate was washed out; None before it was.",
        ),
        Calculator(
            "read-test",
            "core.polymer.read_prints:read_test_print",
            "A scan of a printed two-way test, and the times of its strips.",
            Budget(seconds=60, megabytes=1500),
            reads_files=True,
        ),
        Calculator(
            "read-steps",
            "core.polymer.read_prints:read_steps_print",
            "A scan of a printed step chart, and how many steps it has.",
            Budget(seconds=60, megabytes=1500),
            reads_files=True,
        ),
        Calculator(
            "exposure-run",
            "core.polymer.exposure_sheet:exposure_run",
            "What an exposure is planned by: a pair of times, or the strips of a two-way test.",
        ),
        Calculator(
            "hatch-tone",
            "core.drypoint.hatch_tone:hatch_tone",
            "Layers of lines over each other, with the width they print, and what the plate can "
            "reach.",
        ),
        Calculator(
            "hatch-plan",
            "core.drypoint.hatch_plan:hatch_plan",
            "A tone wanted on a field, the line there is to draw it with, in how many layers.",
        ),
        Calculator(
            "wear-forecast",
            "core.drypoint.wear_forecast:wear_forecast",
            "A plate's impressions as they were read, and from when they no longer match the OK.",
        ),
        Calculator(
            "scratch-view",
            "core.drypoint.scratch_view:scratch_view",
            "Photographs of one scratched plate, lit from different sides, and where to write its "
            "view.",
            Budget(seconds=120, megabytes=1500),
            reads_files=True,
        ),
        Calculator(
            "missed-lines",
            "core.drypoint.missed_lines:missed_lines",
            "The view of a scratched plate, and the drawing it is scratched by, both as they "
            "print.",
            Budget(seconds=120, megabytes=1500),
            reads_files=True,
        ),
        Calculator(
            "pressure-scale",
            "core.drypoint.pressure_scale:pressure_scale",
            "A trial scale on an offcut: lines at five pressures, printed and read.",
        ),
        Calculator(
            "texture-tone",
            "core.drypoint.texture_tone:texture_tone",
            "A mark that is no line, how often it was made, and what the plate can reach.",
        ),
        Calculator(
            "mask-plan",
            "core.drypoint.mask_plan:mask_plan",
            "Shapes with the tones they shall have, and the abrasives at hand.",
        ),
        Calculator(
            "hand-plan",
            "core.drypoint.hand_plan:hand_plan",
            "How much is to do by hand, and when one sits down.",
        ),
        Calculator(
            "lettering",
            "core.drypoint.lettering:lettering",
            "Words as they shall read in print.",
        ),
        Calculator(
            "hatch-guide",
            "core.drypoint.hatch_guide:hatch_guide",
            "Fields with their lines, the plate, and how the sheet will lie.",
            Budget(seconds=60, megabytes=800),
            reads_files=True,
        ),
        Calculator(
            "plate-material",
            "core.drypoint.plate_material:plate_material",
            "A plate's material by its name, and how thick it is.",
        ),
        Calculator(
            "plate-faults",
            "core.polymer.plate_faults:plate_faults",
            "What is seen on a plate or its proof, what was read of it, and how it was made.",
        ),
        Calculator(
            "sheets",
            "core.printing.sheets:sheets",
            "A sheet, a plate with its margin, and how many impressions are wanted.",
        ),
        Calculator(
            "damping",
            "core.printing.damping:damping",
            "A way of damping, and how long paper has had it.",
        ),
        Calculator(
            "ink-needed",
            "core.printing.ink_needed:ink_needed",
            "A plate, how deep its lines are, how many impressions on how many days.",
        ),
        Calculator(
            "press-template",
            "core.printing.press_template:press_template",
            "A plate and the paper it is printed on.",
            Budget(seconds=30, megabytes=600),
            reads_files=True,
        ),
        Calculator(
            "read-swatch",
            "core.printing.read_swatch:read_swatch",
            "A scan with the ink in its middle and bare paper at an edge.",
            Budget(seconds=30, megabytes=1200),
            reads_files=True,
        ),
        Calculator(
            "edition-needs",
            "core.printing.edition_needs:edition_needs",
            "How many are left, when pulls were made, and what each takes.",
        ),
        Calculator(
            "pull-check",
            "core.printing.pull_check:pull_check",
            "A pull's tones beside those of the OK, and what is seen on the sheet.",
        ),
    )
}


def calculator(name: str) -> Calculator:
    """Return the calculator of a name.

    Parameters
    ----------
    name : str

    Returns
    -------
    Calculator

    Raises
    ------
    UnknownCalculator
        There is none of that name.
    """
    if name not in REGISTRY:
        raise UnknownCalculator(
            "unknown-calculator",
            f"There is no calculator named {name!r}.",
            field="name",
            value=name,
            allowed=", ".join(REGISTRY),
        )
    return REGISTRY[name]


def compute(name: str, data: object, tell: Tell = untold) -> BaseModel:
    """Return the typed output for plain data.

    Parameters
    ----------
    name : str
    data : mapping
        Plain JSON data, in the shape of the calculator's input.
    tell : callable
        Is told the share done, where the calculator tells it.

    Returns
    -------
    BaseModel
        The calculator's output.

    Raises
    ------
    CoreError
        Unknown name, or input out of its limits; carries field, value, what is allowed and unit.
    """
    from pydantic import ValidationError

    from core.faults import bad_input

    chosen = calculator(name)
    try:
        given = chosen.input.model_validate(data)
    except ValidationError as error:
        raise bad_input(error, chosen.input) from None
    return chosen.run(given, tell) if chosen.tells else chosen.run(given)


def compute_text(name: str, text: str, tell: Tell = untold) -> BaseModel:
    """Return the typed output for JSON text.

    Parameters
    ----------
    name : str
    text : str
        One JSON object.
    tell : callable
        Is told the share done.

    Returns
    -------
    BaseModel
        The calculator's output.

    Raises
    ------
    CoreError
        As for ``compute``, and where the text is not JSON.
    """
    calculator(name)
    try:
        data = json.loads(text)
    except (ValueError, RecursionError):
        raise CoreError(
            "not-json",
            "The input is not JSON.",
            value=text[:LONGEST_SHOWN_TEXT],
            allowed="one JSON object",
        ) from None
    return compute(name, data, tell)
