import { useState } from "react";
import type { Work } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Todo } from "../../../frame/works/todo";
import type { Hands } from "../../../frame/works/useWorkHands";
import { Button, ButtonLink } from "../../../ui/Button";
import { Key } from "../../../ui/Key";
import { Approve } from "./Approve";

/** Where another sheet may be wanted first. */
const AGAIN = new Set(["print", "sign", "move", "grown", "done"]);

type Props = { todo: Todo; hands: Hands; next: () => void; work: Work };

/** The one thing to do next, with inky hands: one touch, or Space. */
export function Next({ todo, hands, next, work }: Props) {
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
  return (
    <span className="flex flex-wrap items-center gap-3 max-phone:w-full">
      {AGAIN.has(todo.kind) ? (
        <Button onClick={() => hands.begin(work.layers_out[0] as Work["layers_out"][number])}>
          New sheet
        </Button>
      ) : null}
      <Button look="strong" className="min-h-14 px-6 max-phone:w-full" onClick={next}>
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
