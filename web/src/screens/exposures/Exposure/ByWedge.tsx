import { timeByWedge } from "../../../api/exposures";
import type { Shapes } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, time } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { clock } from "../../../ui/times";
import { useState } from "react";

const SHAPE = shapeOf("ExposureWedgeInput", {
  seconds: time("Wedge exposed for"),
  held_step: number("Step that held last"),
  wanted_step: number("Step that shall hold"),
});
type Read = Shapes["ExposureWedgeInput"];
type Told = Shapes["ExposureWedgeOutput"];

/** The time a step wedge asks for: it is told, then taken. */
export function ByWedge({ take }: { take: (time: string) => void }) {
  const [told, setTold] = useState<Told | null>(null);
  const form = useForm<Read, Told>(SHAPE, {
    start: { seconds: "", held_step: "", wanted_step: "" },
    send: (read) => timeByWedge(read),
    done: setTold,
  });
  return (
    <details className="mt-3">
      <summary className="min-h-9 cursor-pointer font-semibold pointer-coarse:min-h-12">
        The image time by a step wedge
      </summary>
      <form noValidate onSubmit={form.submit} className="mt-2 flex flex-wrap items-start gap-4">
        <NumberField form={form} name="seconds" step={5} />
        <NumberField form={form} name="held_step" step={0.5} />
        <NumberField form={form} name="wanted_step" step={0.5} />
        <FormFoot form={form} submit="How long?" look="plain" beside />
      </form>
      {told ? (
        <p role="status" className="mt-2 flex flex-wrap items-center gap-3">
          <span>
            <b className="num text-lead">{clock(told.seconds)}</b> ({clock(told.low)} to{" "}
            {clock(told.high)}), ×{told.factor.toFixed(2)}
          </span>
          <Button onClick={() => take(clock(told.seconds))}>Take it for the image</Button>
        </p>
      ) : null}
    </details>
  );
}
