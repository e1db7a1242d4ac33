import type { ExposureState } from "../api/exposures";
import kinds from "../api/kinds.gen.json";
import { type Happened, holding, inOrder, type Notice, takenBack } from "./happened";
import { type Span, spans, withoutBounces } from "./spans";

/**
 * Fold the events of an exposure into its state, by the same rules as the core's
 * `core/events/exposure_fold.py`. `tests/golden` is replayed through both.
 */

type Began = Extract<Happened, { kind: "began" }>;
type Checks = ExposureState["checks"];
type StageSpan = ExposureState["spans"][number];

export function foldExposure(events: Happened[]): ExposureState {
  const ordered = inOrder(events);
  const gone = takenBack(ordered);
  const [live, bounced] = withoutBounces(holding(ordered, gone), "began", "ended");
  const { opened, odd } = spans(
    live,
    "began",
    "ended",
    (end) => end.data?.began,
    kinds.most_stages,
  );
  const made = opened.map(spanOf);
  const water = live.flatMap((event) => (event.kind === "water" ? [event.data.celsius] : []));
  return {
    spans: made,
    passed: passedIn(live),
    water_c: water.at(-1) ?? null,
    checks: checksIn(live, made),
    notices: [
      ...ordered.filter((e) => gone.has(e.id)).map((e) => notice(e, "undone")),
      ...bounced.map((e) => notice(e, "pressed-twice")),
      ...odd.map(([event, code]) => notice(event, code)),
    ],
  };
}

const notice = (event: Happened, code: keyof typeof kinds.exposure_notices): Notice => ({
  event: event.id,
  code,
  text: kinds.exposure_notices[code],
});

function spanOf({ event, end }: Span<Began>): StageSpan {
  return {
    event: event.id,
    stage: event.data.stage,
    step: event.data.step ?? 1,
    at_seconds: event.at_seconds,
    ended_seconds: end ? Math.max(event.at_seconds, end.at_seconds) : null,
  };
}

/** Stages that are left as they are, each once, in the order they were said. */
function passedIn(live: Happened[]): ExposureState["passed"] {
  const said = new Map<string, ExposureState["passed"][number]>();
  for (const event of live)
    if (event.kind === "passed") {
      const { stage, step = 1 } = event.data;
      if (!said.has(`${stage} ${step}`)) said.set(`${stage} ${step}`, [stage, step]);
    }
  return [...said.values()];
}

/** The last word on each check since its stage was last begun, in the table's order. */
function checksIn(live: Happened[], made: StageSpan[]): Checks {
  const begun = new Map<string, number>(made.map((span) => [span.stage, span.at_seconds]));
  const last = new Map<string, Checks[number]>();
  for (const event of live)
    if (event.kind === "checked") {
      const { check, fine = true } = event.data;
      const since = begun.get(kinds.checked_after[check]) ?? Number.NEGATIVE_INFINITY;
      if (event.at_seconds >= since) last.set(check, { check, fine, at_seconds: event.at_seconds });
    }
  return Object.keys(kinds.checked_after).flatMap((key) => last.get(key) ?? []);
}
