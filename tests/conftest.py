"""Files of tests go to a folder of their own; their passwords guard nothing."""

import pytest


@pytest.fixture(autouse=True)
def _own_files(request, tmp_path):
    if _has_database(request):
        request.getfixturevalue("settings").MEDIA_ROOT = tmp_path / "files"
    yield


@pytest.fixture(autouse=True)
def _cheap_passwords(request):
    """A real hash takes over a second on purpose."""
    if _has_database(request):
        cheap = ["django.contrib.auth.hashers.MD5PasswordHasher"]
        request.getfixturevalue("settings").PASSWORD_HASHERS = cheap
    yield


def _has_database(request):
    asked = {"db", "transactional_db"} & set(request.fixturenames)
    return asked or request.node.get_closest_marker("django_db")
