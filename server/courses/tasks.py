"""Tasks of a course."""

from __future__ import annotations

from server.courses.actions.coverage import keep_coverage, photograph_of
from server.tasks.kinds import Kind, add_kind

add_kind(Kind("dust-coverage", "change plates", photograph_of, keep_coverage))
