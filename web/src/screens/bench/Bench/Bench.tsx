import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Shapes } from "../../../api/client";
import { benchQuery } from "../../../api/plates";
import { TimeRuler } from "../../../figures/TimeRuler";
import { useOpenRuns } from "../../../frame/Rail";
import { useHere } from "../../../frame/useHere";
import { CautionCard } from "../../../ui/CautionCard";
import { Mark } from "../../../ui/Mark";
import { clock, wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { Trouble } from "../../../ui/Trouble";
import { useNow } from "../../../ui/useNow";
import { Trays } from "./Trays";

type Bench = Shapes["Bench"];

/** The bench: what is in which bath, what falls due, what to beware of, what is next. */
export function Bench() {
  const { room, zone } = useHere();
  const { data, error } = useQuery(benchQuery(room));
  const [run] = useOpenRuns();
  const now = useNow();
  if (error) return <Trouble error={error} />;
  if (!data) return <h1>Bench</h1>;
  const due = data.due.filter((item) => item.at_seconds > now - 600);
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-4" style={{ minHeight: 60 }}>
        <h1 style={{ fontSize: 26, fontWeight: 560 }}>
          <Headline due={due} now={now} zone={zone} />
        </h1>
        {run?.run ? (
          <Link className="btn bath" to={`/r/${room}/runs/${run.run.id}`}>
            <Mark name={run.run.in_bath ? "bath" : "lifted"} />
            Go to the bath <span className="key">B</span>
          </Link>
        ) : null}
      </div>
      <Trays baths={data.baths} due={due} now={now} />
      <section className="section">
        <TimeRuler
          now={now}
          zone={zone}
          items={due.map((item) => ({
            key: `${item.kind} ${item.text}`,
            waits: item.kind === "wait",
            at: item.at_seconds,
            text: item.text,
          }))}
        />
        {due.length === 0 ? (
          <p className="note m-0">Nothing falls due in the next two hours.</p>
        ) : null}
      </section>
      <section
        className="section cols"
        style={{ gridTemplateColumns: "repeat(auto-fit,minmax(300px,1fr))" }}
      >
        <Cautions bench={data} />
        <Next bench={data} />
      </section>
    </>
  );
}

function Headline({ due, now, zone }: { due: Bench["due"]; now: number; zone: string }) {
  const first = due[0];
  if (!first) return <>Your hands are free.</>;
  const late = now - first.at_seconds;
  if (late > 0) {
    return first.kind === "wait" ? (
      <>
        <b>Look now:</b> {first.text}. <span className="n">{clock(late)}</span> over.
      </>
    ) : (
      <>
        <b>Lift {first.plate_name} now.</b> <span className="n">{clock(late)}</span> over.
      </>
    );
  }
  return (
    <>
      Your hands are next needed at <b className="n">{wallClock(first.at_seconds, zone)}</b>, to{" "}
      <b>{first.kind === "wait" ? `see to: ${first.text}` : `lift ${first.plate_name}`}</b>.
    </>
  );
}

function Cautions({ bench }: { bench: Bench }) {
  const { me } = useHere();
  const warm = bench.baths.find((bath) => bath.plate);
  return (
    <div>
      <h2>Take care</h2>
      {bench.cautions.map((caution) => (
        <CautionCard key={caution.key} caution={caution} />
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

function Next({ bench }: { bench: Bench }) {
  const { room } = useHere();
  return (
    <div>
      <h2>Next for each plate</h2>
      <table style={{ marginTop: 8 }}>
        <tbody>
          {bench.next.map((step) => (
            <tr key={step.plate}>
              <td style={{ width: 150 }}>
                <Link to={`/r/${room}/plates/${step.plate}`}>{step.plate_name}</Link>
              </td>
              <td>{step.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
