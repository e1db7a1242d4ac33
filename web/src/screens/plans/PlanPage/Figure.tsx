import { useMemo, useState } from "react";
import type { Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection, endOf } from "../../../figures/bite/model";
import { reachedIn } from "../../../figures/bite/reachedNow";
import { StageWarnings } from "../../../figures/StageWarnings";
import type { Way } from "../../../processes/form";
import type { AreaRow, ProcessParts } from "../../../processes/parts";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { clock } from "../../../ui/times";

import { Together } from "./GoingOn";

const SHORTEST_SECONDS = 5;

/** A pulled time by the clock, in the steps that hands keep. */
const inSteps = (seconds: number) =>
  Math.max(SHORTEST_SECONDS, Math.round(seconds / SHORTEST_SECONDS) * SHORTEST_SECONDS);

type Props = { process: ProcessParts; plate: Plate; plan: Plan; form: Form; even: boolean };

/** The section, what stands below it, and what to beware of. */
export function Figure({ process, plate, plan, form, even }: Props) {
  const [selected, setSelected] = useState(-1);
  const { pulled, Below } = process;
  const timed = useTyped<Way>(form, "way") === "minutes";
  const section = useMemo(
    () => biteSection(plan.areas, plan.sheet, plan.in_bath, endOf(plan)),
    [plan],
  );
  const reached = useMemo(() => reachedIn(plate, plan), [plate, plan]);
  const pull = (place: number, seconds: number) => {
    if (!pulled) return;
    const wish = timed
      ? { seconds: clock(inSteps(seconds / plan.sheet.plan.speed)) }
      : pulled(plan, Math.max(SHORTEST_SECONDS, seconds));
    const rows = form.hook.getValues("areas") as AreaRow[];
    const row = rows.findIndex((each) => each.name === plan.areas[place]?.name);
    for (const [key, value] of Object.entries(wish)) {
      if (row >= 0) form.hook.setValue(`areas.${row}.${key}`, value, { shouldDirty: true });
    }
  };
  return (
    <>
      <BiteSection
        section={section}
        metal={plate.metal}
        large
        even={even}
        reached={reached}
        editing={
          pulled && !plate.run ? { selected, onSelect: setSelected, onFloor: pull } : undefined
        }
      />
      {Below ? <Below plan={plan} /> : null}
      <Together plan={plan} />
      <StageWarnings plan={plan} fine={process.fine} />
    </>
  );
}
