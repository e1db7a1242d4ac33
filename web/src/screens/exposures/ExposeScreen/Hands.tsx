import type { StagePlan } from "../../../api/exposures";
import { underWay } from "../../../device/exposureFollow";
import { Mark } from "../../../ui/Mark";
import { Big, Foot, Small, SpaceKey } from "../../../ui/night/Controls";
import { isRest, nextPlan, unanswered } from "./stages";
import type { Acts, Seen } from "./useExposeActs";

/** The sign of its end: the lamp goes off, the plate comes out of the water, else it is done. */
const endMark = (plan: StagePlan | null) =>
  plan?.stage === "wash" ? "lift" : plan?.pace === "rays" ? "leave" : "done";

/** One big control, and three small ones. */
export function Hands({ seen, acts }: { seen: Seen; acts: Acts }) {
  const { exposure, lit } = seen;
  const now = underWay(lit.state);
  const toLook = now ? [] : unanswered(exposure, lit);
  const open = exposure.ended_at === null;
  return (
    <Foot>
      {now ? (
        <Big look="go" onClick={acts.main}>
          <Mark name={endMark(nextPlan(exposure, lit))} />
          <span className="text-far-3 max-phone:text-far-2">
            {nextPlan(exposure, lit)?.end_verb ?? "Over"}
          </span>
          <SpaceKey />
        </Big>
      ) : (
        <Begin seen={seen} acts={acts} waits={toLook.length > 0} />
      )}
      {toLook.length > 0 ? (
        <Small letter="C" disabled={!open} onClick={acts.allRight}>
          All right
        </Small>
      ) : (
        <Small letter="P" disabled={!open || !acts.mayPass} onClick={acts.pass}>
          {isRest(exposure, lit) ? "Leave it" : "Not needed"}
        </Small>
      )}
      <Small letter="T" disabled={!open} onClick={() => acts.ask("water")}>
        Water
      </Small>
      <Small letter="Z" disabled={!open} onClick={acts.undo}>
        Undo last
      </Small>
    </Foot>
  );
}

/** Begin the next stage, once the last was looked at; a first press before that asks. */
function Begin({ seen, acts, waits }: { seen: Seen; acts: Acts; waits: boolean }) {
  const { exposure, lit } = seen;
  const plan = nextPlan(exposure, lit);
  if (!plan || exposure.ended_at)
    return (
      <Big look="go" disabled={exposure.ended_at !== null || acts.ending} onClick={acts.main}>
        <Mark name="proof" />
        <span className="text-far-2">
          {exposure.ended_at
            ? "Ended"
            : exposure.plate
              ? "End and pull a proof"
              : "End and read it"}
        </span>
      </Big>
    );
  const ask = acts.asked === "anyway";
  return (
    <Big look={ask ? "ask" : waits ? "wait" : "go"} onClick={acts.main}>
      <Mark name="exposing" />
      <span className="text-far-3 max-phone:text-far-2">
        {ask ? `${plan.verb} anyway?` : plan.verb}
      </span>
      <SpaceKey />
      {waits && !ask ? (
        <em className="max-w-58 text-left font-text text-h2 leading-tight font-medium text-night-ink-2 not-italic max-phone:max-w-30 max-phone:text-body flat:max-w-none flat:px-3 flat:text-center flat:text-body">
          when you looked and felt
        </em>
      ) : null}
    </Big>
  );
}
