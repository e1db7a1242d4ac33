import { useState } from "react";
import type { Course } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { Choice } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";
import { useAddSteps } from "./useAddSteps";

type Props = { plate: Plate; course: Course; after: string | null };

/** Add a step of the table after the chosen one. */
export function AddSteps({ plate, course, after }: Props) {
  const [key, setKey] = useState("proof");
  const add = useAddSteps(plate, course, after);
  return (
    <details className="section">
      <summary>Add a step</summary>
      <div className="flex flex-wrap items-end gap-3" style={{ margin: "10px 0" }}>
        <div style={{ flex: 1, minWidth: 180 }}>
          <Choice
            label="Step"
            value={key}
            options={Object.entries(course.can_add)}
            onChange={setKey}
          />
        </div>
        <button
          type="button"
          className="btn"
          onClick={() => add.mutate({ keys: [key], reason: "" })}
        >
          Add after this
        </button>
      </div>
      <Trouble error={add.error} />
    </details>
  );
}
