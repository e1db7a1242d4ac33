"""The rules of the house that a machine can check."""

import ast
import dataclasses
import importlib
import json
import os
import re
from pathlib import Path

import pytest

from ops.node import run_npm

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


def test_no_circles_among_the_files_of_the_front_end():
    source = ROOT / "web" / "src"
    files = {p.resolve() for ending in ("ts", "tsx") for p in source.rglob(f"*.{ending}")}

    def imported(path):
        for target in re.findall(r'(?:from|import\()\s*"(\.[^"]+)"', path.read_text()):
            base = (path.parent / target).resolve()
            yield from (p for p in (Path(f"{base}.ts"), Path(f"{base}.tsx")) if p in files)

    seen, path = set(), []

    def walk(file):
        assert file not in path, " > ".join(str(p.relative_to(source)) for p in [*path, file])
        if file not in seen:
            seen.add(file)
            path.append(file)
            for each in imported(file):
                walk(each)
            path.pop()

    for file in sorted(files):
        walk(file)


def test_generated_types_are_those_of_the_schema(tmp_path):
    from server.api import api

    kept = json.loads((ROOT / "web/src/api/openapi.json").read_text())
    now = json.loads(json.dumps(api.get_openapi_schema(), default=str))
    assert kept == now, "run: ./keen api"
    made = tmp_path / "schema.ts"
    words = ("exec", "--", "openapi-typescript", "src/api/openapi.json", "-o", str(made))
    run_npm(*words, what="writing the types")
    assert made.read_text() == (ROOT / "web/src/api/schema.gen.ts").read_text(), "run: ./keen api"


def test_the_browsers_limits_are_those_of_the_schema():
    from server.replies.inputs import inputs_json

    schema = json.loads((ROOT / "web/src/api/openapi.json").read_text())
    kept = (ROOT / "web/src/api/inputs.gen.json").read_text()
    assert kept == inputs_json(schema), "run: ./keen api"


def test_the_browsers_table_of_kinds_is_the_cores():
    from core.events.export import kinds_json

    assert (ROOT / "web/src/api/kinds.gen.json").read_text() == kinds_json(), "run: ./keen api"


CITED = set(re.findall(r"@\w+\{([\w-]+),", (ROOT / "docs/sources.bib").read_text()))
TABLES = [p for p in CORE if p.parent.name == "data" and p.name != "__init__.py"]


def rows_of(value):
    """Every row that has a source, however deep in dicts and tuples."""
    if dataclasses.is_dataclass(value) and not isinstance(value, type):
        yield value
        value = [getattr(value, field.name) for field in dataclasses.fields(value)]
    if isinstance(value, dict):
        value = list(value.values())
    if isinstance(value, (list, tuple)):
        for each in value:
            yield from rows_of(each)


def is_number(value):
    if isinstance(value, dict):
        value = list(value.values())
    if isinstance(value, (list, tuple)):
        return any(map(is_number, value))
    return isinstance(value, (int, float)) and not isinstance(value, bool)


def said_after(tree):
    """Yield (name, docstring that follows) of the public names a table binds."""
    for node, after in zip(tree.body, [*tree.body[1:], None], strict=True):
        target = node.targets[0] if isinstance(node, ast.Assign) else getattr(node, "target", None)
        if not isinstance(target, ast.Name) or target.id.startswith("_"):
            continue
        text = after.value if isinstance(after, ast.Expr) else None
        yield target.id, text.value if isinstance(text, ast.Constant) else ""


@pytest.mark.parametrize("path", TABLES, ids=lambda p: p.stem)
def test_every_row_and_number_of_a_table_has_its_source(path):
    module = importlib.import_module(f"core.data.{path.stem}")
    for name, said in said_after(ast.parse(path.read_text())):
        value = getattr(module, name)
        sourced = [row for row in rows_of(value) if hasattr(row, "source")]
        for row in sourced:
            assert row.source in CITED, (name, row)
        if is_number(value) and not sourced:
            assert set(re.findall(r"``([\w-]+)``", said)) & CITED, f"{path.name}: {name}"


def public_functions(path):
    """Yield (name, node, class) of what other modules may call."""

    def walk(body, owner):
        for node in body:
            if isinstance(node, ast.ClassDef) and not node.name.startswith("_"):
                yield from walk(node.body, node)
            elif isinstance(node, ast.FunctionDef) and not node.name.startswith("_"):
                yield node, owner

    return walk(ast.parse(path.read_text()).body, None)


def lacks(node):
    """Return the sections that a function's docstring needs and does not have."""
    told = ast.get_docstring(node) or ""
    takes = [a.arg for a in node.args.args + node.args.kwonlyargs if a.arg not in ("self", "cls")]
    gives = node.returns is not None and ast.unparse(node.returns) != "None"
    raised = [ast.unparse(n.exc) for n in ast.walk(node) if isinstance(n, ast.Raise) and n.exc]
    needs = {
        "Parameters": bool(takes),
        "Returns": bool(takes) and gives,
        "Raises": any("AssertionError" not in each for each in raised),
    }
    return [name for name, asked in needs.items() if asked and f"\n{name}\n---" not in told]


def is_kept_elsewhere(node, owner):
    """Tell a method whose contract is its base's, or a protocol's."""
    bases = [ast.unparse(base) for base in owner.bases] if owner else []
    return bool({"Protocol", "Payload", "Wanted"} & {base.split(", ")[-1] for base in bases})


@pytest.mark.parametrize("path", CORE, ids=lambda p: str(p.relative_to(ROOT / "core")))
def test_every_public_function_of_the_core_says_what_it_takes_gives_and_raises(path):
    missing = {
        node.name: lack
        for node, owner in public_functions(path)
        if not is_kept_elsewhere(node, owner) and (lack := lacks(node))
    }
    assert not missing
    for node, _ in public_functions(path):
        sources = re.findall(r"Source: ``([\w-]+)``", ast.get_docstring(node) or "")
        assert set(sources) <= CITED, node.name


ENDINGS = ("_c", "_g_per_l", "_cm2", "_um", "_mm", "_um_per_min", "seconds", "minutes", "lstar")


def shapes():
    """Every input shape of a calculator, and the shapes within."""
    from core.calculators import REGISTRY
    from core.faults import _models

    found, waiting = {}, [calculator.input for calculator in REGISTRY.values()]
    while waiting:
        shape = waiting.pop()
        if shape.__name__ not in found:
            found[shape.__name__] = shape
            waiting += [m for f in shape.model_fields.values() for m in _models(f.annotation)]
    return found


@pytest.mark.parametrize("name", shapes())
def test_a_field_with_a_unit_in_its_name_has_it_in_its_metadata(name):
    from core.faults import place_of

    shape = shapes()[name]
    for field, info in shape.model_fields.items():
        numeric = "float" in str(info.annotation)
        if numeric and field.endswith(ENDINGS) and "spread" not in field:
            assert place_of(shape, (field,))[1], f"{name}.{field}"


def test_no_registry_host_or_machine_path_is_committed():
    hosts = ("pypi" + ".org", "npmjs" + ".org", "python" + "hosted", "/wo" + "rk/")
    made = {line.rstrip("/") for line in (ROOT / ".gitignore").read_text().splitlines()} | {".git"}
    for folder, folders, names in os.walk(ROOT):
        folders[:] = [each for each in folders if each not in made and each != "dist"]
        for path in (Path(folder) / name for name in names):
            if path.suffix in {".py", ".txt", ".json", ".ts", ".tsx", ".md", ".toml", ".in"}:
                text = path.read_text(errors="replace")
                assert not any(host in text for host in hosts), path


WEB = ROOT / "web" / "src"
PARTS = [p for p in WEB.rglob("*.tsx") if not p.name.endswith(".test.tsx")]
MOST_OWN_CSS = 400
LONGEST_COMPONENT = 120
COLOUR = re.compile(r"#[0-9a-fA-F]{3,8}\b|\brgba?\(|\bhsla?\(")


def test_own_styles_stay_few():
    lines = sum(len(path.read_text().splitlines()) for path in WEB.rglob("*.css"))
    assert lines <= MOST_OWN_CSS


def test_every_colour_is_named_once_in_the_theme():
    theme = WEB / "styles" / "theme.css"
    named = re.findall(r": (#[0-9a-f]+);", theme.read_text())
    assert len(named) == len(set(named))
    elsewhere = [p for p in (*PARTS, *WEB.rglob("*.css")) if p != theme]
    found = [
        p.name for p in elsewhere if COLOUR.search(re.sub(r"url\(#|#\{|`#", "", p.read_text()))
    ]
    assert not found


def test_inline_styles_are_computed():
    """A style of constants alone is a class."""
    written = {p: re.findall(r"style=\{\{(.*?)\}\}", p.read_text(), re.S) for p in PARTS}
    constant = [
        (path.name, style)
        for path, styles in written.items()
        for style in styles
        if not re.search(r"\$\{|[a-z]\w*\.[a-z]", style)
    ]
    assert not constant


def test_no_component_outgrows_its_screen():
    long = {}
    for path in PARTS:
        for part in re.split(r"(?m)^(?=(?:export )?(?:function|const) [A-Z])", path.read_text()):
            length = len(part.split("\n}")[0].splitlines())
            if re.match(r"(?:export )?(?:function|const) [A-Z]", part):
                long[f"{path.name} {part.split('(')[0]}"] = length
    assert max(long.values()) <= LONGEST_COMPONENT, max(long, key=lambda name: long[name])


def test_the_front_end_is_tested_by_a_quarter_of_its_lines():
    """A guide that only shows when it is missed; browser flows count."""
    told = [*WEB.rglob("*.ts"), *WEB.rglob("*.tsx")]
    tests = [p for p in told if ".test" in p.name or p.parent.name == "testing"]
    code = [p for p in told if p not in tests and ".gen." not in p.name]
    flows = [*(ROOT / "tests" / "browser").glob("*.py")]
    lines = lambda paths: sum(len(p.read_text().splitlines()) for p in paths)  # noqa: E731
    assert lines([*tests, *flows]) >= 0.25 * lines(code)
