import { useMutation } from "@tanstack/react-query";
import { writeTable } from "../../../api/calc";
import type { Strip } from "../../../api/strips";
import { Button } from "../../../ui/Button";
import { saveText } from "../../../ui/saveText";
import { Trouble } from "../../../ui/Trouble";

const FORMS = [
  ["csv", "CSV"],
  ["cgats", "CGATS"],
] as const;

/** The readings of a strip as a file: a table, or the text other programs of colour read. */
export function TakeAway({ strip }: { strip: Strip }) {
  const take = useMutation({
    mutationFn: (form: "csv" | "cgats") =>
      writeTable({
        form,
        title: strip.name,
        readings: strip.readings.map(({ seconds, lstar, spread }, i) => ({
          name: String(i + 1),
          seconds,
          lstar,
          spread: spread ?? null,
        })),
      }),
    onSuccess: ({ name, text }) => saveText(name, text),
  });
  return (
    <>
      {FORMS.map(([form, word]) => (
        <Button key={form} look="quiet" disabled={take.isPending} onClick={() => take.mutate(form)}>
          {word}
        </Button>
      ))}
      <Trouble error={take.error} />
    </>
  );
}
