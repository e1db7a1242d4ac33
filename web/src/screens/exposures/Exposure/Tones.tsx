import type { Chart } from "../../../api/exposures";
import { Transfer } from "../../../figures/exposure/Transfer";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";

type Props = { chart: Chart | null; read: () => void };

/** How greys fall by this pair, and the film that would put them right. */
export function Tones({ chart, read }: Props) {
  const curve = chart?.curve;
  return (
    <section className="min-w-0 border-t-2 border-ink pt-2">
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">Tone, step chart</h2>
        <Button look="row" onClick={read}>
          Read a chart
        </Button>
      </span>
      {chart && curve ? (
        <>
          <p className="note">{chart.name}</p>
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
        </>
      ) : (
        <p className="note mt-1">
          No step chart was printed by this pair yet: how greys fall between the ends is not known,
          and a picture would print darker in its middle than it was drawn.
        </p>
      )}
    </section>
  );
}
