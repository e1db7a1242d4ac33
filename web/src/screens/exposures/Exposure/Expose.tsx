import { useState } from "react";
import type { Test } from "../../../api/exposures";
import { useBeginExposure } from "../../../frame/useBeginExposure";
import { useHere } from "../../../frame/useHere";
import { Acknowledge } from "../../../ui/Acknowledge";
import { Button, ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";

/** The way to the lamp, for a test that is to be exposed: strip by strip, by the clock. */
export function Expose({ test }: { test: Test }) {
  const { room } = useHere();
  const [asking, ask] = useState(false);
  const begin = useBeginExposure();
  if (test.exposure)
    return (
      <p className="mt-3">
        <ButtonLink look="bath" to={`/r/${room}/exposure/runs/${test.exposure}`}>
          <Mark name="exposing" /> Go to the lamp
        </ButtonLink>
      </p>
    );
  if (!test.plan || test.exposed || test.readings.length > 0) return null;
  return (
    <div className="mt-3">
      {asking ? (
        <Acknowledge
          cautions={test.cautions}
          what="the test"
          onKnown={(acknowledged) => begin.mutate({ test: test.id, acknowledged })}
          onLeave={() => ask(false)}
        />
      ) : (
        <Button look="strong" onClick={() => ask(true)}>
          <Mark name="exposing" /> Expose it by the clock
        </Button>
      )}
      <Trouble error={begin.error} />
    </div>
  );
}
