import type { Shapes } from "../../../api/client";
import { Transfer } from "../../../figures/exposure/Transfer";
import { Care } from "../../../ui/Care";

/** How greys fall by this pair, and the film that would put them right. */
export function Tones({ curve, name }: { curve: Shapes["CorrectionCurveOutput"]; name: string }) {
  return (
    <section className="min-w-0 border-t-2 border-ink pt-2">
      <h2 className="text-h3">Tone, step chart</h2>
      <p className="note">{name}</p>
      <Transfer curve={curve} />
      <p className="note">
        Dots and line: what the plate prints. Dotted: as drawn.{" "}
        <b className="text-copper-deep">Copper: the film to make.</b>
      </p>
      {curve.warnings.map((each) => (
        <Care key={each.code} className="mt-1">
          {each.text}
        </Care>
      ))}
    </section>
  );
}
