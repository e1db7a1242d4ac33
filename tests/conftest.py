"""Files of tests go to a folder of their own."""

import pytest


@pytest.fixture(autouse=True)
def _own_files(request, tmp_path):
    if "db" in request.fixturenames or request.node.get_closest_marker("django_db"):
        settings = request.getfixturevalue("settings")
        settings.MEDIA_ROOT = tmp_path / "files"
    yield
