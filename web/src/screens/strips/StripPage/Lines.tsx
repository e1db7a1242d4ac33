import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changeStrip, type Strip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { lineOf, type MeasuredLine, MeasuredLines, typedLine } from "../../../ui/MeasuredLines";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";

/** A line strip: lines of known time, measured, that calibrate depth and width. */
export function Lines({ strip }: { strip: Strip }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const [rows, setRows] = useState(() => strip.measured.map(typedLine));
  const at = {
    temperature_c: strip.conditions.temperature_c ?? 20,
    load_g_per_l: strip.conditions.load_g_per_l ?? 0,
  };
  const lines = rows.map((row) => lineOf(row, at));
  const save = useMutation({
    mutationFn: () =>
      changeStrip(room, strip.id, { version: strip.version, lines: lines as MeasuredLine[] }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "The lines are kept; plans of lines follow them." });
    },
  });
  return (
    <section className="section">
      <MeasuredLines
        title="Lines measured on this strip"
        hint="Seconds in all, in the strip's own bath."
        rows={rows}
        setRows={setRows}
      />
      {rows.length > 0 || strip.measured.length > 0 ? (
        <button
          type="button"
          className="btn"
          disabled={lines.includes(null) || save.isPending}
          onClick={() => save.mutate()}
        >
          Keep the lines
        </button>
      ) : null}
      <Trouble error={save.error} />
    </section>
  );
}
