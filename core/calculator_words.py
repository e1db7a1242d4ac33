"""What each calculator is called, where it stands among the others, and its answer as a sentence.

A sentence names fields of the answer, each with how it is written: a number of digits after the
point, ``clock``, ``clocks``, ``minutes``, ``percent``, ``count`` or ``by``. Where it is empty, the
answer says its own: its title and text.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

STRIPS, BITES, PROOFS, BATHS = "Strips and curves", "Bites", "Proofs", "Baths"
PLATE, PICTURES, LAMP = "Plate and course", "Pictures and maps", "Exposure"
MARKS, PRINTING, WORKS = "Scratches", "Printing", "Several plates, layers"

FIELD = re.compile(r"\{(\w+)(?::(\w+))?\}")
"""A field of the answer in a sentence, and how it is written."""


@dataclass(frozen=True)
class Words:
    """Title, group and sentence of a calculator."""

    title: str
    group: str
    says: str = ""

    @property
    def fields(self) -> list[str]:
        """Return the fields of the answer that its sentence names."""
        return [name for name, _ in FIELD.findall(self.says)]


_OF_HANDS = "About {hands_minutes:minutes} of hands and {wait_minutes:minutes} of waiting."

WORDS: dict[str, Words] = {
    "fit-strip": Words("Fit a strip's curve", STRIPS,
        "From L* {lightest_lstar:0} to {darkest_lstar:0}, good to {valid_to_seconds:clock} in the "
        "bath; the patches lie {rms_lstar:1} L* from the curve."),
    "learn-curve": Words("Let a proof move a curve", STRIPS, "{readings:count} areas were read."),
    "compare-curves": Words("Compare two strips", STRIPS),
    "read-curve": Words("Ask a curve", STRIPS, "{points:count} answers off the curve."),
    "minutes": Words("Read minutes as written", STRIPS, "In the bath: {seconds:clocks}."),
    "plan-bites": Words("Plan bites for tones", BITES,
        "{bites:count} bites; today's bath bites ×{speed:2} ({speed_low:2} to {speed_high:2})."),
    "run-sheet": Words("Make a run sheet", BITES, "A sheet for {areas:count} areas."),
    "plan-lines": Words("Plan bites for lines", BITES,
        "{bites:count} bites; lines deepen by {rate_um_per_min:1} µm a minute "
        "({rate_um_per_min_low:1} to {rate_um_per_min_high:1})."),
    "advise-proof": Words("Judge a proof's tones", PROOFS, "{areas:count} areas are judged."),
    "what-next": Words("Say what a proof needs next", PROOFS),
    "compare-proofs": Words("Compare two proofs", PROOFS),
    "read-proof": Words("Read a proof off a scan", PROOFS),
    "repair-routes": Words("Ways to lighten an area", PROOFS),
    "plate-faults": Words("Find what caused a fault", PROOFS),
    "dilute": Words("Dilute by parts", BATHS,
        "{stock_l:2} L of stock into {water_l:2} L of water: water first."),
    "make-up": Words("Make up a bath", BATHS, "{volume_l:1} L, poured in this order."),
    "bath-speed": Words("How fast a bath bites", BATHS,
        "It bites {rate_um_per_min:2} µm a minute ({low:2} to {high:2})."),
    "bath-heat": Words("How a tray warms or cools", BATHS,
        "At the end {end_c:1} °C ({end_low_c:1} to {end_high_c:1} °C)."),
    "bath-life": Words("How long a bath lasts", BATHS),
    "course": Words("The course of a plate", PLATE, _OF_HANDS),
    "put-in": Words("What a plate can take", PLATE, _OF_HANDS),
    "bevel": Words("Whether to bevel, and how long", PLATE, "{reason}"),
    "cut-sheet": Words("Cut plates from a sheet", PLATE,
        "{placed:count} plates lie on the sheet; the largest rest is {largest_rest_mm:by} mm."),
    "ground-check": Words("Risk of foul bite", PLATE, "Risk of foul bite: {risk}."),
    "cleaning-order": Words("In which order to clean a plate", PLATE,
        "{steps:count} steps, {changes} changes of solvent."),
    "dust-coverage": Words("Count rosin dust", PICTURES),
    "tone-areas": Words("Cut a picture into tones", PICTURES),
    "stop-out-maps": Words("Draw stop-out maps", PICTURES),
    "study-field": Words("Lay out a value study", PICTURES),
    "study-maps": Words("Draw a study's maps", PICTURES),
    "look-over": Words("Look a plate over before the dip", PICTURES),
    "read-patches": Words("Read a strip off a scan", PICTURES),
    "read-table": Words("Read a file of readings", PICTURES, "{readings:count} readings."),
    "write-table": Words("Write a file of readings", PICTURES, "{name} is written."),
    "exposure-wedge": Words("Expose by a step wedge", LAMP,
        "Expose {seconds:clock} ({low:clock} to {high:clock})."),
    "pair-test": Words("Plan a two-way test", LAMP,
        "{screen_seconds:count} by {image_seconds:count} patches; the lamp burns "
        "{lamp_seconds:clock}."),
    "exposure-pair": Words("Choose screen and image times", LAMP,
        "Screen {screen_seconds:clock}, then image {image_seconds:clock}. {why}"),
    "correction-curve": Words("Fit the film to the plate", LAMP,
        "The film holds from L* {lightest_lstar:0} to {darkest_lstar:0}, within {rms_lstar:1} L*."),
    "step-chart": Words("Draw a step chart", LAMP),
    "positive": Words("Make a positive", LAMP),
    "dot-screen": Words("Draw a dot screen", LAMP),
    "lamp-today": Words("How strong a lamp is today", LAMP),
    "lamp-dose": Words("Dose from light and time", LAMP,
        "{mj_per_cm2:0} mJ/cm² in {seconds:clock}."),
    "lamp-evenness": Words("How even a lamp is", LAMP),
    "wash-out": Words("How long to wash out", LAMP),
    "read-test": Words("Read a two-way test off a scan", LAMP),
    "read-steps": Words("Read a step chart off a scan", LAMP),
    "exposure-run": Words("Stages of an exposure", LAMP,
        "{stages:count} stages, {minutes:0} min in all; the lamp burns {lamp_seconds:clock}."),
    "hatch-tone": Words("What a hatching prints", MARKS,
        "It prints L* {lstar:0} ({low:0} to {high:0})."),
    "hatch-plan": Words("How close to hatch for a tone", MARKS,
        "{lines} lines, {minutes:0} min of work, print L* {lstar:0} ({low:0} to {high:0})."),
    "wear-forecast": Words("When a plate wears out", MARKS),
    "scratch-view": Words("See scratches in photographs", MARKS),
    "missed-lines": Words("Find lines missed", MARKS),
    "pressure-scale": Words("Your pressures and their tones", MARKS, "{rows:count} pressures."),
    "texture-tone": Words("What a texture prints", MARKS),
    "mask-plan": Words("Plan rubbings through masks", MARKS,
        "{rubbings:count} rubbings, within {rms_lstar:1} L* of what is wanted."),
    "hand-plan": Words("Spare your hand", MARKS),
    "lettering": Words("Letters the wrong way round", MARKS),
    "hatch-guide": Words("Print a guide for hatching", MARKS),
    "plate-material": Words("What a plastic bears", MARKS, "{bears}"),
    "sheets": Words("Tear sheets into pieces", PRINTING),
    "damping": Words("How long to damp paper", PRINTING),
    "ink-needed": Words("How much ink to mix", PRINTING),
    "press-template": Words("Print a template for the press bed", PRINTING),
    "read-swatch": Words("Read an ink's colour", PRINTING),
    "edition-needs": Words("What an edition needs", PRINTING,
        "{pieces} pieces of paper and {hands_minutes:minutes} of hands."),
    "pull-check": Words("Judge a pull against the OK", PRINTING),
    "ink-open": Words("How long ink stays open", PRINTING),
    "overprint": Words("Preview colours over each other", WORKS),
    "plate-order": Words("In which order to print plates", WORKS),
    "register-plates": Words("Which plate lies off", WORKS),
    "read-crosses": Words("Read register crosses off a scan", WORKS),
    "plate-to-blame": Words("Which plate to blame", WORKS),
    "read-print": Words("Read a print of several plates", WORKS),
    "ghost-forecast": Words("How long ghosts are worth pulling", WORKS),
    "layer-stack": Words("What a stack of layers is", WORKS),
    "stencils": Words("Cut stencils from a picture", WORKS),
    "traced-drawing": Words("Tile a drawing for tracing", WORKS),
    "paper-growth": Words("How paper grows when damp", WORKS),
}  # fmt: skip
