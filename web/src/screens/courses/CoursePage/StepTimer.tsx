import { useState } from "react";
import type { CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useTimerActs, useWaits } from "../../../frame/Waits";
import { TextField } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { parseTime } from "../../../ui/times";

/** Start the wait of a step as a timer; it shows on the bench and at the bath too. */
export function StepTimer({ plate, step }: { plate: Plate; step: CourseStep }) {
  const [minutes, setMinutes] = useState(`${Math.max(1, step.wait_minutes)} min`);
  const { start } = useTimerActs();
  const running = useWaits().some((t) => t.plate === plate.id && t.what === step.timer);
  const seconds = parseTime(minutes);
  return (
    <div className="section flex flex-wrap items-end gap-3">
      <div style={{ width: 150 }}>
        <TextField label={`Timer: ${step.timer}`} value={minutes} onChange={setMinutes} />
      </div>
      <button
        type="button"
        className="btn"
        disabled={!seconds || start.isPending}
        onClick={() => seconds && start.mutate({ plate: plate.id, what: step.timer, seconds })}
      >
        <Mark name="ground" /> {running ? "Start another" : "Start the timer"}
      </button>
      {seconds ? null : <span className="care">Write 12 min, 12:00 or 90 s.</span>}
      <Trouble error={start.error} />
    </div>
  );
}
