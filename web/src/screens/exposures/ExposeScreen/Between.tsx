import type { StagePlan } from "../../../api/exposures";
import { StageBars } from "../../../figures/exposure/StageBars";
import { Line } from "../../../frame/Line";
import { Check } from "../../../ui/night/Check";
import { FarText, FarTitle, OutPart, Said } from "../../../ui/night/Night";
import { Notices } from "../../../ui/night/Notices";
import { Reading } from "../../../ui/night/Reading";
import { TimeWord } from "../../../ui/Ticking";
import { clock } from "../../../ui/times";
import { drawnOf, isRest, lastOver } from "./stages";
import type { Acts, Seen } from "./useExposeActs";

type Props = { seen: Seen; plan: StagePlan; acts: Acts };

/** Between two stages: what was missed, what to look at, what comes next and for how long. */
export function Between({ seen, plan, acts }: Props) {
  const { exposure, lit, waiting } = seen;
  const last = lastOver(exposure, lit);
  const since = last?.span.ended_seconds ?? null;
  return (
    <OutPart>
      <StageBars drawn={drawnOf(exposure, lit)} upright />
      <section className="max-desk:-order-1">
        <Line events={exposure.events} waiting={waiting} />
        <FarTitle>{heading(seen, plan)}</FarTitle>
        <FarText>{isRest(exposure, lit) ? again(seen, plan) : plan.todo}</FarText>
        <Missed seen={seen} />
        <Notices notices={lit.state.notices} />
        <Checks seen={seen} acts={acts} />
        <dl className="mt-5 grid grid-cols-2 border-t-2 border-night-line max-phone:mt-3 flat:mt-2">
          <Reading name={since === null ? "Not begun yet" : "Waiting for"}>
            {since === null ? "0:00" : <TimeWord told={(now) => clock(now - since)} />}
          </Reading>
          <Reading name={`Then ${plan.title.toLowerCase()} for`}>
            {clock(lit.stands.next_seconds)}
          </Reading>
        </dl>
      </section>
    </OutPart>
  );
}

function heading({ exposure, lit }: Seen, plan: StagePlan): string {
  if (!isRest(exposure, lit)) return plan.title;
  return plan.pace === "rays" ? `${plan.title}: the rest` : `${plan.title}: once more`;
}

/** Why the same stage comes again. */
function again({ lit }: Seen, plan: StagePlan): string {
  const wrong = plan.checks.find(({ check }) =>
    lit.state.checks.some((made) => made.check === check && !made.fine),
  );
  return wrong
    ? wrong.not_yet
    : `${clock(lit.stands.next_seconds)} are missing. Give them now, or leave it as it is.`;
}

/** What the last stage came to, where it was not as planned; and how the image follows the screen. */
function Missed({ seen: { exposure, lit } }: { seen: Seen }) {
  const last = lastOver(exposure, lit);
  if (!last) return null;
  const { plan, stage } = last;
  const off = Math.round(stage.given_seconds - stage.planned_seconds);
  const moved = movedImage(exposure, lit);
  return (
    <>
      {stage.code && stage.code !== "right" ? (
        <Said role="status">
          {plan.title}: {clock(Math.abs(off))} {off > 0 ? "long" : "short"}. {rest(stage.text)}
        </Said>
      ) : null}
      {moved ? <Said role="status">{moved}</Said> : null}
    </>
  );
}

/** Without the word that stands before it already. */
const rest = (text: string) => {
  const told = text.replace(/^(Short|Long)[:,] ?(and )?/, "");
  return told.charAt(0).toUpperCase() + told.slice(1);
};

function movedImage(exposure: Seen["exposure"], lit: Seen["lit"]): string | null {
  const at = exposure.sheet.stages.findIndex((plan) => plan.by_screen.length > 0);
  const [plan, stage] = [exposure.sheet.stages[at], lit.stands.stages[at]];
  if (!plan || !stage || stage.state !== "todo" || at !== lit.stands.next) return null;
  const by = Math.round(stage.planned_seconds - plan.seconds);
  if (Math.abs(by) < 2) return null;
  return `After that screen the image is ${clock(Math.abs(by))} ${by > 0 ? "longer" : "shorter"}: ${clock(stage.planned_seconds)}.`;
}

/** What is looked at and felt before the next stage: right, or not yet. */
function Checks({ seen: { exposure, lit }, acts }: { seen: Seen; acts: Acts }) {
  const last = lastOver(exposure, lit);
  if (!last || last.plan.checks.length === 0) return null;
  const fine = (key: string) => lit.state.checks.find((made) => made.check === key)?.fine;
  return (
    <ul aria-label="Look and feel" className="mt-4.5 grid gap-2.5">
      {last.plan.checks.map(({ check, label }) => (
        <li key={check}>
          <ul className="flex flex-wrap gap-2.5">
            <Check done={fine(check) === true} text={label} onDo={() => acts.check(check, true)} />
            <Check
              done={fine(check) === false}
              text="not yet"
              plain
              onDo={() => acts.check(check, false)}
            />
          </ul>
        </li>
      ))}
    </ul>
  );
}
