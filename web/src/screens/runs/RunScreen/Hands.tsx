import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Bite, Local } from "../../../device/local";
import { Mark } from "../../../ui/Mark";
import type { Asked } from "./Panel";
import type { Acts } from "./useActs";

type Props = {
  run: Run;
  dip: Immersion | null;
  bite: Bite | null;
  local: Local;
  asked: Asked;
  acts: Acts;
  openTemperature: () => void;
};

/** One big control, and three small ones. */
export function Hands({ run, dip, bite, asked, acts, openTemperature }: Props) {
  const cover = acts.toCover();
  const ask = asked === "dip-anyway";
  const words = run.process.hands;
  return (
    <footer className="run-hands">
      {dip ? (
        <button type="button" className="big" onClick={acts.main}>
          <Mark name="lift" />
          {words.lift}
          <span className="key">Space</span>
        </button>
      ) : (
        <button
          type="button"
          className={`big${ask ? " ask" : cover.length > 0 ? " wait" : ""}`}
          disabled={!bite}
          onClick={acts.main}
        >
          <Mark name="dip" />
          {ask ? <span style={{ fontSize: "0.55em" }}>{words.dip} anyway?</span> : words.dip}
          <span className="key">Space</span>
          {cover.length > 0 && !ask ? (
            <em>when {cover.join(", ").toLowerCase()} is covered and dry</em>
          ) : null}
        </button>
      )}
      {dip ? (
        <button type="button" onClick={acts.care}>
          <span className="key">F</span>
          {run.care.done}
        </button>
      ) : (
        <button type="button" disabled={cover.length === 0} onClick={acts.cover}>
          <span className="key">C</span>Covered
        </button>
      )}
      <button type="button" onClick={openTemperature}>
        <span className="key">T</span>Temperature
      </button>
      <button type="button" onClick={acts.undo}>
        <span className="key">Z</span>Undo last
      </button>
    </footer>
  );
}
