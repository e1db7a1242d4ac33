import type { Test } from "../../../api/exposures";
import { PairField, type Spot } from "../../../figures/exposure/PairField";
import { Button } from "../../../ui/Button";
import { saveText } from "../../../ui/saveText";
import { ReadPatch } from "./ReadPatch";
import { ReadPrint } from "./ReadPrint";

type Props = { test: Test; spot: Spot | null; choose: (spot: Spot | null) => void };

/** The field of a test; a patch that is chosen is read out, or read. */
export function Patches({ test, spot, choose }: Props) {
  return (
    <section className="min-w-0 border-t-2 border-ink pt-2">
      <span className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-h3">Two-way test</h2>
        <span className="note mr-auto">Each patch: clear, 5 %, 95 %, solid.</span>
        {test.readings.length > 0 ? <SaveCsv test={test} /> : null}
      </span>
      <PairField test={test} chosen={spot} choose={choose} />
      {test.pair ? (
        <p className="note flex flex-wrap items-center gap-x-4 gap-y-1">
          <span className="flex items-center gap-1.5">
            <i className="inline-block h-3 w-6 border-[3px] border-copper-deep" />
            lights hold and darks open
          </span>
          <span className="flex items-center gap-1.5">
            <svg width="24" height="12" aria-hidden="true">
              <path
                d="M1 1H23V11H1ZM5 1V11M9 1V11M13 1V11M17 1V11"
                className="fill-none stroke-ink"
              />
            </svg>
            may, 95 %
          </span>
        </p>
      ) : null}
      <ReadPrint test={test} />
      {spot ? (
        <ReadPatch
          key={`${spot.screen} ${spot.image}`}
          test={test}
          spot={spot}
          close={() => choose(null)}
        />
      ) : null}
    </section>
  );
}

function SaveCsv({ test }: { test: Test }) {
  const save = () => {
    const names = [
      "screen_seconds",
      "image_seconds",
      "paper_lstar",
      "highlight_lstar",
      "shadow_lstar",
      "solid_lstar",
      "spread",
    ] as const;
    const rows = test.readings.map((patch) => names.map((name) => patch[name] ?? "").join(","));
    saveText(`${test.name}.csv`, [names.join(","), ...rows].join("\n"));
  };
  return (
    <Button look="row" onClick={save}>
      Save as CSV
    </Button>
  );
}
