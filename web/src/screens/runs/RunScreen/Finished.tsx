import type { Run } from "../../../api/runs";
import { type Local, reached } from "../../../device/local";
import type { Waiting } from "../../../device/waiting";
import { goalAt, inWords, standsAt } from "../../../device/sheet";
import { Trouble } from "../../../ui/Trouble";
import { AreaRow } from "./Cover";
import { Line } from "../../../frame/Line";
import { LastRinse } from "./LastRinse";
import { Notices } from "../../../ui/night/Notices";
import { FarText, FarTitle, OutPart, Said } from "../../../ui/night/Night";
import type { Acts } from "./useActs";

function wanted(run: Run, name: string): string {
  const goal = run.sheet.areas.find((area) => area.name === name)?.wanted;
  return goal == null ? "white" : inWords(run.sheet.goal, goal);
}

type Props = { run: Run; local: Local; inBath: boolean; waiting: Waiting[]; acts: Acts };

/** All bites are done: what each area should print, and the way on. */
export function Finished({ run, local, inBath, waiting, acts }: Props) {
  return (
    <OutPart>
      <section>
        <Line events={run.events} waiting={waiting} />
        {run.outcome && run.outcome !== "finished" ? (
          <LeftAside run={run} />
        ) : (
          <>
            <Wash run={run} inBath={inBath} />
            {inBath ? null : <LastRinse run={run} local={local} acts={acts} />}
          </>
        )}
        <Notices notices={local.state.notices} />
        <Trouble error={acts.endError} />
      </section>
      <Prints run={run} local={local} />
    </OutPart>
  );
}

function Wash({ run, inBath }: { run: Run; inBath: boolean }) {
  return (
    <>
      <FarTitle>{inBath ? "Lift it" : "Bitten"}</FarTitle>
      <FarText>
        Rinse long. Strip the stop-out and the ground. Then{" "}
        {run.strip ? "print the strip and read its patches." : "pull a proof and read its tones."}
      </FarText>
      <Said>
        Gloves on while you rinse. Solvents away from heat and flame, extraction on, rags into the
        closed can.
      </Said>
      {run.ended_at ? <Said>This run is ended.</Said> : null}
    </>
  );
}

/** Ended before its bites were made. */
function LeftAside({ run }: { run: Run }) {
  const dipped = run.outcome === "set aside";
  if (run.strip) return <FarTitle>Set aside</FarTitle>;
  return (
    <>
      <FarTitle>{dipped ? "Set aside" : "Never dipped"}</FarTitle>
      {run.reason ? <FarText>{run.reason}</FarText> : null}
      <Said>
        {dipped
          ? "Go on from here, or begin anew, on the plate's page."
          : "Begin on the plate's page."}
      </Said>
    </>
  );
}

/** What each area comes to, and its band. */
function Prints({ run, local }: { run: Run; local: Local }) {
  const totals = reached(run, local);
  return (
    <div className="grid content-start gap-2.5">
      {run.areas.map(({ name }) => {
        const so = totals.get(name) ?? 0;
        const stands = goalAt(run.sheet, name, so);
        return (
          <AreaRow key={name} name={name} parts={`wanted ${wanted(run, name)}`}>
            {standsAt(run.sheet, name, so)}
            {stands ? ` (${stands.low.toFixed(0)} to ${stands.high.toFixed(0)})` : ""}
          </AreaRow>
        );
      })}
    </div>
  );
}
