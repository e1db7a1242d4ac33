"""A number that was noted is told as that number."""

import pytest
from pydantic import TypeAdapter

from core.course.shapes import MeasureValue

READ = TypeAdapter(MeasureValue)


@pytest.mark.parametrize("given", [1, 0, 1.0, 2.5, True, False, "1", "yes"])
def test_what_was_noted_stays_what_it_was(given):
    read = READ.validate_python(given)
    assert (type(read), read) == (type(given), given)
    assert READ.validate_json(READ.dump_json(read)) == given
