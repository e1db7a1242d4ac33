import { useQueryClient } from "@tanstack/react-query";
import { changeStrip, type Strip, stripQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { FormFoot } from "../../../ui/form/FormFoot";
import { lineOf, MeasuredLines, measuredFields, typedLine } from "../../../ui/form/MeasuredLines";
import type { Typed } from "../../../ui/form/read";
import { shapeOf } from "../../../ui/form/shape";
import { useForm, useTyped } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { useSay } from "../../../ui/Toast";

const SHAPE = shapeOf("StripChange", measuredFields("lines"));
const USUAL_CELSIUS = 20;

const typedLines = (strip: Strip) => ({ lines: strip.measured.map(typedLine) });

/** A line strip: lines of known time, measured, that calibrate depth and width. */
export function Lines({ strip }: { strip: Strip }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const at = {
    temperature_c: strip.conditions.temperature_c ?? USUAL_CELSIUS,
    load_g_per_l: strip.conditions.load_g_per_l ?? 0,
  };
  const form = useForm<{ lines: Typed[] }, Strip>(SHAPE, {
    keepAs: `${room} lines ${strip.id}`,
    start: typedLines(strip),
    version: strip.version,
    send: ({ lines }, { version }) =>
      changeStrip(room, strip.id, { version, lines: lines.map((line) => lineOf(line, at)) }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...stripQuery(room, strip.id), staleTime: 0 });
      return { version: now.version, values: typedLines(now) };
    },
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "The lines are kept; plans of lines follow them." });
    },
  });
  const rows = useTyped<unknown[]>(form, "lines");
  return (
    <Section>
      <form noValidate onSubmit={form.submit}>
        <MeasuredLines
          form={form}
          at="lines"
          title="Lines measured on this strip"
          hint="Seconds in all, in the strip's own bath."
        />
        {rows.length > 0 || strip.measured.length > 0 ? (
          <FormFoot form={form} submit="Keep the lines" look="plain" />
        ) : null}
      </form>
    </Section>
  );
}
