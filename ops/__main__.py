"""The one command: ./keen."""

from __future__ import annotations

import argparse
import os
import signal
import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path

from ops import archive, build, checks, doctor, lan, node, packages, postgres, serve
from ops.place import DATA, PYTHON, ROOT, Stop, make_data_folder, run, say

DEMO_SIGN_IN, DEMO_PASSWORD = "keeper@lantern-quay", "lantern-quay"


def _manage(*arguments: str, what: str) -> None:
    run([PYTHON, "server/manage.py", *arguments], what=what, env=serve.environment(), private=True)


def _set_up(*, dev: bool) -> None:
    make_data_folder()
    packages.install_missing(browser=dev)
    build.python_environment(dev=dev)


def _migrate() -> None:
    if _migrations_digest_known():
        return
    say("bringing the database up to date")
    _manage("migrate", "--no-input", what="migrate")
    (DATA / "migrated").write_text(_migrations_digest())


def _migrations_digest() -> str:
    names = sorted(str(p.relative_to(ROOT)) for p in ROOT.glob("server/*/migrations/*.py"))
    return "\n".join(names) + postgres.cluster().folder.as_posix()


def _migrations_digest_known() -> bool:
    kept = DATA / "migrated"
    return kept.exists() and kept.read_text() == _migrations_digest()


def start(given: argparse.Namespace) -> int:
    """Set up what is missing, then serve."""
    _set_up(dev=False)
    serve.forget_stale()
    if serve.serving():
        if serve.whole():
            raise Stop("It runs already. Stop it first: ./keen stop")
        say("a part of it ended; starting all of it again")
        serve.stop()
    doors = [serve.Door("127.0.0.1", given.port, secure=False)]
    if given.lan:
        doors.append(serve.Door(lan.address(), given.port + 443, secure=True))
    for door in doors:
        serve.check_port(door)
    build.front_end()
    say("starting the database")
    postgres.start()
    _migrate()
    if not given.no_demo and not (DATA / "demo-loaded").exists():
        say("loading the demo print room")
        _manage("demo", "--if-empty", what="loading the demo")
        (DATA / "demo-loaded").write_text("")
    say("starting the web server")
    processes = [serve.launch(door) for door in doors]
    worker = serve.launch_worker()
    serve.remember([*processes, worker], doors)
    try:
        for door, process in zip(doors, processes, strict=True):
            serve.wait_for(door, process)
    except Stop:
        serve.stop()
        postgres.stop()
        raise
    _greet(doors, demo=not given.no_demo)
    return 0 if given.detach else _stay(processes)


def _greet(doors: list[serve.Door], *, demo: bool) -> None:
    print(f"Keen Bite is at http://127.0.0.1:{doors[0].port}")
    if demo:
        print(
            f"Demo print room: sign in as {DEMO_SIGN_IN} with {DEMO_PASSWORD} (this machine only)"
        )
    for door in doors[1:]:
        lan.show(f"https://{door.host}:{door.port}")
    sys.stdout.flush()


def _stay(processes: list[subprocess.Popen[bytes]]) -> int:
    """Stay until Ctrl-C, or until the server ends by itself."""

    def end(*_: object) -> None:
        raise KeyboardInterrupt

    signal.signal(signal.SIGTERM, end)
    try:
        while all(process.poll() is None for process in processes):
            time.sleep(0.3)
        say("the web server ended; see .data/log/web.log")
        return 1
    except KeyboardInterrupt:
        say("stopping")
        return 0
    finally:
        serve.stop()
        postgres.stop()


def stop(given: argparse.Namespace) -> int:
    """Stop the server and the database."""
    had = serve.stop()
    postgres.stop()
    say("stopped" if had else "nothing was running")
    return 0


def test(given: argparse.Namespace) -> int:
    """Run all tests."""
    _set_up(dev=True)
    build.node_packages()
    build.front_end()
    postgres.start()
    return checks.test(given.only, deep=given.deep)


def check(given: argparse.Namespace) -> int:
    """Run lint, types and architecture."""
    _set_up(dev=True)
    build.node_packages()
    postgres.start()
    return checks.check()


def api(given: argparse.Namespace) -> int:
    """Write the API's schema and the front end's types anew."""
    _set_up(dev=True)
    build.node_packages()
    postgres.start()
    target = ROOT / "web" / "src" / "api" / "openapi.json"
    command = ["export_openapi_schema", "--api", "server.api.api", "--sorted"]
    _manage(*command, "--output", str(target), what="writing the schema")
    kinds = subprocess.run(
        [str(PYTHON), "-m", "core.events.export"], cwd=ROOT, check=True, capture_output=True,
        stdin=subprocess.DEVNULL,
    ).stdout  # fmt: skip
    target.with_name("kinds.gen.json").write_bytes(kinds)
    inputs = subprocess.run(
        [str(PYTHON), "-m", "server.replies.inputs"], cwd=ROOT, check=True, capture_output=True,
        input=target.read_bytes(), env=serve.environment(),
    ).stdout  # fmt: skip
    target.with_name("inputs.gen.json").write_bytes(inputs)
    node.run_npm("run", "-s", "api", what="writing the types")
    return 0


def calc(given: argparse.Namespace) -> int:
    """Run a calculator; data come from standard input only."""
    make_data_folder()
    if not PYTHON.exists():
        packages.install_missing(browser=False)
    build.python_environment(dev=False)
    os.chdir(os.environ.get("KEEN_CALLED_FROM", ROOT))
    environment = {**os.environ, "PYTHONPATH": str(ROOT)}
    os.execve(PYTHON, [str(PYTHON), "-m", "core.cli", *given.arguments], environment)  # noqa: S606


def demo(given: argparse.Namespace) -> int:
    """Load the demo print room, or rebase its times to now."""
    _set_up(dev=False)
    postgres.start()
    _migrate()
    _manage("demo", *(["--reset"] if given.reset else ["--if-empty"]), what="loading the demo")
    say("the demo print room is fresh" if given.reset else "the demo print room is there")
    return 0


def user(given: argparse.Namespace) -> int:
    """Make a user who keeps a new print room."""
    _set_up(dev=False)
    postgres.start()
    _migrate()
    return subprocess.run(
        [str(PYTHON), "server/manage.py", "adduser", given.sign_in, "--name", given.name,
         "--room", given.room, "--time-zone", given.time_zone],
        cwd=ROOT, env=serve.environment(), check=False,
    ).returncode  # fmt: skip


def backup(given: argparse.Namespace) -> int:
    """Write one archive of database and files."""
    make_data_folder()
    archive.backup(Path(given.file).resolve())
    return 0


def restore(given: argparse.Namespace) -> int:
    """Bring back an archive into an empty data folder."""
    _set_up(dev=False)
    archive.restore(Path(given.file).resolve())
    _migrate()
    (DATA / "demo-loaded").write_text("")
    return 0


def instrument(given: argparse.Namespace) -> int:
    """Run a simulated instrument; without a token one is made for it on this machine."""
    from ops.instruments import __main__ as instruments

    asked = instruments.parser().parse_args(given.arguments)
    if not asked.token:
        _set_up(dev=False)
        postgres.start()
        command = [
            "instrument_token",
            asked.kind,
            "--bath",
            asked.bath,
            "--every",
            str(asked.every),
        ]
        made = subprocess.run(
            [str(PYTHON), "server/manage.py", *command], cwd=ROOT, env=serve.environment(),
            capture_output=True, text=True, stdin=subprocess.DEVNULL, check=False,
        )  # fmt: skip
        if made.returncode:
            raise Stop(made.stderr.strip().removeprefix("CommandError: "))
        asked.token = made.stdout.strip()
    return instruments.run(asked)


def look_over(given: argparse.Namespace) -> int:
    """Say what is wrong, and how to mend it."""
    return doctor.look()


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="./keen", description="Keen Bite's one command.")
    commands = parser.add_subparsers(dest="command", required=True)

    def add(name: str, does: object) -> argparse.ArgumentParser:
        each = commands.add_parser(name, help=(does.__doc__ or "").split("\n")[0])
        each.set_defaults(does=does)
        return each

    begin = add("start", start)
    begin.add_argument("--detach", action="store_true", help="return when it answers")
    begin.add_argument("--port", type=int, default=8000)
    begin.add_argument("--no-demo", action="store_true", help="start with no print room")
    begin.add_argument("--lan", action="store_true", help="also serve HTTPS on the local network")
    add("stop", stop)
    tests = add("test", test)
    tests.add_argument("only", nargs="*", help="core server ops browser web check")
    tests.add_argument("--deep", action="store_true", help="with very many calls made up")
    add("check", check)
    add("api", api)
    add("calc", calc).add_argument("arguments", nargs=argparse.REMAINDER)
    add("demo", demo).add_argument("--reset", action="store_true", help="times as of now")
    people = add("user", user)
    people.add_argument("action", choices=["add"])
    people.add_argument("sign_in")
    people.add_argument("--name", default="Keeper")
    people.add_argument("--room", default="Our print room")
    people.add_argument("--time-zone", default="UTC")
    add("instrument", instrument).add_argument("arguments", nargs=argparse.REMAINDER)
    add("doctor", look_over)
    add("backup", backup).add_argument("file")
    add("restore", restore).add_argument("file")
    return parser


def main() -> int:
    """Run what was asked and return the exit code."""
    if sys.argv[1:2] == ["calc"]:  # its flags are the calculator's own
        return calc(argparse.Namespace(arguments=sys.argv[2:]))
    if sys.argv[1:2] == ["instrument"]:
        return _said(instrument, argparse.Namespace(arguments=sys.argv[2:]))
    arguments = sys.argv[1:] if sys.argv[1:] not in ([], ["help"]) else ["--help"]
    given = _parser().parse_args(arguments)
    return _said(given.does, given)


def _said(does: Callable[[argparse.Namespace], int], given: argparse.Namespace) -> int:
    try:
        return int(does(given))
    except Stop as reason:
        say(str(reason))
        return reason.code
    except KeyboardInterrupt:
        return 130


if __name__ == "__main__":
    sys.exit(main())
