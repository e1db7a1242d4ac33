import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { bathsQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Chooser } from "../../../ui/form/Picker";
import { fieldAt } from "../../../ui/form/shape";
import { shownIn } from "../../../ui/form/units";
import type { Form } from "../../../ui/form/useForm";

const TAKEN = ["temperature_c", "load_g_per_l", "baume"] as const;

/** Take the numbers of one of the room's baths. */
export function FromBath({ form }: { form: Form }) {
  const { room } = useHere();
  const baths = useQuery(bathsQuery(room)).data?.items ?? [];
  const [picked, setPicked] = useState("");
  const pick = (id: string) => {
    setPicked(id);
    const bath = baths.find((each) => each.id === id);
    if (!bath) return;
    form.hook.setValue("conditions.mordant", bath.mordant);
    for (const name of TAKEN) {
      const path = `conditions.${name}`;
      const field = fieldAt(form.shape, path);
      const value = bath[name];
      const typed = field && value != null ? shownIn(field, value, form.units, 1) : "";
      form.hook.setValue(path, typed, { shouldDirty: true });
    }
  };
  return (
    <Chooser
      label="Take the numbers from"
      value={picked}
      options={[["", "typed in"], ...baths.map((bath) => [bath.id, bath.name] as const)]}
      onChange={pick}
    />
  );
}
