import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import {
  type Lamp,
  lampsQuery,
  type TestCard,
  testQuery,
  testsQuery,
} from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Button } from "../../../ui/Button";
import { Empty, PageHead } from "../../../ui/Section";
import { useKeys } from "../../../ui/useKeys";
import { KeepLamp } from "./KeepLamp";
import { PlanTest } from "./PlanTest";
import { TestPage } from "./TestPage";

/** How long under the lamp: the two-way test that tells it, the lamp, the tones. */
export function Exposure() {
  const { room } = useHere();
  const { test: id = "" } = useParams();
  const lamps = useQuery(lampsQuery(room));
  const tests = useQuery(testsQuery(room));
  const chosen = id || first(tests.data?.items ?? []);
  const test = useQuery(testQuery(room, chosen));
  const error = lamps.error ?? tests.error ?? test.error;
  if (!lamps.data || !tests.data || (chosen && !test.data))
    return (
      <Asking error={error}>
        <PageHead title="Exposure" />
      </Asking>
    );
  const here = lamps.data.items.filter((lamp) => !lamp.put_away);
  if (!test.data) return <Nothing lamps={here} />;
  const { data: shown } = test;
  const lamp = lamps.data.items.find((each) => each.id === shown.lamp);
  if (!lamp) return <Nothing lamps={here} />;
  return (
    <TestPage
      key={shown.id}
      test={shown}
      lamp={lamp}
      lamps={here}
      others={tests.data.items.filter((each) => each.id !== shown.id)}
    />
  );
}

/** The newest test that tells a pair and counts; else the newest. */
function first(tests: TestCard[]): string {
  const told = tests.find((test) => test.waits === "" && !test.out_reason);
  return (told ?? tests[0])?.id ?? "";
}

/** No lamp, or no test yet: what comes first, and why. */
function Nothing({ lamps }: { lamps: Lamp[] }) {
  const { keeper } = useHere();
  const [open, setOpen] = useState(false);
  useKeys({ n: () => setOpen(true) });
  const lamp = lamps[0];
  return (
    <>
      <PageHead title={lamp ? `Nobody knows the times of ${lamp.name}.` : "No lamp is known."} />
      {open && lamp ? <PlanTest lamps={lamps} close={() => setOpen(false)} /> : null}
      {open && !lamp ? <KeepLamp lamp={null} close={() => setOpen(false)} /> : null}
      {open ? null : (
        <Empty title={lamp ? "No two-way test for this lamp" : "Begin with the lamp"}>
          <p>
            {lamp
              ? "25 patches on one small plate, each with its own screen and image time, tell the pair that holds the lights and opens the darks. About 1 h 10."
              : "Its kind and its hours: a plate is exposed by its light, and lamps fade. Two minutes."}
          </p>
          {lamp || keeper ? (
            <Button look="strong" onClick={() => setOpen(true)}>
              {lamp ? "Plan a two-way test" : "Enter a lamp"}
            </Button>
          ) : (
            <p className="note">A keeper enters the lamps.</p>
          )}
        </Empty>
      )}
    </>
  );
}
