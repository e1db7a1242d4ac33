"""The rules of the house that a machine can check."""

import ast
import json
import re
import subprocess
from pathlib import Path

import pytest

ROOT = Path(__file__).resolve().parent.parent.parent
CORE = sorted((ROOT / "core").rglob("*.py"))
FORBIDDEN = {"datetime", "time", "random", "os", "secrets", "zoneinfo", "django", "server"}
DOORS = {"cli.py"}  # the script door sets its thread count


@pytest.mark.parametrize("path", [p for p in CORE if p.name not in DOORS], ids=str)
def test_core_has_no_clock_random_source_or_environment(path):
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.Import):
            names = [alias.name for alias in node.names]
        elif isinstance(node, ast.ImportFrom):
            names = [node.module or ""]
        else:
            continue
        assert not {name.split(".")[0] for name in names} & FORBIDDEN, ast.unparse(node)


def test_actions_never_import_api():
    for path in (ROOT / "server").glob("*/actions/*.py"):
        assert not re.search(r"^from server\.\w+\.api import", path.read_text(), re.M), path


def test_no_screen_imports_another_screen():
    screens = ROOT / "web" / "src" / "screens"
    for path in screens.rglob("*.tsx"):
        own = path.relative_to(screens).parts[:2]
        for target in re.findall(r'from "(\.[^"]+)"', path.read_text()):
            found = (path.parent / target).resolve()
            if found.is_relative_to(screens.resolve()):
                assert found.relative_to(screens.resolve()).parts[:2] == own, (path, target)


def test_generated_types_are_those_of_the_schema(tmp_path):
    from server.config.api import api

    kept = json.loads((ROOT / "web/src/api/openapi.json").read_text())
    now = json.loads(json.dumps(api.get_openapi_schema(), default=str))
    assert kept == now, "run: ./keen api"
    made = tmp_path / "schema.ts"
    subprocess.run(
        ["npx", "openapi-typescript", "src/api/openapi.json", "-o", str(made)],
        cwd=ROOT / "web", check=True, capture_output=True, stdin=subprocess.DEVNULL,
    )  # fmt: skip
    assert made.read_text() == (ROOT / "web/src/api/schema.gen.ts").read_text(), "run: ./keen api"


def test_every_source_named_in_the_data_is_in_the_bibliography():
    cited = set(re.findall(r"@\w+\{([\w-]+),", (ROOT / "docs/sources.bib").read_text()))
    from core.data.cautions import CAUTIONS
    from core.data.grounds import GROUNDS, TEXTURES, TRANSFERS
    from core.data.mordants import METALS, MORDANTS
    from core.data.repair import REPAIRS
    from core.data.solvents import SOLVENTS
    from core.data.steps import STEPS

    tables = (MORDANTS, METALS, CAUTIONS, STEPS, GROUNDS, TEXTURES, TRANSFERS, SOLVENTS, REPAIRS)
    assert {row.source for table in tables for row in table.values()} <= cited


def test_no_registry_host_or_machine_path_is_committed():
    hosts = ("pypi" + ".org", "npmjs" + ".org", "python" + "hosted", "/wo" + "rk/")
    listed = subprocess.run(
        ["git", "ls-files"], cwd=ROOT, capture_output=True, text=True, check=False
    )
    names = listed.stdout.split()
    for name in names:
        path = ROOT / name
        if path.suffix in {".py", ".txt", ".json", ".ts", ".tsx", ".md", ".toml", ".in"}:
            text = path.read_text(errors="replace")
            assert not any(host in text for host in hosts), name
