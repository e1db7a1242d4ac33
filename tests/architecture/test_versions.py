"""One version, one range of Node: what the files say of themselves agrees."""

import json
import os
import re
import subprocess
import tomllib
from pathlib import Path

import pytest

from ops import node

ROOT = Path(__file__).resolve().parent.parent.parent
PACKAGE = json.loads((ROOT / "web/package.json").read_text())
SEMVER = "const s = require('semver'); const [said, ...asked] = process.argv.slice(1);" + (
    "console.log(asked.every((range) => s.satisfies(said, range)))"
)


def test_the_changelog_and_both_packages_name_one_version():
    project = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]["version"]
    released = re.search(r"^## (\d+\.\d+\.\d+)", (ROOT / "CHANGELOG.md").read_text(), re.M)
    assert project == PACKAGE["version"] == released.group(1)


@pytest.mark.parametrize(
    "said",
    ["18.20.4", "20.18.3", "20.19.0", "20.20.2", "21.7.3", "22.12.0", "22.13.0", "22.20.0",
     "23.5.0", "24.0.0"],
)  # fmt: skip
def test_the_range_of_node_is_just_what_the_lock_asks_for(said):
    lock = json.loads((ROOT / "web/package-lock.json").read_text())["packages"]
    asked = {each["engines"]["node"] for name, each in lock.items() if name and "engines" in each
             and "node" in each["engines"]}  # fmt: skip
    command = ["node", "-e", SEMVER, said, *asked]
    env = {**os.environ, **node.environment()}
    told = subprocess.run(
        command, cwd=ROOT / "web", env=env, capture_output=True, text=True, check=True
    )
    assert node.accepts(f"v{said}", node.engines()) == (told.stdout.strip() == "true")


@pytest.mark.parametrize("name", ["base", "dev", "node"])
def test_every_requirement_is_pinned(name):
    lines = (ROOT / f"requirements/{name}.in").read_text().splitlines()
    loose = [each for each in lines if each and each[0] not in "#-" and "==" not in each]
    assert loose == []


def test_every_front_end_package_is_pinned():
    asked = {**PACKAGE["dependencies"], **PACKAGE["devDependencies"]}
    assert [name for name, version in asked.items() if not version[0].isdigit()] == []
