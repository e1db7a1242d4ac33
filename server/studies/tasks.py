"""Tasks of a study."""

from __future__ import annotations

from server.studies.actions.maps import (
    keep_bare_maps,
    keep_maps,
    keep_nothing,
    prepare_bare_maps,
    prepare_look,
    prepare_maps,
)
from server.studies.field import KIND, keep_field, sketches_of
from server.tasks.kinds import Kind, add_kind

add_kind(Kind(KIND, "change plans", sketches_of, keep_field))
add_kind(Kind("study-maps", "change plans", prepare_maps, keep_maps))
add_kind(Kind("look-over", "change plans", prepare_look, keep_nothing))
add_kind(Kind("stop-out-maps", "change plans", prepare_bare_maps, keep_bare_maps))
