import { useState } from "react";
import type { WorkState } from "../../../api/works";
import type { Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";

/** Keep sheets together by hand: those of one inking are so by themselves. */
export function Join({ state, hands }: { state: WorkState; hands: Hands }) {
  const [open, setOpen] = useState(false);
  const [chosen, choose] = useState<string[]>([]);
  const [name, setName] = useState("");
  if (!open)
    return (
      <Button look="quiet" className="mt-3" onClick={() => setOpen(true)}>
        Keep sheets together
      </Button>
    );
  const toggle = (sheet: string) =>
    choose((now) => (now.includes(sheet) ? now.filter((each) => each !== sheet) : [...now, sheet]));
  return (
    <form
      className="mt-3 grid max-w-140 gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (chosen.length === 0) return;
        hands.join(chosen, name.trim());
        setOpen(false);
        choose([]);
      }}
    >
      <fieldset className="flex flex-wrap gap-x-4">
        <legend className="font-semibold">Which belong together</legend>
        {state.sheets.map((each) => (
          <label
            key={each.event}
            className="flex min-h-9 items-center gap-2 pointer-coarse:min-h-12"
          >
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={chosen.includes(each.event)}
              onChange={() => toggle(each.event)}
            />
            sheet {each.place}
          </label>
        ))}
      </fieldset>
      <label className="grid gap-1">
        <span className="font-semibold">Called</span>
        <input
          className="min-h-10 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <span className="flex gap-3">
        <Button type="submit" disabled={chosen.length === 0}>
          Keep them together
        </Button>
        <Button look="quiet" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </span>
    </form>
  );
}
