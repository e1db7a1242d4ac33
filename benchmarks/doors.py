"""Processor time of the command line over that of bare Python: ``python benchmarks/doors.py``."""

import resource
import subprocess
import sys

TIMES = 7
BEVEL = b'{"material":"copper","thickness_mm":1.2,"width_mm":200,"height_mm":150}'


def cost(command, given=b""):
    """The least processor time [s] of a command and its children."""
    found = []
    for _ in range(TIMES):
        before = resource.getrusage(resource.RUSAGE_CHILDREN)
        subprocess.run(command, input=given, capture_output=True, check=False)
        after = resource.getrusage(resource.RUSAGE_CHILDREN)
        found.append(after.ru_utime + after.ru_stime - before.ru_utime - before.ru_stime)
    return min(found)


def main():
    bare = cost([sys.executable, "-c", "pass"])
    for name, command, given in (
        ("calc --list", ["./keen", "calc", "--list"], b""),
        ("calc bevel", ["./keen", "calc", "bevel"], BEVEL),
        ("calc bevel --schema", ["./keen", "calc", "bevel", "--schema"], b""),
    ):
        took = cost(command, given)
        print(f"{name}: {took / bare:.1f} times bare Python, {took:.2f} s")


if __name__ == "__main__":
    main()
