"""The steps of the work: why each is done, what good looks like, how it fails and the mend.

Minutes are starting guesses of hands-on and waiting time for a plate of about 300 cm².
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Group = Literal["prepare", "image", "ground", "plan", "bite", "proof", "edition"]
MeasureKind = Literal["yes-no", "number", "choice", "text"]


@dataclass(frozen=True)
class Measure:
    """One thing to note down when a step is done; numbers carry their unit and limits."""

    key: str
    label: str
    kind: MeasureKind = "text"
    unit: str = ""
    options: tuple[str, ...] = ()
    low: float | None = None
    high: float | None = None


@dataclass(frozen=True)
class StepRow:
    """One step of a course."""

    key: str
    group: Group
    title: str
    why: str
    good: str
    fails: tuple[tuple[str, str], ...] = ()
    """Pairs of what goes wrong and the mend."""
    hands: int = 5
    wait: int = 0
    at_hand: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    needs: tuple[str, ...] = ()
    """Steps that must come before, where the course has them."""
    measures: tuple[Measure, ...] = ()
    timer: str = ""
    """What the wait is called on a timer; empty where nothing waits."""
    again_after: tuple[str, ...] = ()
    """Steps after which this one must be done once more."""
    source: str = "room-practice"


def _yes(key: str, label: str) -> Measure:
    return Measure(key, label, "yes-no")


def _number(key: str, label: str, unit: str, low: float, high: float) -> Measure:
    return Measure(key, label, "number", unit, (), low, high)


def _choice(key: str, label: str, *options: str) -> Measure:
    return Measure(key, label, "choice", "", options)


_FILM = _choice("film", "Protective film", "left on", "taken off", "none")
_TRANSFER = _choice(
    "route", "How it came onto the plate", "drawn directly", "wax film", "chalk sheet",
    "white tissue", "toner with solvent", "under the plate",
)  # fmt: skip
_GROUND_FILM = _choice("film", "Film", "thin", "even", "thick")

STEPS: dict[str, StepRow] = {
    row.key: row
    for row in (
        StepRow(
            "cut", "prepare", "Cut the plate to size",
            "A plate cut square lies flat in the press and leaves a clean plate mark.",
            "Straight edges, corners square, no bend along the cut.",
            (("The edge is bent", "Lay it over a table's edge and press it flat before bevelling."),
             ("The saw ran off", "Trim again; write the new size on the plate's page.")),
            15, 0, ("shear or saw", "steel rule", "gloves"), ("cut-edges",),
            measures=(_yes("face", "Working face marked"),),
        ),
        StepRow(
            "register", "prepare", "Register an old plate with a proof",
            "An old plate comes with an unknown history: scratches, old lines, a tired back.",
            "A proof of the plate as it came is on its record.",
            (("Old lines print", "Burnish them or choose a drawing that uses them."),),
            40, 60, ("ink", "damp paper"), ("inks",),
            measures=(Measure("note", "What the proof shows"),),
        ),
        StepRow(
            "bevel", "prepare", "Bevel edges and round corners",
            "A square edge cuts paper and blankets, and holds ink that prints a dirty frame.",
            "An even slope of about 45°, burnished until a wiped edge holds no ink.",
            (("The edge holds ink", "Scrape once more along the edge, then burnish with oil."),
             ("The file slipped onto the face", "Close the scratch with oil and a burnisher.")),
            25, 0, ("coarse and fine file", "scraper", "burnisher", "oil"), ("cut-edges",),
            needs=("cut",),
            measures=(_number("angle", "Angle to the face", "°", 20, 70), _FILM,
                      _yes("corners", "Corners rounded")),
        ),
        StepRow(
            "polish", "prepare", "Polish until no scratch is left",
            "Every scratch holds ink and prints as a line nobody drew.",
            "A wiped plate, held against the light, shows no line; the last ones closed with oil.",
            (("One scratch stays", "Scrape along it, then close it with oil and a burnisher."),
             ("A grey haze prints", "Finer polish, then wipe with a clean cloth.")),
            20, 0, ("polish", "oil", "burnisher", "soft cloth"), (), needs=("bevel",),
            measures=(_yes("scratches", "All scratches closed"),),
        ),
        StepRow(
            "degrease", "prepare", "Degrease, then the water-break test",
            "Grease lifts the ground and the plate foul-bites. Polish itself is greasy: degrease "
            "after the last polish.",
            "Rinsed hard, the sheet of water stays whole over the plate.",
            (("The water parts", "There is grease where it parts: degrease again, test again."),
             ("Fingerprints after it dried", "Hold it by the edges; degrease again.")),
            10, 0, ("whiting", "degreaser", "running water", "clean pad"), ("ammonia",),
            needs=("polish",),
            measures=(
                _choice("degreaser", "Degreaser", "whiting and ammonia 1:20",
                        "whiting and alcohol", "polish"),
                _choice("water_break", "Water-break test", "passed", "failed", "not done"),
                _number("tries", "Tries until the water held", "", 1, 20),
            ),
            again_after=("polish",),
        ),
        StepRow(
            "back", "prepare", "Cover the back and the edges",
            "A bare back bites as fast as the face: it eats the plate and loads the bath.",
            "Film, coat or varnish without a gap, round the edges too.",
            (("A pinhole", "A drop of varnish; let it dry."),),
            10, 20, ("varnish or film",), ("solvents",), needs=("degrease",),
            measures=(_choice("back", "Back", "bare", "pre-coated", "filmed", "varnished"),
                      _yes("edges", "Edges covered")),
            timer="varnish drying",
        ),
        StepRow(
            "film-back", "prepare", "Check the film on the working side",
            "Film keeps scratches off plastic; along the edge being worked it must go.",
            "Film whole on the face, off along the edge.",
            (), 5, 0, (), (), measures=(_FILM,),
        ),
        StepRow(
            "dust-chalk", "prepare", "Dust with chalk against sticking",
            "In a damp room the film sticks to the polymer and marks it.",
            "A thin even bloom, blown clean.",
            (("The film sticks", "Chalk again, thinner; let the room dry out."),),
            3, 0, ("chalk", "soft brush"), ("uncured-polymer",),
        ),
        StepRow(
            "drawing", "image", "Fit the drawing to the plate",
            "What is drawn prints mirrored. Decide now: accept it, or reverse first.",
            "The mirror preview looks right, and lettering reads the right way in print.",
            (("Lettering would print mirrored", "Reverse the tracing before it is transferred."),),
            20, 0, ("drawing", "tracing"), (),
            measures=(_choice("reversal", "Reversal", "accepted", "reversed first"),
                      _choice("lettering", "Lettering", "none", "checked in the mirror",
                              "not checked")),
        ),
        StepRow(
            "transfer", "ground", "Bring the drawing onto the plate",
            "A faint guide keeps the needle sure and the ground whole.",
            "Lines just visible; nothing pressed through the ground.",
            (("The transfer smudges", "Retrace its main lines lightly with a soft pencil, or fix "
              "them, before the hand rests on them."),
             ("Too faint on dark ground", "White tissue, or smoke the ground.")),
            20, 0, ("transfer sheet", "soft pencil"), (), needs=("drawing",),
            measures=(_TRANSFER,),
        ),
        StepRow(
            "under-drawing", "image", "Lay the drawing under the clear plate",
            "On clear plastic the sketch lies underneath; a black sheet shows the scratches white.",
            "The sketch lies still, printed as it shall print or mirrored, as you chose.",
            (("It slides", "Tape it along one edge, so that it can be lifted."),),
            5, 0, ("sketch", "tape", "black paper"), (), needs=("drawing",),
            measures=(_TRANSFER,),
        ),
        StepRow(
            "ball-ground", "ground", "Lay hard ground from the ball",
            "A thin resisting film that the needle opens without pressure.",
            "An even, glossy brown film over the whole plate, thin enough to see the metal.",
            (("Bubbles or smoke", "Too hot: take it off the plate, cool, lay it again."),
             ("It flakes at the lines", "The film is too thick: roll it out thinner."),
             ("Pinholes", "Grease or dust: degrease and lay it again.")),
            20, 15, ("hot plate", "ball ground", "roller or dabber"), ("hot-plate",),
            needs=("degrease",),
            measures=(_number("heat", "Plate at", "°C", 20, 200), _GROUND_FILM,
                      _yes("smoked", "Smoked")),
            timer="ground cooling",
        ),
        StepRow(
            "liquid-ground", "ground", "Brush on liquid ground",
            "Quick and thin; its solvent must be gone before heat.",
            "Even gloss after baking, no brush ridges.",
            (("Ridges", "Thin the ground, brush once in one direction."),
             ("It wrinkles in the heat", "The solvent had not gone: wait longer before baking.")),
            10, 40, ("liquid ground", "flat brush", "hot plate"), ("solvents", "hot-plate"),
            needs=("degrease",),
            measures=(_number("flash", "Left before heat", "min", 0, 240),
                      _number("heat", "Baked at", "°C", 20, 200), _GROUND_FILM),
            timer="solvent flashing off",
        ),
        StepRow(
            "draw", "ground", "Draw through the ground",
            "The needle only opens the ground: depth comes from the bath.",
            "Bright metal in every line, no pressure into the metal.",
            (("The ground flakes at the edges", "Film too thick: warm the plate a little, or "
              "ground it again thinner."),
             ("The needle catches", "Too sharp, above all in zinc: round its point on fine paper."),
             ("A wrong line", "Stop it out, let it dry, draw over it.")),
            90, 0, ("needles", "bridge to rest the hand"), (),
            needs=("ball-ground", "liquid-ground"),
            measures=(_number("needle", "Needle", "µm", 5, 800),),
        ),
        StepRow(
            "touch-up", "ground", "Touch up and stop out the edges",
            "Scratches and bare edges bite like lines.",
            "No bare metal but the lines; edges and back closed.",
            (("The varnish crept into a line", "Let it dry, open the line again."),),
            15, 15, ("stop-out varnish", "fine brush"), ("solvents",),
            needs=("draw",), measures=(_yes("edges", "Edges covered"),),
            timer="stop-out drying",
        ),
        StepRow(
            "soft-ground", "ground", "Lay soft ground",
            "It stays soft, so that thin things pressed into it lift it and open the metal.",
            "An even film a little thicker than a breath; a fingertip leaves its print.",
            (("Too thin", "The whole plate foul-bites: lay it again."),
             ("Too soft to handle", "Cool it longer; work in a cooler room.")),
            15, 12, ("hot plate", "soft ground", "roller"), ("hot-plate",), needs=("degrease",),
            measures=(_number("heat", "Plate at", "°C", 20, 150), _GROUND_FILM),
            timer="ground cooling",
        ),
        StepRow(
            "press-textures", "ground", "Press the textures in",
            "One pass through the press prints thread, gauze or leaf into the ground.",
            "Clean metal where the texture lay, ground whole between.",
            (("A scrap sticks", "Leave it rather than scratch the ground; it will bite round it."),
             ("The paper touched everything", "All it touched will bite a little: stop out round "
              "the textures.")),
            20, 0, ("waxed paper", "textures", "press"), (), needs=("soft-ground",),
            measures=(Measure("textures", "Textures"),
                      _yes("stopped_out", "Stopped out round the textures")),
        ),
        StepRow(
            "dust", "ground", "Dust with rosin",
            "Grains hold the ink apart: between them the metal bites, on them it stays.",
            "About half covered, seen from a low angle and against white.",
            (("Too thin", "A second, short dusting."),
             ("Too full", "Brush it off; wait less before the plate goes in."),
             ("Patchy", "A draught, or grease: degrease, dust again, carry it level.")),
            8, 12, ("dust box", "mask P2 or P3"), ("rosin",), needs=("degrease",),
            measures=(_number("settle", "Coarse grains left to fall", "s", 0, 1800),
                      _number("box", "In the box", "min", 0, 60),
                      _number("covered", "Covered", "%", 0, 100)),
            timer="dust settling",
        ),
        StepRow(
            "fuse", "ground", "Fuse the grains",
            "Loose grains wash off; fused ones hold on.",
            "All of the dust has turned from white to clear, over the whole plate.",
            (("White in a corner", "It is not fused there: heat that corner from below."),
             ("It ran together", "Too hot: take it off with alcohol, degrease, dust again.")),
            8, 15, ("hot plate or flame", "extraction"), ("fusing", "hot-plate"), needs=("dust",),
            measures=(_number("heat", "Plate at", "°C", 60, 220),
                      _yes("clear", "Clear over the whole plate")),
            timer="plate cooling",
        ),
        StepRow(
            "spray", "ground", "Spray acrylic dots",
            "The dust-free grain: fine dots of resist.",
            "Even dots over about half the surface.",
            (("Dots run together", "Hold it farther away; more passes, each lighter."),),
            10, 20, ("airbrush or can", "extraction", "mask"), ("spray",), needs=("degrease",),
            measures=(_number("covered", "Covered", "%", 0, 100),), timer="spray drying",
        ),
        StepRow(
            "whites", "ground", "Paint out whites, edges and back",
            "What shall stay paper white is closed before the first bite.",
            "Varnish whole and dry over the whites and round the edges.",
            (), 20, 15, ("stop-out varnish", "fine brush"), ("solvents",),
            needs=("fuse", "spray"), measures=(_yes("edges", "Edges covered"),),
            timer="stop-out drying",
        ),
        StepRow(
            "plan-lines", "plan", "Plan the depth of the lines",
            "Depth, width and darkness follow from the bath and the clock.",
            "Each group has its depth, and the land between lines holds.",
            hands=10,
        ),
        StepRow(
            "plan-tones", "plan", "Plan the tones",
            "Your strip and today's bath turn tones into bites.",
            "Every tone within the strip's reach and apart from the next.",
            hands=15,
        ),
        StepRow(
            "plan-marks", "plan", "Plan the marks",
            "Tone comes from the spacing of marks, and marks can be added, hardly removed.",
            "A trial patch on a scrap for each tone.",
            hands=15,
        ),
        StepRow(
            "bite-lines", "bite", "Bite the lines",
            "Time in the bath is depth.", "A needle feels each group as deep as it was meant.",
            (("No line feels bitten", "Grease or varnish in the lines: rinse, open one, go on."),),
            15, 30, ("goggles", "gloves", "rinse bath"), ("bath",),
            needs=("touch-up", "press-textures", "plan-lines"),
        ),
        StepRow(
            "bite-tones", "bite", "Bite the tones",
            "Each stage is stopped out when it is dark enough.",
            "Each area bitten as long as the plan says, and no longer.",
            hands=30, wait=30, at_hand=("goggles", "gloves", "rinse bath", "stop-out varnish"),
            cautions=("bath",), needs=("whites", "plan-tones"),
        ),
        StepRow(
            "spit-bite", "bite", "Brush the mordant on",
            "Mordant brushed on the grain leaves no stop-out edge.",
            "Soft pools that fade at their edge.",
            (("It runs", "Less mordant; tilt the plate."),),
            30, 0, ("soft brush", "saliva or gum", "gloves"), ("bath",), needs=("fuse",),
        ),
        StepRow(
            "strip-ground", "bite", "Strip the ground",
            "Ground or rosin left in the lines prints as gaps.",
            "Bare, bright metal, lines clean under the loupe.",
            (("Dark film stays", "Another solvent in the order of cleaning; see what dissolves "
              "what."),),
            15, 0, ("solvent", "rags", "closed metal can"), ("solvents",),
            needs=("bite-lines", "bite-tones", "spit-bite"),
        ),
        StepRow(
            "scratch", "bite", "Scratch",
            "Pressure is depth, depth is darkness; the burr holds the ink.",
            "Marks catch a fingernail; ink rubbed in shows them.",
            (("A mark too many", "Burnish it: on plastic that lightens only a little."),),
            120, 0, ("needles", "abrasives", "roulette"), ("cut-edges",),
            needs=("under-drawing", "plan-marks"),
        ),
        StepRow(
            "engrave", "bite", "Engrave",
            "The burin lifts a clean curl; the plate turns under it for curves.",
            "Clean lines, burr scraped off, edges burnished.",
            (("It slipped", "Scrape and burnish along the slip; sharpen the burin."),),
            240, 0, ("burin", "stone", "scraper", "burnisher"), ("cut-edges",),
        ),
        StepRow(
            "expose-screen", "ground", "Expose the screen",
            "The random dots are the grain that will carry ink.",
            "Screen flat on the plate, emulsion to emulsion.",
            hands=4, wait=2, at_hand=("random-dot screen", "lamp"), cautions=("uv",),
            needs=("dust-chalk",), measures=(_number("seconds", "Screen", "s", 1, 3600),),
            timer="exposing",
        ),
        StepRow(
            "expose-image", "ground", "Expose the image",
            "Light hardens what shall stay; the positive keeps it from the darks.",
            "Positive flat, the right way round.",
            hands=4, wait=2, at_hand=("positive", "lamp"), cautions=("uv",),
            needs=("expose-screen",), measures=(_number("seconds", "Image", "s", 1, 3600),),
            timer="exposing",
        ),
        StepRow(
            "wash-out", "bite", "Wash out, blot and dry",
            "Water takes the unhardened polymer out.",
            "Darks open to the steel's colour, no slime, no standing water.",
            (("Slimy darks", "Wash a minute longer with a soft brush."),),
            10, 20, ("water", "soft brush", "blotter"), ("uncured-polymer",),
            needs=("expose-image",), measures=(_number("minutes", "Washed", "min", 0, 30),),
            timer="polymer drying",
        ),
        StepRow(
            "harden", "bite", "Final hardening exposure",
            "A plate hardened through lasts longer.", "No longer tacky.",
            hands=2, wait=8, at_hand=("lamp",), cautions=("uv",), needs=("wash-out",),
            timer="hardening",
        ),
        StepRow(
            "trim", "bite", "Trim again, bevel and polish the edges",
            "Polymer plates are cut a little larger than the image, and trimmed when done.",
            "Square to the image, edges holding no ink.",
            hands=20, at_hand=("shear", "file"), cautions=("cut-edges",),
            measures=(_yes("trimmed", "Trimmed again"),),
        ),
        StepRow(
            "proof", "proof", "Pull a proof",
            "Only a proof tells what the plate prints.",
            "Read its tones, name its faults, decide what is next.",
            hands=40, wait=60, at_hand=("ink", "damp paper", "gauze"), cautions=("inks",),
            needs=("strip-ground", "scratch", "engrave", "trim"),
        ),
        StepRow(
            "edition", "edition", "Print the edition",
            "Every impression like the one signed OK to print.",
            "Numbered, dried flat, the plate cleaned and waxed.",
            hands=600, at_hand=("paper", "ink"), cautions=("inks",), needs=("proof",),
            measures=(Measure("note", "What was printed"),),
        ),
        StepRow(
            "scrape", "bite", "Scrape below the marks",
            "A mark is gone when the metal round it is as low as its floor.",
            "A shallow bowl with no edge that catches the nail.",
            (("A hollow prints grey", "Wide and shallow: take more round it, or knock it up."),),
            20, 0, ("scraper", "oil"), ("cut-edges",),
            measures=(_number("area", "Area", "cm²", 0.01, 2000),),
        ),
        StepRow(
            "abrade", "bite", "Close the scratches, finer and finer",
            "Scraper marks print; each paper closes those of the one before.",
            "Fine wet paper with oil, felt, then paste: no line against the light.",
            hands=20, at_hand=("wet paper 400 to 2000", "oil", "felt", "paste"), needs=("scrape",),
        ),
        StepRow(
            "burnish", "bite", "Burnish",
            "The polished steel presses the grain down: it holds less ink.",
            "A soft gleam; the tone lighter by a step.",
            (("Streaks", "Oil, small circles, less pressure."),),
            15, 0, ("burnisher", "oil"), (),
        ),
        StepRow(
            "grind", "bite", "Grind with a small power tool",
            "Rubber and felt points with abrasive take metal off quickly.",
            "Even, cool, no pits.",
            (("It gets hot", "Stop, let it cool: hot metal smears and grounds lift."),),
            10, 0, ("power tool", "abrasive points", "goggles"), ("cut-edges",),
        ),
        StepRow(
            "mask-whiting", "proof", "Take the ink out with whiting at every inking",
            "A small spot prints clean when its ink is lifted each time; the plate stays as it is.",
            "The spot prints as paper.",
            hands=2, at_hand=("whiting", "cotton bud"), cautions=(),
        ),
    )
}  # fmt: skip

DONE_WORDS: dict[str, str] = {
    "cut": "cut",
    "register": "registered",
    "bevel": "bevelled",
    "polish": "polished",
    "degrease": "degreased",
    "back": "back covered",
    "film-back": "film checked",
    "dust-chalk": "chalked",
    "drawing": "fitted",
    "transfer": "transferred",
    "under-drawing": "under the sheet",
    "ball-ground": "hard ground",
    "liquid-ground": "liquid ground",
    "draw": "drawn",
    "touch-up": "touched up",
    "soft-ground": "soft ground",
    "press-textures": "textures pressed",
    "dust": "dusted",
    "fuse": "fused",
    "spray": "sprayed",
    "whites": "whites closed",
    "plan-lines": "lines planned",
    "plan-tones": "tones planned",
    "plan-marks": "marks planned",
    "bite-lines": "lines bitten",
    "bite-tones": "tones bitten",
    "spit-bite": "spit-bitten",
    "strip-ground": "stripped",
    "scratch": "scratched",
    "engrave": "engraved",
    "expose-screen": "screen exposed",
    "expose-image": "image exposed",
    "wash-out": "washed out",
    "harden": "hardened",
    "trim": "trimmed",
    "proof": "proofed",
    "edition": "printed",
    "scrape": "scraped",
    "abrade": "scratches closed",
    "burnish": "burnished",
    "grind": "ground down",
    "mask-whiting": "masked",
}
"""What is said of a plate once a step is done."""

PREPARE_METAL = ("cut", "bevel", "polish", "degrease", "back")
PROOF = ("proof", "edition")
HARD_GROUND = ("ball-ground", "transfer", "draw", "touch-up")

COURSES: dict[str, tuple[str, ...]] = {
    "etched line": (*PREPARE_METAL, "drawing", *HARD_GROUND, "plan-lines", "bite-lines",
                    "strip-ground", *PROOF),
    "soft ground": (*PREPARE_METAL, "drawing", "soft-ground", "press-textures", "plan-lines",
                    "bite-lines", "strip-ground", *PROOF),
    "aquatint": (*PREPARE_METAL, "drawing", "transfer", "dust", "fuse", "whites", "plan-tones",
                 "bite-tones", "strip-ground", *PROOF),
    "spit bite": (*PREPARE_METAL, "drawing", "dust", "fuse", "spit-bite", "strip-ground", *PROOF),
    "drypoint": ("cut", "bevel", "drawing", "under-drawing", "plan-marks", "scratch", *PROOF),
    "engraving": ("cut", "bevel", "polish", "drawing", "transfer", "plan-marks", "engrave",
                  *PROOF),
    "photopolymer": ("cut", "dust-chalk", "drawing", "expose-screen", "expose-image", "wash-out",
                     "harden", "trim", *PROOF),
}  # fmt: skip
"""Working order of each route. ``room-practice``"""

INSTEAD: dict[str, tuple[str, ...]] = {
    "ball-ground": ("liquid-ground",),
    "liquid-ground": ("ball-ground",),
    "dust": ("spray",),
    "spray": ("dust",),
}
"""Steps that may stand for each other."""
