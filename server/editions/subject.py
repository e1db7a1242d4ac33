"""A plate at the press as a subject of events: what was signed is numbered as it comes in."""

from __future__ import annotations

from core.events.pull_state import PullState
from server.accounts.models import User
from server.editions.numbers import number_signed, stand_at_edition
from server.events.subject import Subject
from server.plates.models import Plate
from server.proofs.actions.approve import AFTER_OK
from server.pulls.models import Pulls
from server.pulls.state import pull_state_of


def _plate(pulls: Pulls) -> Plate | None:
    return pulls.plate


def _no_bath(_: Pulls) -> None:
    return None


def number_and_stand(user: User, plate: Plate, state: PullState) -> None:
    """Number what was signed; the plate stands at its edition once something is signed."""
    number_signed(user, plate, state)
    stand_at_edition(plate, state)


def _follow(user: User, pulls: Pulls) -> None:
    number_and_stand(user, pulls.plate, pull_state_of(pulls.plate))


AFTER_OK.append(number_signed)
PULLS = Subject(
    kind="pull", model=Pulls, action="print", plate=_plate, bath=_no_bath, follow=_follow,
)  # fmt: skip
