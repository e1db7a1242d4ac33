"""What cleans a plate of ink, by its material."""

import pytest

from core.safety.cleaned_with import cleaned_with


@pytest.mark.parametrize(("material", "never"), [
    ("polymer", ("alcohol", "acetone", "soda")), ("acrylic", ("alcohol", "acetone")),
    ("zinc", ("soda",)),
])  # fmt: skip
def test_what_harms_a_material_is_named_and_not_offered(material, never):
    first, rest = cleaned_with(material).split(". ", 1)
    assert all(name not in first for name in never)
    assert all(name in rest for name in never)


def test_what_nothing_harms_has_no_second_sentence():
    assert cleaned_with("copper").count(".") == 1
