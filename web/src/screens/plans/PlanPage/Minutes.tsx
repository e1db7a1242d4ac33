import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { readMinutes } from "../../../api/calc";
import type { Plan } from "../../../api/plans";
import { inWords } from "../../../device/sheet";
import { minutesOf, type Way } from "../../../processes/form";
import type { AreaRow, ProcessParts } from "../../../processes/parts";
import { Button } from "../../../ui/Button";
import { CellField } from "../../../ui/form/Fields";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Segments } from "../../../ui/Segments";
import { Digits } from "../../../ui/Table";
import { clock } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";

type Props = { process: ProcessParts; form: Form; plan: Plan | null };

/** Whether goals are typed or minutes out of habit; a row of minutes may be written at once. */
export function WayOfPlanning({ process, form, plan }: Props) {
  const way = useTyped<Way>(form, "way");
  const rows = () => form.hook.getValues("areas") as AreaRow[];
  const set = (place: number, cells: Record<string, unknown>) => {
    for (const [key, value] of Object.entries(cells))
      form.hook.setValue(`areas.${place}.${key}`, value, { shouldDirty: true });
  };
  const turn = (next: Way) => {
    if (next === way) return;
    rows().forEach((row, place) => {
      if (plan && next === "minutes") set(place, { seconds: minutesOf(plan, row.name) });
      const comes = plan?.sheet.areas.find((area) => area.name === row.name)?.wanted;
      if (next === "goal" && comes != null) set(place, process.typedGoal(comes));
    });
    form.hook.setValue("way", next, { shouldDirty: true });
  };
  return (
    <div className="mb-2 grid justify-items-start gap-2 [&>div]:w-full">
      <Segments
        label="Planned by"
        value={way}
        options={[
          ["goal", `By ${process.goal}`],
          ["minutes", "By minutes"],
        ]}
        onChange={turn}
      />
      {way === "minutes" ? <Row process={process} rows={rows} set={set} /> : null}
    </div>
  );
}

type RowProps = {
  process: ProcessParts;
  rows: () => AreaRow[];
  set: (place: number, cells: Record<string, unknown>) => void;
};

/** "2 + 4 + 8" or "10, 30, 60": read by the server, filled into the areas from the lightest. */
function Row({ process, rows, set }: RowProps) {
  const [text, setText] = useState("");
  const [over, setOver] = useState("");
  const read = useMutation({
    mutationFn: () => readMinutes(text),
    onSuccess: ({ seconds }) => {
      const bitten = timed(rows());
      setOver(fits(process, seconds.length, bitten.length));
      if (seconds.length !== bitten.length) return;
      bitten.forEach((place, i) => {
        set(place, { seconds: clock(seconds[i] as number) });
      });
    },
  });
  return (
    <div>
      <label htmlFor="all-minutes" className="font-semibold">
        All at once, in minutes
      </label>
      <span className="flex items-center gap-3">
        <input
          id="all-minutes"
          className="num min-h-11 w-full rounded-cut border-[1.5px] border-ink bg-paper-lift px-2.5 pointer-coarse:min-h-12"
          placeholder="2 + 4 + 8, or 10, 30, 60"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== "Enter") return;
            event.preventDefault(); // or the plan would be kept
            read.mutate();
          }}
        />
        <Button onClick={() => read.mutate()} disabled={text.trim() === "" || read.isPending}>
          Fill in
        </Button>
      </span>
      <p className="note mt-1">With +, bites one after the other; with commas, times in all.</p>
      {over ? (
        <p role="alert" className="font-semibold text-ferric-deep">
          {over}
        </p>
      ) : null}
      <Trouble error={read.error} />
    </div>
  );
}

/** Places of the areas that have a time; every one where none has, as before the first plan came. */
function timed(rows: AreaRow[]): number[] {
  const places = rows.flatMap((row, place) => (row.seconds === "" ? [] : [place]));
  return places.length > 0 ? places : rows.map((_, place) => place);
}

/** Why a row of times does not fit the areas; empty where it does. */
function fits(process: ProcessParts, times: number, areas: number): string {
  if (times === areas) return "";
  const one = process.area === "area" ? "an area" : `a ${process.area}`;
  const more = times > areas ? `Add ${one}` : "Take some out, or leave their time empty";
  return `${times} times, but ${areas} ${process.area}s with a time. ${more}, or write ${areas}.`;
}

/** The time in all, and what the area will come to. */
export function TimedWish({ form, at, plan }: { form: Form; at: string; plan: Plan | null }) {
  const name = useTyped(form, `${at}.name`);
  const typed = useTyped(form, `${at}.seconds`);
  const comes = plan?.sheet.areas.find((area) => area.name === name)?.wanted;
  return (
    <>
      <CellField
        form={form}
        name={`${at}.seconds`}
        label={`${name}, time in all`}
        placeholder="white"
        step={5}
      />
      <Digits>
        {plan && comes != null && typed !== "" ? inWords(plan.sheet.goal, comes) : ""}
      </Digits>
    </>
  );
}
