import type { Run } from "../api/runs";
import type { Waiting } from "./waiting";

/** What an older version left in this device's store, as this one reads it. */

/** An event as it waited before events had subjects: it belonged to a run. */
export type StoredOnce = Omit<Waiting, "subject"> & { run: string };

export function waitingAsNow(stored: Waiting | StoredOnce): Waiting {
  if ("subject" in stored) return stored;
  const { run, ...rest } = stored;
  return { ...rest, subject: { kind: "run", id: run } };
}

type OldArea = Run["sheet"]["areas"][number] & {
  depth_um?: number[] | null;
  depth_um_low?: number[];
  depth_um_high?: number[];
  wanted_depth_um?: number | null;
};

/** A run as it was last seen, with what was not said yet when it was kept. */
export function runAsNow(run: Run): Run {
  const kept = withOpening(run.sheet.goal ? run : withGoal(run));
  return { ...NOT_SAID, ...kept };
}

/** Before runs were set aside none went on from another; nobody said how a plate lay. */
const NOT_SAID = {
  outcome: "",
  reason: "",
  bites_before: 0,
  closed_before: [] as string[],
  strip: null,
  facing: null,
  sediment: "",
  usual_rinse: null,
  heat: null,
  map: null,
};

/** Before areas were opened at the tray there were no words for it. */
function withOpening(run: Run): Run {
  const { hands } = run.process;
  const words = wordsOf(run.part === "lines").hands.opening;
  return hands.opening
    ? run
    : { ...run, process: { ...run.process, hands: { ...hands, opening: words } } };
}

/** Before processes were rows a sheet knew tones and depths apart. */
function withGoal(run: Run): Run {
  const areas: OldArea[] = run.sheet.areas;
  const lines = areas.some((area) => area.depth_um);
  return {
    ...run,
    process: wordsOf(lines),
    care: careOf(run.care),
    bath_line: run.bath_line ?? [],
    events: run.events.map((event) => ({ ...event, device: event.device ?? "", sequence: 0 })),
    sheet: { ...run.sheet, goal: wordsOf(lines).goal, areas: areas.map(areaAsNow) },
  };
}

function areaAsNow(area: OldArea): Run["sheet"]["areas"][number] {
  return {
    ...area,
    wanted: area.depth_um ? (area.wanted_depth_um ?? null) : area.wanted_lstar,
    goal: area.depth_um
      ? {
          value: area.depth_um,
          low: area.depth_um_low ?? area.depth_um,
          high: area.depth_um_high ?? area.depth_um,
        }
      : { value: area.lstar, low: area.lstar_low, high: area.lstar_high },
  };
}

function careOf(care: unknown): Run["care"] {
  const feather = care === "feather";
  return {
    verb: feather ? "Feather" : "Rock",
    done: feather ? "Feathered" : "Rocked",
    event: feather ? "feathered" : "rocked",
    mark: feather ? "feather" : "rock",
    every_seconds: null,
  };
}

function wordsOf(lines: boolean): Run["process"] {
  return {
    key: lines ? "lines" : "tones",
    title: lines ? "Lines" : "Tones",
    many: lines ? "the lines" : "the tones",
    area: lines ? "group of lines" : "area",
    against: lines ? "20 °C, fresh" : "the strip",
    goal: lines
      ? { kind: "depth", sign: "", unit: "µm", digits: 0 }
      : { kind: "tone", sign: "L*", unit: "", digits: 0 },
    hands: {
      dip: "Dip",
      lift: "Lift",
      wet: "In the bath",
      dry: "Out of the bath",
      at_zero: "lift, rinse, dry.",
      closing: "stop-out",
      opening: { verb: "Open", done: "Opened", how: "", closed: "covered for now", covers: !lines },
      follow: "Then stop out",
      ready: "Dip when the varnish is dry to the touch.",
      finish: "Then wash, and strip the ground.",
    },
  };
}
