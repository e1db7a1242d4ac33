import { useParams } from "react-router";
import kinds from "../../../api/kinds.gen.json";
import { underWay } from "../../../device/exposureFollow";
import { useExposure } from "../../../device/useExposure";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Night } from "../../../ui/night/Night";
import { useAwake } from "../../../ui/night/useAwake";
import { useCountdown } from "../../../ui/night/useCountdown";
import { Empty } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useNowOf } from "../../../ui/useNow";
import { Bar } from "./Bar";
import { Between } from "./Between";
import { Done } from "./Done";
import { Hands } from "./Hands";
import { Panel } from "./Panel";
import { nextPlan } from "./stages";
import { UnderWay } from "./UnderWay";
import { type Seen, useExposeActs } from "./useExposeActs";
import { useExposeKeys } from "./useExposeKeys";

/** At the lamp and the basin: what is left, what happens, what comes next, and one big control. */
export function ExposeScreen() {
  const { me, room } = useHere();
  const { exposure = "" } = useParams();
  const seen = useExposure(me.id, room, exposure);
  if (seen.exposure && seen.lit) return <AtTheLamp seen={seen as Seen} />;
  return seen.error ? (
    <main className="m-6">
      <h1 className="sr-only">At the lamp</h1>
      <Empty title="The exposure is not here">
        <Trouble error={seen.error} />
        <ButtonLink to="/">Go to the bench</ButtonLink>
      </Empty>
    </main>
  ) : null;
}

function AtTheLamp({ seen }: { seen: Seen }) {
  const { exposure, lit } = seen;
  const now = underWay(lit.state);
  const plan = nextPlan(exposure, lit);
  const due = lit.stands.due_seconds;
  const over = useNowOf((at) => due !== null && at > due);
  const stale = useNowOf((at) => due !== null && at - due > kinds.stage_stale_seconds);
  const acts = useExposeActs(seen);
  useAwake();
  useCountdown(due, plan?.at_zero.split(/[,:]/)[0] ?? "now");
  useExposeKeys(acts);
  return (
    <Night out={!now} over={over}>
      <Bar seen={seen} over={over} />
      {now && plan && due !== null ? (
        <UnderWay seen={seen} plan={plan} span={now} due={due} stale={stale} />
      ) : plan && !exposure.ended_at ? (
        <Between seen={seen} plan={plan} acts={acts} />
      ) : (
        <Done seen={seen} acts={acts} />
      )}
      <Panel acts={acts} log={seen.log} />
      <Hands seen={seen} acts={acts} />
    </Night>
  );
}
