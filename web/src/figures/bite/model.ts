import type { Shapes } from "../../api/client";

/** The bite section as numbers: what each area was and will be bitten to, and by which bite. */

export type Phase = "done" | "now" | "planned";

export type Segment = {
  bite: number;
  phase: Phase;
  /** Reference seconds at its top and floor. */
  from: number;
  to: number;
  /** The tone that prints if bitten to its floor. */
  lstar: number;
};

export type Column = {
  name: string;
  parts: string;
  share: number;
  /** What it is wanted at, expected at and its band, in the goal of the process. */
  wanted: number | null;
  expected: number;
  low: number;
  high: number;
  /** How light it prints, or looks, at the end. */
  lstar: number;
  /** For a group of lines: how wide it is at the end. */
  width: number | null;
  segments: Segment[];
  closed: boolean;
};

export type BiteRow = {
  number: number;
  phase: Phase;
  /** By the clock. */
  seconds: number;
  planned: number | null;
  /** Reference seconds of the deepest area at its start and end. */
  from: number;
  to: number;
};

export type Section = {
  columns: Column[];
  bites: BiteRow[];
  deepest: number;
  goal: Sheet["goal"];
  /** Areas that are done get their varnish; pools are only left alone. */
  capped: boolean;
};

type Area = { name: string; parts?: string; open_cm2: number };
type Sheet = Shapes["RunSheet"];
type Plan = Sheet["plan"];

/** How areas end: by varnish; or open to the last, where they are opened in turn, or left alone. */
export const endOf = (plan: {
  method: Shapes["PlanOut"]["method"];
  process: Shapes["ProcessWords"];
}): Shapes["Hands"]["closing"] =>
  plan.method === "open-up" ? "leave" : plan.process.hands.closing;

export function biteSection(
  areas: Area[],
  sheet: Sheet,
  inBath: boolean,
  closing: Shapes["Hands"]["closing"] = "stop-out",
): Section {
  const { plan, goal } = sheet;
  const surface = areas.reduce((sum, area) => sum + area.open_cm2, 0) || 1;
  const all = [
    ...plan.done.map((bite) => ({ bite, phase: "done" as Phase })),
    ...plan.bites.map((bite, i) => ({
      bite,
      phase: (inBath && i === 0 ? "now" : "planned") as Phase,
    })),
  ];
  const columns = areas.map((area) => column(area, area.open_cm2 / surface, all, sheet));
  const bites = rows(all);
  const deepest = Math.max(1, ...bites.map((bite) => bite.to));
  return { columns, bites, deepest, goal, capped: closing === "stop-out" };
}

type Told = { bite: Plan["bites"][number]; phase: Phase };

function column(area: Area, share: number, all: Told[], sheet: Sheet): Column {
  const { plan } = sheet;
  let depth = 0;
  const segments: Segment[] = [];
  for (const { bite, phase } of all) {
    const mine = bite.areas.find((each) => each.name === area.name);
    if (!mine) continue;
    const { reference_seconds: to, lstar } = mine;
    segments.push({ bite: bite.number, phase, from: depth, to, lstar });
    depth = to;
  }
  const end = plan.areas.find((each) => each.name === area.name);
  const lastOpen = all.findLast((told) => told.bite.areas.some((a) => a.name === area.name));
  const later = all.some(
    (t) => lastOpen && t.bite.number > lastOpen.bite.number && t.phase === "done",
  );
  return {
    name: area.name,
    parts: area.parts ?? "",
    share,
    wanted: sheet.areas.find((each) => each.name === area.name)?.wanted ?? null,
    expected: end?.goal.value ?? plan.lightest_lstar,
    low: end?.goal.low ?? plan.lightest_lstar,
    high: end?.goal.high ?? plan.lightest_lstar,
    lstar: end?.lstar ?? plan.lightest_lstar,
    width: end?.lines?.width_um ?? null,
    segments,
    closed: lastOpen ? lastOpen.phase === "done" && (later || !stillOpen(area.name, all)) : true,
  };
}

function stillOpen(name: string, all: Told[]): boolean {
  return all.some((told) => told.phase !== "done" && told.bite.areas.some((a) => a.name === name));
}

function rows(all: Told[]): BiteRow[] {
  let from = 0;
  return all.map(({ bite, phase }) => {
    const to = Math.max(from, ...bite.areas.map((area) => area.reference_seconds));
    const row = { number: bite.number, phase, seconds: bite.seconds, planned: null, from, to };
    from = to;
    return row;
  });
}

/** Columns wide by share, none narrower than `least`; the wide ones give way. */
export function columnWidths(shares: number[], width: number, least: number): number[] {
  const floor = Math.min(least, width / Math.max(1, shares.length));
  const wide = shares.map((share) => Math.max(floor, share * width));
  const over = wide.reduce((sum, w) => sum + w, 0) - width;
  const give = wide.reduce((sum, w) => sum + (w - floor), 0);
  return give <= 0 ? wide : wide.map((w) => w - ((w - floor) / give) * over);
}

/** Depth of a time: eased, so that short first bites can be read, or even. */
export function depthOf(seconds: number, deepest: number, height: number, even: boolean): number {
  const share = Math.max(0, seconds) / deepest;
  return height * (even ? share : Math.sqrt(share));
}

export function timeOf(depth: number, deepest: number, height: number, even: boolean): number {
  const share = Math.max(0, depth / height);
  return deepest * (even ? share : share * share);
}

/** Minute ticks that leave room for their numbers. */
export function minuteTicks(deepest: number, height: number, even: boolean): number[] {
  const ticks: number[] = [];
  const candidates = [
    ...(deepest < 150 ? [0.5] : []),
    1,
    2,
    3,
    4,
    5,
    6,
    8,
    10,
    12,
    15,
    20,
    25,
    30,
    40,
    50,
    60,
    90,
    120,
  ];
  for (const minute of candidates.filter((m) => m * 60 <= deepest)) {
    const last = ticks.at(-1) ?? 0;
    const gap =
      depthOf(minute * 60, deepest, height, even) - depthOf(last * 60, deepest, height, even);
    if (gap >= 17) ticks.push(minute);
  }
  return ticks;
}
