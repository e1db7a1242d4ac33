import { useMutation, useQueryClient } from "@tanstack/react-query";
import { saveUnits, sessionQuery } from "../../../api/session";
import { useHere } from "../../../frame/useHere";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { Trouble } from "../../../ui/Trouble";

const LENGTHS = [
  ["mm", "mm"],
  ["in", "inches"],
] as const;
const TEMPERATURES = [
  ["C", "°C"],
  ["F", "°F"],
] as const;

/** The units one reads and types in. */
export function MyUnits() {
  const { me } = useHere();
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: saveUnits,
    onSuccess: () => client.invalidateQueries({ queryKey: sessionQuery.queryKey }),
  });
  const units = {
    length_unit: me.length_unit as "mm" | "in",
    temperature_unit: me.temperature_unit as "C" | "F",
  };
  return (
    <Section>
      <h2>Your units</h2>
      <div className="mt-2.5 flex flex-wrap gap-4">
        <Segments
          label="Lengths"
          value={units.length_unit}
          options={LENGTHS}
          onChange={(length_unit) => save.mutate({ ...units, length_unit })}
        />
        <Segments
          label="Temperatures"
          value={units.temperature_unit}
          options={TEMPERATURES}
          onChange={(temperature_unit) => save.mutate({ ...units, temperature_unit })}
        />
      </div>
      <Trouble error={save.error} />
    </Section>
  );
}
