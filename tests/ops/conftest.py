"""One house for all that is tried on a house that runs."""

import pytest

from tests.ops.house import House, forget


@pytest.fixture(scope="session")
def house(tmp_path_factory):
    """The application as it is started, with the demo; whoever kills a part starts it again."""
    made = House(tmp_path_factory.mktemp("house"))
    yield made.start()
    made.keen("stop")
    forget(made)
