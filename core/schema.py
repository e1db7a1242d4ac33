"""The base of every typed input and output: closed, finite, and described."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict


class Shape(BaseModel):
    """A typed input or output. Unknown keys, NaN and infinities are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False, frozen=True)
