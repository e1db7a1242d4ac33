import { useMutation } from "@tanstack/react-query";
import { writeTable } from "../api/calc";
import { Button } from "../ui/Button";
import { saveText } from "../ui/saveText";
import { Trouble } from "../ui/Trouble";

const FORMS = [
  ["csv", "CSV"],
  ["cgats", "CGATS"],
] as const;

type Reading = { name: string; seconds?: number; lstar: number; spread?: number | null };

/** Readings as a file: a table, or the text other programs of colour read. */
export function TakeAway({ title, readings }: { title: string; readings: Reading[] }) {
  const take = useMutation({
    mutationFn: (form: "csv" | "cgats") =>
      writeTable({
        form,
        title,
        readings: readings.map((each) => ({ ...each, spread: each.spread ?? null })),
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
