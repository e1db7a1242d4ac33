"""People who sign in."""

from __future__ import annotations

import uuid
from typing import Any, ClassVar

from django.contrib.auth.base_user import AbstractBaseUser, BaseUserManager
from django.db import models


class UserManager(BaseUserManager["User"]):
    """Make users by their sign-in name."""

    def create_user(self, sign_in: str, password: str, **more: Any) -> User:
        """Return a new user with a hashed password."""
        user = self.model(sign_in=sign_in.strip().lower(), **more)
        user.set_password(password)
        user.save()
        return user


class User(AbstractBaseUser):
    """One person, with the units they read in."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    sign_in = models.CharField(max_length=120, unique=True)
    name = models.CharField(max_length=80)
    length_unit = models.CharField(max_length=2, default="mm")
    temperature_unit = models.CharField(max_length=1, default="C")
    is_demo = models.BooleanField(default=False)
    is_active = models.BooleanField(default=True)

    objects: ClassVar[UserManager] = UserManager()
    USERNAME_FIELD = "sign_in"
    REQUIRED_FIELDS: ClassVar[list[str]] = ["name"]
