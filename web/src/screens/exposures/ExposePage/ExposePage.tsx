import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import {
  exposuresQuery,
  type Lamp,
  lampsQuery,
  type TestCard,
  testQuery,
  testsQuery,
} from "../../../api/exposures";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { CautionCard } from "../../../ui/CautionCard";
import { Beside, Empty } from "../../../ui/Section";
import { useKeys } from "../../../ui/useKeys";
import { Begin } from "./Begin";
import { ByTheClock } from "./ByTheClock";
import { Earlier } from "./Earlier";
import { Times } from "./Times";
import { Typed, type TypedTimes } from "./Typed";
import { usePositive } from "./usePositive";

/** How long a plate is exposed, by which test, on today's lamp; and the way to the lamp. */
export function ExposePage() {
  const { room } = useHere();
  const lamps = useQuery(lampsQuery(room));
  const tests = useQuery(testsQuery(room));
  if (!lamps.data || !tests.data)
    return (
      <Asking error={lamps.error ?? tests.error}>
        <h2>Exposure</h2>
      </Asking>
    );
  const here = lamps.data.items.filter((lamp) => !lamp.put_away);
  const told = tests.data.items.filter((test) => test.waits === "" && !test.out_reason);
  return here.length === 0 ? <NoLamp /> : <Known lamps={here} tests={told} />;
}

function NoLamp() {
  const { room } = useHere();
  return (
    <Empty title="No lamp is known">
      <p>A plate is exposed by a lamp's light, and lamps fade: enter the lamp and its hours.</p>
      <ButtonLink look="strong" to={`/r/${room}/exposure`}>
        Enter a lamp
      </ButtonLink>
    </Empty>
  );
}

/** By a test's pair, or by times that somebody knows. */
function Known({ lamps, tests }: { lamps: Lamp[]; tests: TestCard[] }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const [by, choose] = useState(tests[0]?.id ?? "");
  const [typed, type] = useState<TypedTimes | null>(null);
  const asked = useQuery(testQuery(room, by));
  const test = asked.data ?? null;
  const before = useQuery(exposuresQuery(room, plate.id)).data?.items ?? [];
  const positive = usePositive(plate.id);
  const lamp = lamps.find((each) => each.id === (test?.lamp ?? typed?.lamp)) ?? lamps[0];
  const wrong = `/r/${room}/exposure/wrong`;
  if (by && !test)
    return (
      <Asking error={asked.error}>
        <h2>Exposure</h2>
      </Asking>
    );
  return (
    <>
      <Times plate={plate} test={by ? test : null} typed={by ? null : typed} />
      <Beside className="mt-3">
        <div className="min-w-0">
          {plate.light ? null : <Choose tests={tests} by={by} choose={choose} />}
          {by || plate.light ? null : <Typed lamps={lamps} done={type} />}
          <Begin
            plate={plate}
            by={by ? (test?.id ?? null) : null}
            typed={by ? null : typed}
            cautions={lamp?.cautions ?? []}
            positive={positive}
          />
        </div>
        <aside className="min-w-0">
          {lamp?.cautions.map((caution) => (
            <CautionCard key={caution.key} caution={caution} />
          ))}
          <p className="note">Local rules and the supplier's sheet come first.</p>
          <Link className="mt-2 inline-block font-semibold underline underline-offset-3" to={wrong}>
            A plate went wrong
          </Link>
        </aside>
      </Beside>
      <ByTheClock test={by ? test : null} typed={by ? null : typed} />
      <Earlier exposures={before.filter((each) => each.ended_at !== null)} />
    </>
  );
}

type ChooseProps = { tests: TestCard[]; by: string; choose: (id: string) => void };

function Choose({ tests, by, choose }: ChooseProps) {
  useKeys({
    x: () => {
      const all = [...tests.map((each) => each.id), ""];
      choose(all[(all.indexOf(by) + 1) % all.length] ?? "");
    },
  });
  return (
    <label className="flex flex-wrap items-center gap-3">
      <span className="font-semibold">Times by</span>
      <select
        value={by}
        onChange={(event) => choose(event.target.value)}
        className="min-h-9 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
      >
        {tests.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}, {each.lamp_name}
          </option>
        ))}
        <option value="">times I know</option>
      </select>
      <span className="note">
        {tests.length === 0 ? "No test was read yet: a two-way test tells the pair." : ""}
      </span>
    </label>
  );
}
