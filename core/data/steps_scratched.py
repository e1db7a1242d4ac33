"""The steps of scratched plates, and of printing at a kitchen table."""

from __future__ import annotations

from core.data.step_row import Measure, StepRow, choice, number, yes

STEPS_SCRATCHED: tuple[StepRow, ...] = (
    StepRow(
        "mark-side", "image", "Write BOTTOM on the side that stays smooth",
        "A clear plate looks alike from both sides: scratched on both it prints half a picture.",
        "BOTTOM stands on the underside, mirrored, so that it reads right through the plate from "
        "the side that is scratched.",
        (("It was scratched on both sides", "The side with more is the face; rub ink off the "
          "other at every wiping."),),
        2, 0, ("marker", "tape"), (),
        measures=(yes("bottom", "BOTTOM written, mirrored", fact="face_marked"),
                  yes("hinge", "Hinge tape along one edge")),
        said="its bottom marked", only_on=("plastic",), once=True,
    ),
    StepRow(
        "look-scratches", "bite", "Look at what is scratched",
        "Scratches on clear plastic show only where they catch the light: one lamp never shows "
        "all.",
        "Photographed on black with the lamp from two to six sides, or ink rubbed in: no line of "
        "the drawing is missed, none runs into the bevel.",
        (("A line is missed", "Scratch it now: marks can be added, hardly removed."),
         ("Lines ran into the bevel", "File and burnish that edge again: it would hold ink.")),
        10, 0, ("black paper", "lamp", "camera"), (), needs=("scratch",),
        measures=(number("done", "Of the drawing scratched", "%", 0, 100),
                  choice("bevel", "Lines in the bevel", "none", "filed again", "still there")),
        said="looked over", beside=("marks",),
    ),
    StepRow(
        "trim-after", "bite", "Trim an oversize plate",
        "A plate cut larger gave the hand something to rest on; now its margin would print.",
        "At its size, square, its edges bevelled and burnished again.",
        hands=10, at_hand=("knife and rule", "file", "burnisher"), cautions=("cut-edges", "knives"),
        needs=("scratch",),
        measures=(choice("trimmed", "Trimmed", "was at its size", "trimmed now"),
                  number("burnished", "Edges burnished", "of 4", 0, 4)),
        said="at its size", only_on=("plastic",),
    ),
    StepRow(
        "letter-check", "image", "Read the lettering in the mirror",
        "A letter cut the way it reads prints wrong, and copper does not forget.",
        "Every letter was looked at in the mirror, from the last to the first.",
        (("A letter stands as it reads", "Correct it on the transfer now: on the plate it takes an "
          "hour."),),
        10, 0, ("mirror", "transfer"), (), needs=("drawing",),
        measures=(choice("lettering", "Lettering", "none", "every letter checked", "not checked"),),
        said="its lettering read", beside=("marks",),
    ),
    StepRow(
        "clean-burr", "bite", "Scrape the burr, burnish, mend slips",
        "The burin throws up a burr that holds ink as in drypoint; an engraving prints without it.",
        "A finger across the lines feels nothing; slips are gone under a wiped film of ink.",
        (("A slip still prints", "Scrape along it, close it with oil and a burnisher."),),
        30, 0, ("scraper", "burnisher", "oil"), ("cut-edges", "knives"), needs=("engrave",),
        measures=(number("slips", "Slips mended", "", 0, 50),),
        said="its burr scraped", greases=True,
    ),
    StepRow(
        "kitchen-ink", "proof", "Ink the plate at the table",
        "Soft ink and little of it: a thin plate cannot be wiped hard.",
        "Ink in every mark, the face wiped clean, nothing under the plate.",
        (("The plate slides", "A loop of tape under it."),
         ("Grey all over", "Wipe once more with thin paper, flat.")),
        15, 0, ("soft oil ink or cosmetic colour", "card", "gauze", "thin paper", "gloves"),
        ("inks",), needs=("scratch",),
        measures=(choice("ink", "Ink", "oil ink, softened", "water-washable ink",
                         "cosmetic colour in oil"),),
        said="inked",
    ),
    StepRow(
        "kitchen-damp", "proof", "Damp the paper a few minutes",
        "A roller presses little: only limp paper goes into the marks.",
        "Under the tap, then between towels: limp, no shine.",
        (("It shines", "Blot it again: wet paper pushes the ink away."),),
        3, 3, ("soft paper", "towels"), (), measures=(number("minutes", "Damped", "min", 0, 60),),
        timer="paper damp", said="paper damped",
    ),
    StepRow(
        "kitchen-gap", "proof", "Set gap and order of feeding",
        "The throat is narrow: paper and card go in first until they are held, then the plate is "
        "slid between, slowly.",
        "It goes through with a firm even pull and no crease; the gap's number is written down.",
        (("It will not go in", "The next wider gap, or one sheet of packing less."),
         ("It slips", "The next narrower gap, or one sheet more."),
         ("The plate creases", "Card under it, folds flattened, turn more slowly.")),
        5, 0, ("craft roller or spoon", "card", "packing sheets"), ("press",),
        measures=(choice("tool", "Pressed with", "craft roller", "spoon"),
                  number("gap", "Gap number", "", 1, 12),
                  number("packing", "Packing sheets", "", 0, 6),
                  number("spoon", "Rubbed with the spoon", "min", 0, 60),
                  yes("paper_first", "Paper and card in first, then the plate")),
        said="its gap set",
    ),
    StepRow(
        "trial-one", "proof", "First trial print",
        "The first print tells the gap and the wiping, not the plate.",
        "Marks print through to their ends; the paper comes off whole.",
        (("Pale all over", "Narrower gap or one sheet more, and less wiping."),
         ("Pale in the middle", "Packing under the middle; a spoon: smaller circles there."),
         ("Dark and smeared", "Less ink, drier paper.")),
        10, 0, ("inked plate", "damp paper"), ("inks", "press"),
        needs=("kitchen-ink", "kitchen-damp", "kitchen-gap"),
        measures=(Measure("note", "What it shows"),
                  number("gap", "Gap number", "", 1, 12)),
        said="one trial printed",
    ),
    StepRow(
        "trial-two", "proof", "Second trial print",
        "With the gap and the wiping of the first put right, this one tells the plate.",
        "The same gap gives the same print: write the number on the back.",
        (("Still pale", "Scratch again where it is too light: marks only get darker."),),
        10, 0, ("inked plate", "damp paper"), ("inks", "press"), needs=("trial-one",),
        measures=(Measure("note", "What it shows"),
                  number("gap", "Gap number", "", 1, 12)),
        said="two trials printed",
    ),
)  # fmt: skip
