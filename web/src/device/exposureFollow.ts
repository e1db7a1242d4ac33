import type { ExposureSheet, ExposureStands, ExposureState } from "../api/exposures";
import kinds from "../api/kinds.gen.json";

/**
 * How an exposure stands against its sheet, by the same rules as the core's
 * `core/polymer/exposure_follow.py`. `tests/golden` is replayed through both.
 */

type Plan = ExposureSheet["stages"][number];
type Stage = ExposureStands["stages"][number];
type Given = Map<string, number>;

const idOf = ({ stage, step }: { stage: string; step: number }) => `${stage} ${step}`;

export function followExposure(sheet: ExposureSheet, state: ExposureState): ExposureStands {
  const given = givenIn(state);
  const stages = sheet.stages.map((plan) => stands(plan, sheet, state, given));
  const next = nextOf(sheet, state, stages);
  const [plan, stage] = next === null ? [null, null] : [sheet.stages[next], stages[next]];
  const lasts = plan && stage ? lastsFor(plan, stage) : 0;
  const now = underWay(state);
  const rays = new Set(sheet.stages.filter((p) => p.pace === "rays").map(idOf));
  return {
    stages,
    next,
    next_seconds: lasts,
    due_seconds: now && next !== null ? now.at_seconds + lasts : null,
    lamp_seconds: [...given].reduce((sum, [id, s]) => sum + (rays.has(id) ? s : 0), 0),
  };
}

export const underWay = (state: ExposureState) =>
  state.spans.find((span) => span.ended_seconds === null) ?? null;

/** What each stage was given in all, of what is over. */
function givenIn(state: ExposureState): Given {
  const given: Given = new Map();
  for (const span of state.spans)
    if (span.ended_seconds !== null) {
      const id = idOf(span);
      given.set(id, (given.get(id) ?? 0) + span.ended_seconds - span.at_seconds);
    }
  return given;
}

function stands(plan: Plan, sheet: ExposureSheet, state: ExposureState, given: Given): Stage {
  const planned = plannedFor(plan, sheet, state, given);
  const had = given.get(idOf(plan)) ?? 0;
  const how = stateOf(plan, state, given);
  const said =
    how === "done"
      ? plan.outcomes.find((o) => o.up_to_share === null || had / planned <= o.up_to_share)
      : undefined;
  return {
    stage: plan.stage,
    step: plan.step,
    state: how,
    planned_seconds: planned,
    given_seconds: had,
    code: said?.code ?? null,
    text: said?.text ?? "",
  };
}

function plannedFor(plan: Plan, sheet: ExposureSheet, state: ExposureState, given: Given): number {
  if (plan.by_celsius.length > 0) return between(plan.by_celsius, state.water_c ?? sheet.water_c);
  const screen = screenStands(sheet, state, given);
  return plan.by_screen.length > 0 && screen !== null
    ? between(plan.by_screen, screen)
    : plan.seconds;
}

/** What the screen had, once it has what it will get: enough, left so, or the image came after. */
function screenStands(sheet: ExposureSheet, state: ExposureState, given: Given): number | null {
  const plan = sheet.stages.find((each) => idOf(each) === "screen 1");
  const had = given.get("screen 1");
  if (had === undefined || !plan) return null;
  const after = state.spans.some((span) => span.stage === "image");
  const enough = had >= kinds.short_share * plan.seconds;
  return after || enough || isPassed(plan, state) ? had : null;
}

/** Between two rows of a table; beyond its ends as at them. */
function between(table: [number, number][], at: number): number {
  const after = table.findIndex(([x]) => x > at);
  if (after === -1) return table.at(-1)?.[1] ?? 0;
  const [high, low] = [table[after], table[after - 1]];
  if (!high || !low) return high?.[1] ?? 0;
  return low[1] + ((high[1] - low[1]) / (high[0] - low[0])) * (at - low[0]);
}

function stateOf(plan: Plan, state: ExposureState, given: Given): Stage["state"] {
  const now = underWay(state);
  if (now && idOf(now) === idOf(plan)) return "under-way";
  if (given.has(idOf(plan))) return "done";
  return isPassed(plan, state) ? "passed" : "todo";
}

const isPassed = (plan: Plan, state: ExposureState) =>
  state.passed.some(([stage, step]) => idOf({ stage, step }) === idOf(plan));

function nextOf(sheet: ExposureSheet, state: ExposureState, stages: Stage[]): number | null {
  const ids = sheet.stages.map(idOf);
  const now = underWay(state);
  if (now) return ids.includes(idOf(now)) ? ids.indexOf(idOf(now)) : null;
  const last = state.spans.map((span) => ids.indexOf(idOf(span))).findLast((at) => at >= 0) ?? 0;
  const found = sheet.stages.findIndex(
    (plan, i) => i >= last && wants(plan, stages[i] as Stage, state),
  );
  return found === -1 ? null : found;
}

function wants(plan: Plan, stage: Stage, state: ExposureState): boolean {
  if (stage.state !== "done") return stage.state === "todo";
  if (isPassed(plan, state)) return false;
  return isShort(plan, stage) || (notRight(plan, state) && plan.again_seconds > 0);
}

const isShort = (plan: Plan, stage: Stage) =>
  plan.pace === "rays" && stage.given_seconds / stage.planned_seconds < kinds.short_share;

const notRight = (plan: Plan, state: ExposureState) =>
  state.checks.some((made) => !made.fine && plan.checks.some((each) => each.check === made.check));

/** From its beginning on: all of it, the rest, or once more. */
function lastsFor(plan: Plan, stage: Stage): number {
  const left = stage.planned_seconds - stage.given_seconds;
  if (stage.given_seconds === 0 || (plan.pace === "rays" && left > 0)) return Math.max(left, 1);
  return Math.max(left, plan.again_seconds, 1);
}
