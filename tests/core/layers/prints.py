"""What tests of prints share: the plates of a print as the core takes them, a scan of it."""

from core.layers.overprint import OverprintPlate
from core.layers.read_print import PrintPlate
from core.tone.colour import lab_from_linear
from tests.simulator.overprints import picture_of


def lab_of(plate):
    return tuple(round(float(each), 3) for each in lab_from_linear(plate.rgb))


def overprint_plates(plates, size, folder):
    return [
        OverprintPlate(
            name=each.name, ink_lab=lab_of(each), lets_through=each.lets,
            image=picture_of(each, size, folder / f"{each.name}.png"),
        )
        for each in plates
    ]  # fmt: skip


def print_plates(plates, size, folder):
    made = overprint_plates(plates, size, folder)
    return [
        PrintPlate(**each.model_dump(), crosses=own.crosses)
        for each, own in zip(made, plates, strict=True)
    ]
