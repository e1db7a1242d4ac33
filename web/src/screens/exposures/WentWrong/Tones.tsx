import { useQuery } from "@tanstack/react-query";
import { type FaultsAsked, testQuery, testsQuery } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";

export type FourTones = Pick<FaultsAsked, "printed" | "wanted">;
type Read = { printed: NonNullable<FaultsAsked["printed"]> };

const SHAPE = shapeOf("PlateFaultsInput", {
  "printed.paper_lstar": number("Clear film", { needed: true }),
  "printed.highlight_lstar": number("5 %", { needed: true }),
  "printed.shadow_lstar": number("95 %", { needed: true }),
  "printed.solid_lstar": number("Solid", { needed: true }),
});
const NAMES = Object.keys(SHAPE.fields);
const START = {
  printed: { paper_lstar: "", highlight_lstar: "", shadow_lstar: "", solid_lstar: "" },
};

/** What the four tones printed, against those of the test whose pair the plate was exposed by. */
export function Tones({ take }: { take: (tones: FourTones | null) => void }) {
  const { room } = useHere();
  const { data: tests } = useQuery(testsQuery(room));
  const told = tests?.items.find((test) => test.waits === "" && !test.out_reason);
  const { data: test } = useQuery(testQuery(room, told?.id ?? ""));
  const form = useForm<Read, void>(SHAPE, {
    start: START,
    send: async ({ printed }) => take({ printed, wanted: test?.pair?.tones ?? null }),
  });
  if (!test?.pair) return null;
  return (
    <details className="mt-3">
      <summary className="min-h-9 cursor-pointer font-semibold pointer-coarse:min-h-12">
        What the four tones printed, where they were read
      </summary>
      <form noValidate onSubmit={form.submit} className="mt-2">
        <p className="note">Against the pair of {test.name}.</p>
        <div className="mt-2 flex flex-wrap items-start gap-4">
          {NAMES.map((name) => (
            <NumberField key={name} form={form} name={name} step={0.5} />
          ))}
        </div>
        <FormFoot form={form} submit="Take them in" look="plain">
          <Button look="quiet" onClick={() => take(null)}>
            Leave them out
          </Button>
        </FormFoot>
      </form>
    </details>
  );
}
