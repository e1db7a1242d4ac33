"""Tasks of the press: templates drawn."""

from __future__ import annotations

from server.editions.actions.template import TEMPLATE, bed_of
from server.tasks.files import name_alone
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(TEMPLATE, "print", bed_of, name_alone))
