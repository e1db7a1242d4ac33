import { useParams } from "react-router";
import kinds from "../../../api/kinds.gen.json";
import { currentBite, dipUnderWay, liftAt } from "../../../device/local";
import { useRun } from "../../../device/useRun";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Empty } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useNowOf } from "../../../ui/useNow";
import { Bar } from "./Bar";
import { Finished } from "./Finished";
import { Hands } from "./Hands";
import { InBath } from "./InBath";
import { Night, OutPart } from "../../../ui/night/Night";
import { OutOfBath } from "./OutOfBath";
import { Panel } from "./Panel";
import { Stale } from "./Stale";
import { useActs } from "./useActs";
import { useAwake } from "../../../ui/night/useAwake";
import { useCountdown } from "../../../ui/night/useCountdown";
import { useRunKeys } from "./useRunKeys";

const STALE_SECONDS = 15 * 60;
const FLASH_SECONDS = 10;

/** At the bath: what is left, what happens, what comes next, and one big control. */
export function RunScreen() {
  const { me, room } = useHere();
  const { run, strip } = useParams();
  const seen = useRun(
    me.id,
    room,
    strip ? { kind: "strip", id: strip } : { kind: "run", id: run ?? "" },
  );
  if (seen.run && seen.local) return <AtTheBath seen={seen as Seen} />;
  return seen.error ? (
    <main className="m-6">
      <h1 className="sr-only">At the bath</h1>
      <Empty title="The run is not here">
        <Trouble error={seen.error} />
        <ButtonLink to="/">Go to the bench</ButtonLink>
      </Empty>
    </main>
  ) : null;
}

type Found = ReturnType<typeof useRun>;
export type Seen = Found & { run: NonNullable<Found["run"]>; local: NonNullable<Found["local"]> };

/** In the last seconds the clock turns over once a second. */
const flashes = (left: number) => left > 0 && left <= FLASH_SECONDS && Math.floor(left) % 2 === 0;

/** Far past its time, or longer than any bite can be. */
const isStale = (now: number, dipped: number, due: number | null) =>
  (due !== null && now - due > STALE_SECONDS) || now - dipped > kinds.longest_seconds;

function AtTheBath({ seen }: { seen: Seen }) {
  const { run, local, log, waiting } = seen;
  const dip = dipUnderWay(local);
  const bite = currentBite(run, local);
  const due = dip && bite ? liftAt(run, local, dip, bite) : null;
  const stale = useNowOf((now) => dip !== null && isStale(now, dip.at_seconds, due));
  const flash = useNowOf((now) => due !== null && flashes(due - now));
  const over = useNowOf((now) => due !== null && now > due);
  const acts = useActs(seen, bite);
  useAwake();
  useCountdown(due, "lift now");
  useRunKeys(acts);
  return (
    <Night out={!dip} over={over}>
      <Bar
        run={run}
        inBath={dip !== null}
        over={over}
        begun={run.bites_before + local.state.dips.length > 0}
        bite={bite}
        wrong={() => acts.ask("wrong")}
      />
      {dip && bite && due !== null ? (
        <InBath
          run={run}
          local={local}
          dip={dip}
          bite={bite}
          due={due}
          stale={stale}
          flash={flash}
          log={log}
          waiting={waiting}
          acts={acts}
        />
      ) : bite && !run.ended_at ? (
        <OutOfBath run={run} local={local} bite={bite} acts={acts} waiting={waiting} />
      ) : dip && stale ? (
        <OutPart>
          <Stale dip={dip} due={null} state={local.state} log={log} />
        </OutPart>
      ) : (
        <Finished run={run} local={local} inBath={dip !== null} waiting={waiting} acts={acts} />
      )}
      <Panel run={run} local={local} acts={acts} log={log} />
      <Hands run={run} dip={dip} bite={bite} acts={acts} />
    </Night>
  );
}
