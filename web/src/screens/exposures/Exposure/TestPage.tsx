import { hoursTold } from "./words";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import {
  chartsQuery,
  type Lamp as LampRow,
  type Test,
  type TestCard,
} from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { CautionCard } from "../../../ui/CautionCard";
import { Section } from "../../../ui/Section";
import { dayOf } from "../../../ui/times";
import { Answer } from "./Answer";
import { Card } from "./Card";
import { ChangeTest } from "./ChangeTest";
import { Expose } from "./Expose";
import { Films } from "./Films";
import { KeepChart } from "./KeepChart";
import { KeepLamp } from "./KeepLamp";
import { Lamp } from "./Lamp";
import { Measured } from "./Measured";
import { MeasureLamp } from "./MeasureLamp";
import { Patches } from "./Patches";
import { PlanTest } from "./PlanTest";
import { PlatesByPair } from "./PlatesByPair";
import { Tones } from "./Tones";
import { useExposureKeys } from "./useExposureKeys";

type Props = { test: Test; lamp: LampRow; lamps: LampRow[]; others: TestCard[] };

/** One test: its pair, its field, the lamp it was made under, and how greys fall by it. */
export function TestPage({ test, lamp, lamps, others }: Props) {
  const { room, keeper } = useHere();
  const { data: charts } = useQuery(chartsQuery(room));
  const keys = useExposureKeys(test, keeper);
  const chart = charts?.items.find((each) => each.test === test.id && each.curve);
  const close = () => keys.ask(null);
  return (
    <>
      <Head test={test} ask={keys.ask} asked={keys.asked} />
      <Answer test={test} />
      <Expose test={test} />
      <PlatesByPair test={test} />
      {keys.asked === "plan" ? <PlanTest lamps={lamps} close={close} /> : null}
      {keys.asked === "measure" ? <MeasureLamp lamp={lamp} close={close} /> : null}
      {keys.asked === "chart" ? <KeepChart test={test} close={close} /> : null}
      {keys.asked === "change" ? <ChangeTest test={test} close={close} /> : null}
      {keys.asked === "lamp" ? <KeepLamp lamp={lamp} close={close} /> : null}
      <div className="mt-3 grid items-start gap-x-6.5 gap-y-5 desk:grid-cols-[minmax(0,552px)_minmax(0,1fr)]">
        <Patches test={test} spot={keys.spot} choose={keys.choose} />
        <div className="grid min-w-0 items-start gap-x-6 gap-y-4 desk:grid-cols-2">
          <Tones chart={chart ?? null} read={() => keys.ask("chart")} />
          <Lamp lamp={lamp} keeper={keeper} ask={keys.ask} />
          <div className="desk:col-span-2">
            {test.cautions.map((caution) => (
              <CautionCard key={caution.key} caution={caution} />
            ))}
            <p className="note">
              Local rules and the supplier's sheet come first.{" "}
              <Link
                className="font-semibold text-ink underline underline-offset-3"
                to={`/r/${room}/exposure/wrong`}
              >
                A plate went wrong
              </Link>
            </p>
          </div>
        </div>
      </div>
      {test.plan ? <Card plan={test.plan} open={test.readings.length === 0} /> : null}
      <Films test={test} />
      {lamp.measurements.length > 0 ? <Measured lamp={lamp} /> : null}
      <Others others={others} />
    </>
  );
}

type HeadProps = Pick<Props, "test"> & Pick<ReturnType<typeof useExposureKeys>, "ask" | "asked">;

function Head({ test, ask, asked }: HeadProps) {
  const { zone } = useHere();
  const on = dayOf(test.read_on ? `${test.read_on}T12:00:00Z` : test.created_at, zone);
  return (
    <header className="flex min-h-12 flex-wrap items-center gap-x-3.5 gap-y-2">
      <div className="mr-auto flex flex-wrap items-baseline gap-x-3.5 max-desk:basis-full">
        <h1 className="max-phone:text-far">{test.name}</h1>
        <p className="note">
          Two-way test of {on}, {test.lamp_name}
          {test.lamp_hours === null ? "" : ` at ${hoursTold(test.lamp_hours)} h`}. {test.note}
          {test.out_reason ? ` No longer counts: ${test.out_reason}.` : ""}
        </p>
      </div>
      <Button
        look="quiet"
        aria-expanded={asked === "change"}
        onClick={() => ask(asked === "change" ? null : "change")}
      >
        Change it
      </Button>
      <Button
        look="quiet"
        aria-expanded={asked === "measure"}
        onClick={() => ask(asked === "measure" ? null : "measure")}
      >
        Measure the lamp
      </Button>
      <Button
        look="strong"
        aria-expanded={asked === "plan"}
        onClick={() => ask(asked === "plan" ? null : "plan")}
      >
        Plan a test
      </Button>
    </header>
  );
}

function Others({ others }: { others: TestCard[] }) {
  const { room } = useHere();
  if (others.length === 0) return null;
  return (
    <Section>
      <h2 className="text-h3">Other tests</h2>
      <ul className="mt-1 grid gap-1">
        {others.map((each) => (
          <li key={each.id}>
            <Link
              className="inline-block font-semibold underline pointer-coarse:min-h-12"
              to={`/r/${room}/exposure/${each.id}`}
            >
              {each.name}
            </Link>{" "}
            <span className="note">
              {each.lamp_name}, {each.out_reason || each.waits || `${each.patches} patches`}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}
