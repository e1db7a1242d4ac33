import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Shapes } from "../../../api/client";
import { benchQuery } from "../../../api/plates";
import { TimeRuler } from "../../../figures/TimeRuler";
import { useHere } from "../../../frame/useHere";
import { useOpenRuns } from "../../../frame/useOpenRuns";
import { ButtonLink } from "../../../ui/Button";
import { CautionCard } from "../../../ui/CautionCard";
import { FirstDay } from "./FirstDay";
import { FoldedCaution } from "./FoldedCaution";
import { Key } from "../../../ui/Key";
import { Mark } from "../../../ui/Mark";
import { Section } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useNow } from "../../../ui/useNow";
import { Headline } from "./Headline";
import { NextFirst } from "./NextFirst";
import { Trays } from "./Trays";

type BenchOut = Shapes["Bench"];

/** The ruler is eight minutes a hand's breadth: its line need not move each second. */
const RULER_MS = 15_000;
/** So many cautions stand in full, dangers first; the others by their titles, which unfold. */
const WHOLE = 2;
/** A wait that is over stays on the bench for so long; a plate in its bath until it is lifted. */
const OVER_SECONDS = 600;
const PASSES = ["wait", "ink"];

/** The bench: what is in which bath, what falls due, what to beware of, what is next. */
export function Bench() {
  const { room } = useHere();
  const { data, error } = useQuery(benchQuery(room));
  const [run] = useOpenRuns();
  const now = useNow(RULER_MS);
  if (!data)
    return (
      <Asking error={error}>
        <h1>Bench</h1>
      </Asking>
    );
  if (data.first.length > 0 && data.first.every((each) => !each.done)) return <FirstDay />;
  const due = data.due.filter(
    (item) => !PASSES.includes(item.kind) || item.at_seconds > now - OVER_SECONDS,
  );
  return (
    <>
      <div className="flex min-h-15 flex-wrap items-center justify-between gap-4">
        <Headline due={due} stale={run?.run?.stale ? run.name : undefined} />
        {run?.run ? (
          <ButtonLink look="bath" to={`/r/${room}/runs/${run.run.id}`}>
            <Mark name={run.run.in_bath ? "bath" : "lifted"} />
            Go to the bath <Key>B</Key>
          </ButtonLink>
        ) : null}
      </div>
      {data.first.length > 0 ? <NextFirst first={data.first} /> : null}
      <Trays baths={data.baths} due={due} />
      <Ruler due={due} now={now} />
      <Section className="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-6.5">
        <Cautions bench={data} />
        <Next bench={data} />
      </Section>
    </>
  );
}

function Ruler({ due, now }: { due: BenchOut["due"]; now: number }) {
  const { zone } = useHere();
  const items = due.map((item) => ({
    key: `${item.kind} ${item.text}`,
    waits: item.kind === "wait",
    at: item.at_seconds,
    text: item.text,
  }));
  return (
    <Section>
      <TimeRuler now={now} zone={zone} items={items} />
      {due.length === 0 ? <p className="note">Nothing falls due in the next two hours.</p> : null}
    </Section>
  );
}

function Cautions({ bench }: { bench: BenchOut }) {
  const { me } = useHere();
  const warm = bench.baths.find((bath) => bath.plate);
  return (
    <div>
      <h2>Take care</h2>
      {bench.cautions.slice(0, WHOLE).map((caution) => (
        <CautionCard key={caution.key} caution={caution} />
      ))}
      {bench.cautions.slice(WHOLE).map((caution) => (
        <FoldedCaution key={caution.key} caution={caution} />
      ))}
      {warm ? (
        <p className="note">
          {warm.name} stood at {shownTemperature(warm.temperature_c, me)} {temperatureUnit(me)}{" "}
          {Math.round(warm.temperature_age_seconds / 60)} min ago.
        </p>
      ) : null}
    </div>
  );
}

function Next({ bench }: { bench: BenchOut }) {
  const { room } = useHere();
  return (
    <div>
      <h2>Next for each plate</h2>
      <table className="mt-2">
        <tbody>
          {bench.next.map((step) => (
            <tr key={step.plate}>
              <td className="w-38">
                <Link
                  className="underline underline-offset-3"
                  to={`/r/${room}/plates/${step.plate}`}
                >
                  {step.plate_name}
                </Link>
              </td>
              <td>{step.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {bench.plates > bench.next.length ? (
        <p className="note mt-2">
          {bench.plates - bench.next.length} more in the rack, of {bench.plates} plates.
        </p>
      ) : null}
    </div>
  );
}
