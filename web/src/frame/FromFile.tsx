import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";
import { readTable } from "../api/calc";
import { Button } from "../ui/Button";
import { Care } from "../ui/Care";
import { Trouble } from "../ui/Trouble";

type Reading = Awaited<ReturnType<typeof readTable>>["readings"][number];

/** Take the readings out of a densitometer's file: CSV with comma or point, or CGATS text. */
export function FromFile({ onRead }: { onRead: (readings: Reading[]) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const read = useMutation({
    mutationFn: async (file: File) => readTable(await file.text()),
    onSuccess: ({ readings }) => onRead(readings),
  });
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <Button disabled={read.isPending} onClick={() => input.current?.click()}>
          Take it from a file
        </Button>
        <span className="note min-w-0 flex-1">
          A CSV, or the CGATS text of a densitometer. A row named paper is taken for the bare sheet.
        </span>
      </div>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.cgats,.ti3,text/plain,text/csv"
        aria-label="File of readings"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) read.mutate(file);
          event.target.value = "";
        }}
      />
      {read.data?.warnings.map((each) => (
        <Care key={each.code}>{each.text}</Care>
      ))}
      <Trouble error={read.error} />
    </div>
  );
}
