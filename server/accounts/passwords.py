"""What is no password, beside those too short or too common."""

from __future__ import annotations

from django.contrib.auth.base_user import AbstractBaseUser
from django.core.exceptions import ValidationError

FEWEST_SIGNS = 4


class SignsValidator:
    """Refuse a password of spaces, or of one or two signs again and again."""

    def validate(self, password: str, user: AbstractBaseUser | None = None) -> None:
        """Refuse it.

        Raises
        ------
        ValidationError
        """
        if len(set(password) - set(" \t\n")) < FEWEST_SIGNS:
            raise ValidationError(self.get_help_text(), code="too_few_signs")

    def get_help_text(self) -> str:
        """Return what is asked."""
        return f"A password needs at least {FEWEST_SIGNS} different signs that are no spaces."
