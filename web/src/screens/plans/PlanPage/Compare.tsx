import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Alternative, compareQuery, type PlanIn, type Sheet } from "../../../api/plans";
import { inWords } from "../../../device/sheet";
import { useHere } from "../../../frame/useHere";
import type { AreaRow, ProcessParts } from "../../../processes/parts";
import { Button } from "../../../ui/Button";
import type { Form } from "../../../ui/form/useForm";
import { Digits, Table } from "../../../ui/Table";
import { clock } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useLate } from "../../../ui/useLate";

type Props = {
  process: ProcessParts;
  plate: string;
  goal: Sheet["goal"];
  form: Form;
  sent: PlanIn | null;
};

/** Other ways to bite the same plan, side by side; each that can be taken at once has its button. */
export function Compare({ process, plate, goal, form, sent }: Props) {
  const { room, me } = useHere();
  const [asked, ask] = useState(false);
  const body = useLate(sent);
  const { data, error, isFetching } = useQuery(compareQuery(room, plate, asked ? body : null));
  const labelOf = (way: Alternative) =>
    way.kind === "warmth"
      ? `${way.label} (${shownTemperature(Number(way.key), me)} ${temperatureUnit(me)})`
      : way.label;
  if (!asked)
    return (
      <Button look="quiet" className="mt-3" onClick={() => ask(true)}>
        Compare other ways
      </Button>
    );
  return (
    <section aria-label="Other ways" aria-busy={isFetching} className="mt-4">
      <h3>{data ? answer(data, goal) : "Other ways"}</h3>
      <Trouble error={error} />
      {data ? (
        <Table
          columns={[
            { head: "Way" },
            { head: "Bites", right: true },
            { head: "In the bath", right: true },
            { head: "Worst off", right: true },
            { head: "Band ±", right: true },
            { head: "Take it", hidden: true },
          ]}
        >
          {data.map((way) => (
            <tr key={way.kind + way.key + way.label} className="[&>td]:align-middle">
              <td className={way.kind === "planned" ? "font-bold" : undefined}>{labelOf(way)}</td>
              <Digits>{way.bites}</Digits>
              <Digits>
                {clock(way.seconds)}
                {way.short ? <span className="note"> a bite too short</span> : null}
              </Digits>
              <Digits>
                {inWords(goal, way.worst)} <span className="note">{way.worst_area}</span>
              </Digits>
              <Digits>{way.band.toFixed(1)}</Digits>
              <td>
                {TAKEN[way.kind] ? (
                  <Button look="quiet" onClick={() => take(process, form, way)}>
                    Take it<span className="sr-only">: {labelOf(way)}</span>
                  </Button>
                ) : null}
              </td>
            </tr>
          ))}
        </Table>
      ) : null}
    </section>
  );
}

const TAKEN: Partial<Record<Alternative["kind"], true>> = { bath: true, strip: true, bites: true };

/** Put a way into the form: it is kept only when the plan is. */
function take(process: ProcessParts, form: Form, way: Alternative) {
  if (way.kind !== "bites") {
    form.hook.setValue(way.kind, way.key, { shouldDirty: true });
    return;
  }
  (form.hook.getValues("areas") as AreaRow[]).forEach((row, place) => {
    const goal = way.goals[row.name];
    if (goal === undefined) return;
    for (const [key, value] of Object.entries(process.typedGoal(goal)))
      form.hook.setValue(`areas.${place}.${key}`, value, { shouldDirty: true });
  });
}

/** Nearer than this to what is wanted nobody sees a difference. */
const SEEN = { tone: 2, depth: 3 };

/** Which way is worth a thought: the shortest that comes as near as the plan does. */
function answer(ways: Alternative[], goal: Sheet["goal"]): string {
  const [planned, ...others] = ways;
  if (!planned) return "Nothing to compare.";
  const near = others.filter((way) => way.worst <= planned.worst + SEEN[goal.kind] && !way.short);
  const best = near.sort((a, b) => a.seconds - b.seconds)[0];
  if (!best || best.seconds > planned.seconds - 30) return "No other way is shorter and as near.";
  const saved = clock(planned.seconds - best.seconds);
  return `${best.label}: ${saved} less in the bath, worst ${inWords(goal, best.worst)} off.`;
}
