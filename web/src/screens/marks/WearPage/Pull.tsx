import { useState } from "react";
import type { MarksState } from "../../../api/marks";
import type { Log } from "../../../device/useWaiting";
import { Button } from "../../../ui/Button";
import { Segments } from "../../../ui/Segments";
import { useSay } from "../../../ui/Toast";

const PASSES = [
  ["1", "once"],
  ["2", "twice"],
] as const;

/** One more impression, with inky hands: one touch; what it was read as may come later. */
export function Pull({ state, log }: { state: MarksState; log: Log }) {
  const last = state.impressions.at(-1);
  const [passes, setPasses] = useState<"1" | "2">(last?.passes === 2 ? "2" : "1");
  const say = useSay();
  const pull = (spoiled: boolean) => {
    const event = log({
      kind: "pulled",
      data: { passes: Number(passes), spoiled, spread: 0.8, note: "" },
    });
    say({
      text: `No. ${state.impressions.length + 1}${spoiled ? ", spoiled" : ""} is kept.`,
      undo: () => log({ kind: "undo", data: { event } }),
    });
  };
  return (
    <section className="border-t-2 border-ink pt-2">
      <h2 className="text-h3">
        No. <span className="num">{state.impressions.length + 1}</span> next
      </h2>
      <p className="mt-1.5 flex items-center gap-2">
        <span>Through the press</span>
        <Segments
          label="Passes through the press"
          value={passes}
          options={PASSES}
          onChange={setPasses}
        />
      </p>
      <span className="mt-2 grid gap-2">
        <Button look="strong" className="min-h-14" onClick={() => pull(false)}>
          Pulled
        </Button>
        <Button look="plain" onClick={() => pull(true)}>
          Spoiled
        </Button>
      </span>
      <p className="note mt-1.5">
        A spoiled one wears the plate as well. Fingers out of the nip; nobody turns while another
        lays paper.
      </p>
    </section>
  );
}
