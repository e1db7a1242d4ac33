import { useQueryClient } from "@tanstack/react-query";
import { type Bath, bathQuery, changeBath } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, share } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import type { Sent } from "../../../ui/form/useKeeping";
import { typedNumber } from "../../../ui/numbers";
import { Section } from "../../../ui/Section";
import { useSaved } from "./useSaved";

const USUAL_SPREAD = 0.05;

const SHAPE = shapeOf("BathChange", {
  rate_factor: number("Speed over the strip's", { needed: true, unit: "×" }),
  rate_factor_spread: share("How sure, ±", { needed: true }),
});
type Read = { rate_factor: number; rate_factor_spread: number };

const typedSpeed = (bath: Bath) => ({
  rate_factor: typedNumber(bath.rate_factor),
  rate_factor_spread: typedNumber((bath.rate_factor_spread ?? USUAL_SPREAD) * 100),
});

/** A measured speed, which stands in for what thermometer and load say. */
export function Measured({ bath }: { bath: Bath }) {
  const { room } = useHere();
  const client = useQueryClient();
  const saved = useSaved();
  const send = (read: Partial<Read>, { version }: Pick<Sent, "version">) =>
    changeBath(room, bath.id, { rate_factor: null, rate_factor_spread: null, ...read, version });
  const form = useForm<Read, Bath>(SHAPE, {
    start: typedSpeed(bath),
    version: bath.version,
    send,
    theirs: async () => {
      const now = await client.fetchQuery({ ...bathQuery(room, bath.id), staleTime: 0 });
      return { version: now.version, values: typedSpeed(now) };
    },
    done: (next) => saved(next, "The measured speed is used from now on."),
  });
  const forget = () =>
    form.act(async () => {
      const next = await send({}, bath);
      await saved(next, "Back to thermometer and load.");
      return next;
    });
  return (
    <Section>
      <h2>Measured speed</h2>
      <p className="note mt-1 mb-2.5">
        From a coupon or a check patch: today's speed over the speed at your strip. It replaces what
        thermometer and load say, and is carried along when the temperature moves.
      </p>
      <form noValidate onSubmit={form.submit}>
        <div className="flex flex-wrap items-start gap-4">
          <NumberField form={form} name="rate_factor" step={0.01} />
          <NumberField form={form} name="rate_factor_spread" />
          <FormFoot form={form} submit="Use it" look="plain" beside>
            {bath.rate_factor ? (
              <Button look="quiet" onClick={forget}>
                Forget it
              </Button>
            ) : null}
          </FormFoot>
        </div>
      </form>
    </Section>
  );
}
