import { useState } from "react";
import { Link, useParams } from "react-router";
import { useHere } from "../../../frame/useHere";
import { currentBite, dipUnderWay, liftAt } from "../../../device/local";
import { useRun } from "../../../device/useRun";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { useNow } from "../../../ui/useNow";
import { Bar } from "./Bar";
import { Finished } from "./Finished";
import { Hands } from "./Hands";
import { InBath } from "./InBath";
import { OutOfBath } from "./OutOfBath";
import { type Asked, Panel } from "./Panel";
import { useActs } from "./useActs";
import { useCountdown } from "./useCountdown";
import { useAwake } from "./useAwake";

const STALE_SECONDS = 15 * 60;
const FLASH_SECONDS = 10;

/** At the bath: what is left, what happens, what comes next, and one big control. */
export function RunScreen() {
  const { me, room } = useHere();
  const { run: id = "" } = useParams();
  const seen = useRun(me.id, room, id);
  if (!seen.run || !seen.local) {
    return seen.error ? (
      <div className="empty" style={{ margin: 24 }}>
        <Trouble error={seen.error} />
        <Link className="btn" to="/">
          Go to the bench
        </Link>
      </div>
    ) : null;
  }
  return <AtTheBath seen={seen as Seen} />;
}

type Seen = ReturnType<typeof useRun> & {
  run: NonNullable<ReturnType<typeof useRun>["run"]>;
  local: NonNullable<ReturnType<typeof useRun>["local"]>;
};

function AtTheBath({ seen }: { seen: Seen }) {
  const { run, local, log, waiting } = seen;
  const now = useNow(250);
  const [asked, setAsked] = useState<Asked>(null);
  const dip = dipUnderWay(local);
  const bite = currentBite(run, local);
  const due = dip && bite ? liftAt(run, local, dip, bite) : null;
  const left = due === null ? null : due - now;
  const stale = left !== null && left < -STALE_SECONDS;
  const acts = useActs(seen, bite, asked, setAsked);
  useAwake();
  useCountdown(left);
  useKeys({
    Space: (event) => {
      event.preventDefault();
      acts.main();
    },
    f: acts.care,
    t: (event) => {
      event.preventDefault(); // or the letter would be typed into the field that opens
      setAsked("temperature");
    },
    c: acts.cover,
    z: acts.undo,
    Escape: () => (asked ? setAsked(null) : acts.leave()),
  });
  const flash = left !== null && left > 0 && left <= FLASH_SECONDS && Math.floor(left) % 2 === 0;
  return (
    <main className={`run${dip ? "" : " out"}${flash ? " flash" : ""}`}>
      <Bar
        run={run}
        inBath={dip !== null}
        begun={local.state.dips.length > 0}
        bite={bite}
        now={now}
        waiting={waiting}
      />
      {dip && bite && left !== null && due !== null ? (
        <InBath
          run={run}
          local={local}
          dip={dip}
          bite={bite}
          now={now}
          due={due}
          stale={stale}
          log={log}
          said={acts.said}
        />
      ) : bite ? (
        <OutOfBath run={run} local={local} bite={bite} now={now} acts={acts} />
      ) : (
        <Finished run={run} local={local} inBath={dip !== null} />
      )}
      <Panel asked={asked} close={() => setAsked(null)} log={log} run={run} />
      <Hands
        run={run}
        dip={dip}
        bite={bite}
        local={local}
        asked={asked}
        acts={acts}
        openTemperature={() => setAsked("temperature")}
      />
    </main>
  );
}
