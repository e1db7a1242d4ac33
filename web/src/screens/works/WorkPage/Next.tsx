import { useState } from "react";
import type { Sheet, Work } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Todo } from "../../../frame/works/todo";
import { doNext, type Hands } from "../../../frame/works/useWorkHands";
import { Button, ButtonLink } from "../../../ui/Button";
import { Key } from "../../../ui/Key";
import { Segments } from "../../../ui/Segments";

type Props = { todo: Todo; hands: Hands; work: Work };

/** The one thing to do next, with inky hands: one touch, or Space. */
export function Next({ todo, hands, work }: Props) {
  const { room } = useHere();
  const [asked, ask] = useState(false);
  if (todo.kind === "layers")
    return (
      <ButtonLink look="strong" to={`/r/${room}/works/${work.id}/layers`}>
        Name its layers
      </ButtonLink>
    );
  if (todo.kind === "approve")
    return asked ? (
      <Approve sheet={todo.sheet} hands={hands} close={() => ask(false)} />
    ) : (
      <span className="flex flex-wrap gap-3">
        <Button onClick={() => hands.begin(work.layers_out[0] as Work["layers_out"][number])}>
          Print another
        </Button>
        <Button look="strong" onClick={() => ask(true)}>
          OK to print
        </Button>
      </span>
    );
  const label = labelOf(todo);
  if (!label) return null;
  return (
    <span className="flex flex-wrap items-center gap-3 max-phone:w-full">
      {todo.kind === "print" || todo.kind === "sign" ? (
        <Button onClick={() => hands.begin(work.layers_out[0] as Work["layers_out"][number])}>
          New sheet
        </Button>
      ) : null}
      <Button
        look="strong"
        className="min-h-14 px-6 max-phone:w-full"
        onClick={() => doNext(todo, hands)}
      >
        {label} <Key>Space</Key>
      </Button>
    </span>
  );
}

function labelOf(todo: Todo): string {
  switch (todo.kind) {
    case "move":
      return "It is moved";
    case "ghost":
      return todo.ghost === 0 ? "First pull made" : `Ghost ${todo.ghost} pulled`;
    case "ink":
      return `${todo.layer.name} is inked`;
    case "print":
      return `${todo.layer.name} is on sheet ${todo.sheet.place}`;
    case "begin":
      return `${todo.layer.name} is on a new sheet`;
    case "sign":
      return `Sign sheet ${todo.sheet.place}`;
    default:
      return "";
  }
}

const BY = [
  ["printer", "Printer"],
  ["artist", "Artist"],
] as const;

/** A sheet becomes the standard: who says so, and on what condition. */
function Approve({ sheet, hands, close }: { sheet: Sheet; hands: Hands; close: () => void }) {
  const [by, setBy] = useState<"printer" | "artist">("printer");
  const [condition, setCondition] = useState("");
  return (
    <form
      className="grid max-w-100 gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        hands.approve(sheet, by, condition.trim());
        close();
      }}
    >
      <Segments label="Who says so" value={by} options={BY} onChange={setBy} />
      <label className="grid gap-1">
        <span className="font-semibold">Only if</span>
        <input
          className="min-h-10 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
          maxLength={120}
          value={condition}
          placeholder="empty: as it is"
          onChange={(event) => setCondition(event.target.value)}
        />
      </label>
      <span className="flex flex-wrap gap-3">
        <Button type="submit" look="strong">
          Sheet {sheet.place} is OK
        </Button>
        <Button look="quiet" onClick={close}>
          Not yet
        </Button>
      </span>
    </form>
  );
}
