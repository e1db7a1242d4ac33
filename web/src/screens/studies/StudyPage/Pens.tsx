import { useId, useState } from "react";
import type { Study } from "../../../api/studies";
import { PenDot } from "../../../figures/map/PenStroke";
import { Care } from "../../../ui/Care";
import type { Changes } from "./useStudy";

const [MOST, LONGEST] = [8, 30];

/** The room's own pens, one for each stage, in the order they are taken up. */
export function Pens({ study, changes }: { study: Study; changes: Changes }) {
  const id = useId();
  const [wrong, setWrong] = useState("");
  const keep = (text: string) => {
    const pens = [...new Set(text.split(",").map((pen) => pen.trim()))].filter(Boolean);
    const long = pens.find((pen) => pen.length > LONGEST);
    if (pens.length > MOST) setWrong(`${pens.length} pens: at most ${MOST}.`);
    else if (long) setWrong(`"${long}" has ${long.length} letters: at most ${LONGEST}.`);
    else {
      setWrong("");
      if (pens.join() !== study.pens?.join()) changes.change({ pens });
    }
  };
  return (
    <div className="mt-3 max-w-180">
      <label htmlFor={id} className="mb-1 block font-semibold">
        Pens, one for each stage, with commas between
      </label>
      <input
        key={study.pens?.join()}
        id={id}
        defaultValue={study.pens?.join(", ")}
        onBlur={(event) => keep(event.target.value)}
        className="w-full rounded-cut border-[1.5px] border-ink bg-white px-3 py-2"
      />
      <p className="note mt-1 flex flex-wrap gap-x-3">
        {study.pens?.map((pen) => (
          <span key={pen} className="inline-flex items-center gap-1">
            <PenDot pen={pen} /> {pen}
          </span>
        ))}
      </p>
      {wrong ? <Care role="alert">{wrong}</Care> : null}
    </div>
  );
}
