import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Course, changeCourse, courseQuery } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { Choice } from "../../../ui/Field";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { Repair } from "./Repair";

type Props = { plate: Plate; course: Course; after: string | null };

/** Add a step of the table after the chosen one, or a whole route of repair. */
export function AddSteps({ plate, course, after }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const [key, setKey] = useState("proof");
  const add = useMutation({
    mutationFn: (given: { keys: string[]; reason: string }) =>
      changeCourse(room, plate.id, {
        version: course.version,
        act: "add",
        step: after,
        measures: {},
        ...given,
      }),
    onSuccess: async (next) => {
      client.setQueryData(courseQuery(room, plate.id).queryKey, next);
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "Added to the course." });
    },
  });
  return (
    <details className="section">
      <summary>Add a step, or a repair</summary>
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
      <Repair plate={plate} add={(keys, reason) => add.mutate({ keys, reason })} />
      <Trouble error={add.error} />
    </details>
  );
}
