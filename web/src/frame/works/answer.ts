import type { Work, WorkState } from "../../api/works";
import { inWords } from "../../ui/words";
import type { Units } from "../../ui/units";
import { todoOf, whole } from "./todo";
import { registerSaid, type Said } from "./words";

const SURE = 0.9;

/** The largest line of a work: what is so, and what to do about it. */
export function answerOf(work: Work, state: WorkState, units: Units): Said {
  if (work.stack_fault)
    return { title: "A layer cannot be printed so.", text: work.stack_fault.text };
  const todo = todoOf(work, state);
  switch (todo.kind) {
    case "layers":
      return {
        title: "Nothing prints here yet.",
        text: "Name the plates or layers in the order they come on the sheet.",
      };
    case "move":
    case "grown":
      return registerSaid(todo.told, work, units);
    case "ghost":
      return ghostSaid(work, todo.ghost, todo.layer.id, todo.layer.name);
    case "ink":
      return {
        title:
          state.sheets.length === 0 ? "Ready for the first inking." : "Ready for another inking.",
        text: `${todo.layer.how} Each sheet is one of a kind.`,
      };
    case "print":
      return {
        title: `Print ${todo.layer.name} on ${sheets(work, state, todo.layer.id)}.`,
        text: todo.layer.how,
      };
    case "begin":
      return begun(work, state, todo.layer.name);
    case "approve":
      return {
        title: `Is sheet ${todo.sheet.place} as it shall be?`,
        text: "Read its crosses, look at each colour, then say OK or print another.",
      };
    case "sign":
      if (work.stack?.unique)
        return {
          title: `Sheet ${todo.sheet.place} is whole.`,
          text: "It is one of a kind: sign it, or say that it is spoiled.",
        };
      return {
        title: `${work.done} of ${work.size} numbered.`,
        text: `Sheet ${todo.sheet.place} has every colour: sign it, or say that it is spoiled.`,
      };
    case "done":
      // a number is the print room's to give: signed here is not numbered yet
      if (work.done < (work.size ?? 0))
        return {
          title: `All ${work.size} are signed.`,
          text: `Numbered so far: ${work.done}. The others get theirs from the print room.`,
        };
      return { title: `All ${work.size} are numbered.`, text: "What is printed now is a proof." };
  }
}

function ghostSaid(work: Work, ghost: number, layer: string, name: string): Said {
  const told = work.ghosts_out.find((each) => each.layer === layer)?.told;
  const tone = told?.pulls.find((each) => each.pull === ghost + 1);
  const title = ghost === 0 ? "Inked: pull the first." : `Ghost ${ghost} to come.`;
  if (!tone || !told) return { title, text: `From this inking of ${name}.` };
  const band = `${tone.low.toFixed(0)} to ${tone.high.toFixed(0)}`;
  const whence = told.measured ? `from ${told.ghosts_read} ghosts read here` : "a guess";
  return {
    title:
      ghost === 0
        ? "Inked: pull the first."
        : `Ghost ${ghost} comes at L* ${tone.lstar.toFixed(0)} (${band}).`,
    text: `Of this inking of ${name}: each further pull keeps ${Math.round(100 * told.keeps)} % of the density, ${whence}.`,
  };
}

function begun(work: Work, state: WorkState, name: string): Said {
  const order = work.plates_order;
  if (order && !order.keeps) return { title: `${order.title}.`, text: order.text };
  const rest = work.layers_out.map((each) => each.name);
  const said = rest.length > 1 ? `${rest.slice(0, -1).join(", ")}, then ${rest.at(-1)}` : rest[0];
  if (state.approved === null && whole(state).length === 0)
    return { title: "Ready for the first proof.", text: `In this order: ${said}.` };
  const some = work.done > 0 || state.approved !== null;
  return {
    title: some ? `${work.done} of ${work.size} numbered.` : "Ready for another proof.",
    text: `The next sheet begins with ${name}.`,
  };
}

/** "sheet 3", "two sheets". */
function sheets(work: Work, state: WorkState, layer: string): string {
  const left = whole(state).filter(
    (each) =>
      each.signed === null &&
      each.prints.length > 0 &&
      work.layers_out.find((one) => !each.prints.some((p) => p.layer === one.id))?.id === layer,
  );
  return left.length > 1 ? `${inWords(left.length)} sheets` : `sheet ${left[0]?.place ?? ""}`;
}

/** How sure it is that a plate is to blame: in words where it is beyond doubt. */
export const sureOf = (chance: number): string =>
  chance > SURE ? "" : `, ${Math.round(100 * chance)} in 100`;
