import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { changeTrial, type Marks, type Trial } from "../../../api/marks";
import { useHere } from "../../../frame/useHere";
import { useKeepMarks } from "../../../frame/useKeepMarks";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { dayOf } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { KeepTrial } from "./KeepTrial";

type Props = { marks: Marks; pressure: number; choose: (pressure: number) => void };

const WIDE_PX = 54;

/** What each pressure draws, from the room's trial or the table. */
export function Pressure({ marks, pressure, choose }: Props) {
  const { zone } = useHere();
  const [open, setOpen] = useState(false);
  const { trial } = marks;
  const read = new Map(trial?.pressures.map((each) => [each.pressure, each.lstar]));
  return (
    <section className="border-t-2 border-ink pt-2">
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">Pressure</h2>
        <span className="note">
          {trial
            ? `trial on an offcut, ${trial.read_on ? dayOf(trial.read_on, zone) : trial.name}`
            : "a guess: no trial yet"}
        </span>
      </span>
      <ul className="mt-1.5 grid grid-cols-5 gap-1">
        {marks.scale.rows.map((row) => (
          <li key={row.pressure} className="min-w-0">
            <button
              type="button"
              aria-pressed={row.pressure === pressure}
              onClick={() => choose(row.pressure)}
              className="block w-full text-center aria-pressed:[&_svg]:outline-3 aria-pressed:[&_svg]:outline-copper-deep"
            >
              <Lines um={row.width_um} />
              <b className="num block">{row.pressure}</b>
              <span className={`num text-note ${row.measured ? "" : "text-ink-3"}`}>
                {read.get(row.pressure) != null
                  ? `L* ${read.get(row.pressure)}`
                  : `${Math.round(row.width_um)} µm`}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {marks.scale.warnings.map((text) => (
        <Care key={text} className="mt-1">
          {text}
        </Care>
      ))}
      {open ? (
        <KeepTrial marks={marks} close={() => setOpen(false)} />
      ) : (
        <span className="flex flex-wrap gap-x-2">
          <Button look="row" onClick={() => setOpen(true)}>
            {trial ? "Another trial" : "Read a trial of five pressures"}
          </Button>
          {trial ? <LeaveOut marks={marks} trial={trial} /> : null}
        </span>
      )}
    </section>
  );
}

/** Four strokes as wide as they print, many times as large. */
function Lines({ um }: { um: number }) {
  const width = Math.min(11, Math.max(0.8, um / 26));
  return (
    <svg
      viewBox={`0 0 ${WIDE_PX} 50`}
      className="w-full border border-ink-3 bg-paper-lift"
      aria-hidden="true"
    >
      <path
        d="M8 44Q9 24 14 6M21 44Q22 24 27 6M34 44Q35 24 40 6M46 44Q47 26 50 10"
        className="fill-none stroke-ink"
        strokeWidth={width}
        strokeLinecap="round"
      />
    </svg>
  );
}

const REASON = "left out at a plate's marks";

/** The trial no longer counts, for any plate; it stays stored, and can be put back. */
function LeaveOut({ marks, trial }: { marks: Marks; trial: Trial }) {
  const { room } = useHere();
  const say = useSay();
  const keep = useKeepMarks(marks);
  const leave = useMutation({
    mutationFn: async () => {
      const out = await changeTrial(room, trial.id, { version: trial.version, out_reason: REASON });
      const kept = await keep({ trial: null });
      const back = async () => {
        await changeTrial(room, trial.id, { version: out.version, out_reason: "" });
        await keep({ trial: trial.id }, kept.version);
      };
      say({ text: `${trial.name} no longer counts.`, undo: () => void back() });
    },
  });
  return (
    <>
      <Button look="row" disabled={leave.isPending} onClick={() => leave.mutate()}>
        Leave it out
      </Button>
      <Trouble error={leave.error} />
    </>
  );
}
