"""Let a proof move the curve that its plate's next bites are planned by, where it may."""

from __future__ import annotations

from typing import Any

from core.kinetics.shapes import LONGEST_SECONDS
from server.accounts.models import User
from server.plans.actions.decide import sheet_of
from server.plans.learned import MOST_READINGS, digest, is_of, learn
from server.plans.models import Plan
from server.proofs.actions.first_tones import first_tones
from server.proofs.actions.meant import TONAL
from server.proofs.actions.next import next_for
from server.proofs.models import Proof
from server.proofs.roman import roman
from server.record.actions.write import write
from server.runs.actions.state import decided_for, last_of, run_state
from server.runs.models import Run
from server.shopbook.printed import apart
from server.strips.models import Strip

SAME_SHIFT_LSTAR = 2.0
"""Two pulls of one state that stray alike by this did not stray by chance: it is the plate."""
HARDLY_LSTAR = 1.0


def learn_from(user: User, proof: Proof) -> None:
    """Move the curves of the plans whose bites a proof shows, and keep what it did or why not.

    Only where paper, ink and wipe are the strip's, the pull itself did not stray, and nothing was
    done by hand between bites and proof. The strip keeps its own curve; the record tells of both.
    """
    told = [each for plan in _plans(proof) if (each := _of_plan(user, proof, plan)) is not None]
    if not told:
        return
    proof.learned = {
        "text": " ".join(dict.fromkeys(each["text"] for each in told)),
        "plans": [each["plan"] for each in told if "plan" in each],
    }
    proof.save(update_fields=["learned"])


def learn_again(user: User, proof: Proof) -> None:
    """Take what a proof said out of its plate's curves, and let it say what it says now.

    Where the plate was bitten on since, a reading that stays is corrected in its place: its bites
    cannot be told apart any more.
    """
    for plan in Plan.objects.filter(plate=proof.plate, superseded=False, learned__isnull=False):
        _correct(plan, proof)
    proof.learned = None
    proof.save(update_fields=["learned"])
    learn_from(user, proof)


def _correct(plan: Plan, proof: Proof) -> None:
    learned, run = plan.learned or {}, last_of(plan)
    stood = learned["readings"]
    if plan.strip is None or all(each["proof"] != str(proof.id) for each in stood):
        return
    again = run is not None and run.id == proof.run_id
    readings = [
        kept for each in stood if (kept := _corrected(each, proof, again=again)) is not None
    ]
    # over another strip now, the others' readings wait until theirs is chosen again
    plan.learned = {**learned, "of": "", "readings": readings} if readings else None
    if readings and is_of(learned, plan.strip):
        curve = plan.strip.curve or {}
        moved = learn(curve, readings).curve.model_dump(mode="json")
        plan.learned = {**learned, "of": digest(curve), "curve": moved, "readings": readings}
    plan.version += 1
    plan.save()


def _corrected(reading: dict[str, Any], proof: Proof, *, again: bool) -> dict[str, Any] | None:
    """Return a stored reading as it counts now; None where it is gone, or is read again."""
    if reading["proof"] != str(proof.id):
        return reading
    now = {tone["area"]: tone for tone in proof.tones}.get(reading["name"])
    if again or now is None:
        return None
    return {**reading, "lstar": now["read_lstar"], "spread": now.get("spread")}


def _plans(proof: Proof) -> list[Plan]:
    """Return the plans of tones that are bitten by a strip's curve, with readings of theirs."""
    found = Plan.objects.filter(plate=proof.plate, part__in=TONAL, superseded=False)
    read = {tone["area"] for tone in proof.tones}
    return [
        plan
        for plan in found.select_related("strip", "plate")
        if plan.strip and plan.strip.curve and read & {area["name"] for area in plan.areas}
    ]


def _of_plan(user: User, proof: Proof, plan: Plan) -> dict[str, Any] | None:
    """Return what a proof did to one plan's curve; None where its bites were not the last."""
    run, strip = last_of(plan), plan.strip
    if run is None or strip is None or run.id != proof.run_id:
        return None
    readings = _readings(proof, run)
    if not readings:
        return None
    why = _why_not(proof, plan, run, strip)
    if why:
        return {"text": f"Not taken into the curve: {why}."}
    return _moved(user, proof, plan, strip, readings)


def _readings(proof: Proof, run: Run) -> list[dict[str, Any]]:
    """Return how long each area that was read has bitten, and its tone."""
    sheet = sheet_of(run.part, decided_for(run, run_state(run).done))
    reached = {area.name: area.reached_reference_seconds for area in sheet.areas}
    return [
        {
            "proof": str(proof.id),
            "name": tone["area"],
            "reference_seconds": reached[tone["area"]],
            "lstar": tone["read_lstar"],
            "spread": tone.get("spread"),
        }
        for tone in proof.tones
        if reached.get(tone["area"], LONGEST_SECONDS + 1) <= LONGEST_SECONDS
    ]


def _why_not(proof: Proof, plan: Plan, run: Run, strip: Strip) -> str:
    """Return why a reading says nothing of the curve; empty where it does."""
    if run.strip_id != strip.id:
        return f"it was bitten by another strip than {strip.name}"
    differ = apart(proof, strip)
    unsaid = [kind for kind in differ if getattr(strip, f"{kind}_id") is None]
    if unsaid:
        return f"{strip.name} does not say its {_listed(unsaid)}"
    if differ:
        return f"printed with another {_listed(differ)} than {strip.name}"
    if _by_hand_since(proof):
        return "something was done to the plate by hand since its last bite"
    if first_tones(plan.plate, plan.part, before=run):
        return "it lies over an earlier grain"
    if _strayed(proof) and not _strays_again(proof):
        return "the pull itself strayed. Pull again: where that reads the same, it is the plate"
    return ""


def _listed(kinds: list[str]) -> str:
    return kinds[0] if len(kinds) == 1 else f"{', '.join(kinds[:-1])} and {kinds[-1]}"


def _by_hand_since(proof: Proof) -> bool:
    """Tell whether a state lies between the last bites and this proof: it was no bite that made it.

    Its bites' own first state, pulled once or again, shows them as they are.
    """
    first = Proof.objects.filter(plate=proof.plate, run=proof.run).order_by("state_number").first()
    return first is not None and first.state_number < proof.state_number


def _strayed(proof: Proof) -> float:
    """Return by how much the whole pull strayed [L*]; 0 where the printing is not at fault."""
    told = next_for(proof)
    return told.shift_lstar if told and told.cause in ("printing", "both") else 0.0


def _strays_again(proof: Proof) -> bool:
    """Tell whether an earlier pull of this state, printed alike, strayed by the same."""
    others = Proof.objects.filter(plate=proof.plate, state_number=proof.state_number)
    alike = [other for other in others.exclude(id=proof.id) if not apart(proof, other)]
    shift = _strayed(proof)
    return any(abs(_strayed(other) - shift) <= SAME_SHIFT_LSTAR for other in alike if other.tones)


def _moved(
    user: User, proof: Proof, plan: Plan, strip: Strip, readings: list[dict[str, Any]]
) -> dict[str, Any]:
    """Move a plan's curve by all that was read of its bites, and tell of it."""
    curve = strip.curve or {}
    old = plan.learned["readings"] if plan.learned and is_of(plan.learned, strip) else []
    every = [*old, *readings][-MOST_READINGS:]
    answer = learn(curve, every)
    plan.learned = {
        "used": True,
        "strip": str(strip.id),
        "of": digest(curve),
        "curve": answer.curve.model_dump(mode="json"),
        "readings": every,
        "proof": str(proof.id),
        "state": proof.state_number,
    }
    plan.version += 1
    plan.save()
    areas = [
        {
            "name": reading["name"], "read_lstar": reading["lstar"],
            "before_lstar": area.before_lstar, "after_lstar": area.after_lstar,
            "left_out": area.left_out,
        }
        for reading, area in zip(every, answer.readings, strict=True)
        if reading["proof"] == str(proof.id)
    ]  # fmt: skip
    text = _text(strip, areas)
    write(
        proof.room, user, "plan", f"State {roman(proof.state_number)}: {text}", plate=plan.plate,
        at=proof.pulled_at, data={"part": plan.part, "strip": str(strip.id), "readings": every},
    )  # fmt: skip
    return {"text": text, "plan": {"part": plan.part, "strip": strip.name, "areas": areas}}


def _text(strip: Strip, areas: list[dict[str, Any]]) -> str:
    """Return what moved most, and what strays alone."""
    most = max(areas, key=lambda area: abs(area["after_lstar"] - area["before_lstar"]))
    moved = most["after_lstar"] - most["before_lstar"]
    stray = _stray([area["name"] for area in areas if area["left_out"]])
    if abs(moved) < HARDLY_LSTAR:
        return f"The plate prints as {strip.name} said, within 1 L*.{stray}"
    way = "lighter" if moved > 0 else "darker"
    return (
        f"The next bites are planned by this reading: {most['name']} prints {abs(moved):.0f} L* "
        f"{way} than {strip.name} said.{stray} The strip keeps its own curve."
    )


def _stray(names: list[str]) -> str:
    if not names:
        return ""
    verb, own = ("strays", "its") if len(names) == 1 else ("stray", "their")
    return f" {_listed(names)} {verb} by {own} own fault: not taken in."
