import type { Plan } from "../../../api/plans";
import { inWords } from "../../../device/sheet";
import type { AreaRow } from "../../../processes/parts";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Digits, Table } from "../../../ui/Table";

type Props = { form: Form; plan: Plan };

/** After a finished run: what is opened again, or a new grain over the one that was stripped. */
export function GoingOn({ form, plan }: Props) {
  const anew = useTyped(form, "anew") === "yes";
  if (plan.why_on === "") return null;
  const stands = plan.over_first.length === 0;
  const turn = () => {
    form.hook.setValue("anew", anew ? "" : "yes", { shouldDirty: true });
    if (!anew) for (const place of rowsOf(form).keys()) set(form, place, "");
  };
  return (
    <section className="mt-4" aria-label="Bite on">
      <h3>Bite on</h3>
      <p className="note my-1">{plan.why_on}</p>
      {stands && !anew ? <Again form={form} /> : null}
      {anew || plan.bitten || plan.open_again.length > 0 ? (
        <Button look="quiet" onClick={turn}>
          {anew
            ? "Not for a new ground"
            : stands
              ? "Plan it for a new ground"
              : "Plan a second aquatint"}
        </Button>
      ) : null}
    </section>
  );
}

const rowsOf = (form: Form) => form.hook.getValues("areas") as AreaRow[];
const set = (form: Form, place: number, to: string) =>
  form.hook.setValue(`areas.${place}.again`, to, { shouldDirty: true });

function Again({ form }: { form: Form }) {
  const rows = useTyped<AreaRow[]>(form, "areas");
  return (
    <fieldset className="my-1 flex flex-wrap gap-x-5">
      <legend className="font-semibold">Open again</legend>
      {rows.map((row, place) => (
        <label key={row.name} className="flex min-h-9 items-center gap-2 pointer-coarse:min-h-12">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={row.again === "yes"}
            onChange={() => set(form, place, row.again === "yes" ? "" : "yes")}
          />
          {row.name}
        </label>
      ))}
    </fieldset>
  );
}

/** What two screens print together, and what earlier lines do while this is bitten. */
export function Together({ plan }: { plan: Plan }) {
  const { goal } = plan.sheet;
  const deeper = plan.meanwhile.filter((each) => each.depth_left_open_um > each.depth_um + 1);
  return (
    <>
      {plan.over_first.length > 0 ? (
        <Table
          columns={[
            { head: "Both screens" },
            { head: "First", right: true },
            { head: "Together", right: true },
            { head: "from, to", right: true },
          ]}
        >
          {plan.over_first.map(({ name, first, both, bitten }) => (
            <tr key={name}>
              <td>{name}</td>
              <Digits>{inWords(goal, first.value)}</Digits>
              <Digits>{bitten ? <b>{inWords(goal, both.value)}</b> : "as it is"}</Digits>
              <Digits>{bitten ? `${both.low.toFixed(0)} to ${both.high.toFixed(0)}` : ""}</Digits>
            </tr>
          ))}
        </Table>
      ) : null}
      {deeper.length > 0 ? (
        <Care className="mt-2">
          Lines left open bite on:{" "}
          {deeper
            .map(
              (e) => `${e.name} ${e.depth_um.toFixed(0)} to ${e.depth_left_open_um.toFixed(0)} µm`,
            )
            .join(", ")}
          . Stop out those that are to stay.
        </Care>
      ) : null}
    </>
  );
}
