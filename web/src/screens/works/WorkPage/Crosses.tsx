import type { Sheet, Work } from "../../../api/works";
import type { Log } from "../../../device/useWaiting";
import { isFilm } from "../../../frame/works/todo";
import { Button } from "../../../ui/Button";
import { CellField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, type Shape } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Table } from "../../../ui/Table";
import { useUser } from "../../../ui/useUser";

const off = (label: string) => ({ ...length(label), low: -50, high: 50 });
const SHAPE: Shape = {
  fields: {
    "rows.*.left_right": off("Left cross of plate #, right"),
    "rows.*.left_down": off("Left cross of plate #, down"),
    "rows.*.right_right": off("Right cross of plate #, right"),
    "rows.*.right_down": off("Right cross of plate #, down"),
  },
};
type Row = Record<"left_right" | "left_down" | "right_right" | "right_down", number | null>;
type Props = { sheet: Sheet; work: Work; log: Log; close: () => void };

/** Offsets read by loupe against the key's crosses, at the left and the right of the print. */
export function Crosses({ sheet, work, log, close }: Props) {
  const { units } = useUser();
  const printed = new Set(sheet.prints.map((each) => each.layer));
  const films = work.layers_out.filter((each) => isFilm(each) && printed.has(each.id));
  const key = films.find((each) => each.key) ?? films.at(-1);
  const others = films.filter((each) => each.id !== key?.id).slice(0, 5);
  const blank = { left_right: "", left_down: "", right_right: "", right_down: "" };
  const form = useForm<{ rows: Row[] }, null>(SHAPE, {
    start: { rows: others.map(() => ({ ...blank })) },
    send: async ({ rows }) => {
      log({
        kind: "crosses-read",
        data: {
          sheet: sheet.event,
          key: key?.id ?? "",
          by: "loupe",
          task: null,
          layers: others.flatMap((layer, i) => {
            const crosses = crossesOf(rows[i] as Row, layer.places, work);
            return crosses.length > 0 ? [{ layer: layer.id, name: layer.name, crosses }] : [];
          }),
        },
      });
      return null;
    },
    done: close,
  });
  if (!key || others.length === 0) return <p>Two plates must be on the sheet.</p>;
  return (
    <form noValidate onSubmit={form.submit} className="grid gap-2">
      <p>
        By how much each plate's cross lies off that of <b>{key.name}</b>, in {units.length_unit}:
        right and down count up, left and up with a minus. Leave empty what was not read.
      </p>
      <Table
        columns={[
          { head: "Plate" },
          { head: "Left cross: right" },
          { head: "Left cross: down" },
          { head: "Right cross: right" },
          { head: "Right cross: down" },
        ]}
      >
        {others.map((layer, i) => (
          <tr key={layer.id}>
            <td>{layer.name}</td>
            {(Object.keys(blank) as (keyof Row)[]).map((name) => (
              <CellField
                key={name}
                form={form}
                name={`rows.${i}.${name}`}
                label={`${layer.name}, ${LABELS[name]}`}
              />
            ))}
          </tr>
        ))}
      </Table>
      <FormFoot form={form} submit="Keep what was read" look="plain">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

const LABELS: Record<keyof Row, string> = {
  left_right: "left cross, right",
  left_down: "left cross, down",
  right_right: "right cross, right",
  right_down: "right cross, down",
};
const LOUPE_MM = 0.1;

function crossesOf(row: Row, places: [number, number][], work: Work) {
  const across = work.width_mm ?? 200;
  const middle = (work.height_mm ?? 150) / 2;
  const left = places[0] ?? [10, middle];
  const right = places[1] ?? [across - 10, middle];
  const pairs = [
    { at: left, right_mm: row.left_right, down_mm: row.left_down },
    { at: right, right_mm: row.right_right, down_mm: row.right_down },
  ];
  return pairs.flatMap(({ at, right_mm, down_mm }) =>
    right_mm === null && down_mm === null
      ? []
      : [
          {
            x_mm: at[0],
            y_mm: at[1],
            right_mm: right_mm ?? 0,
            down_mm: down_mm ?? 0,
            spread_mm: LOUPE_MM,
          },
        ],
  );
}
