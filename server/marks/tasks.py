"""Tasks of scratched plates: photographs merged, guides drawn."""

from __future__ import annotations

from server.marks.actions.guide import GUIDE, fields_of
from server.marks.actions.look import VIEW, keep_look, photographs_of
from server.tasks.files import name_alone
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(VIEW, "scratch", photographs_of, keep_look))
add_kind(Kind(GUIDE, "scratch", fields_of, name_alone))
