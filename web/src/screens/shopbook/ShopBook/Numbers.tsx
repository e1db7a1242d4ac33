import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { correctNumber, type NumberCell, shopBookQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { NumberField, TextField } from "../../../ui/Field";
import { dayOf } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";

const WORDS: Record<string, string> = {
  rate_um_per_min: "Rate at 20 °C, fresh",
  rate_log_spread: "its spread (of the logarithm)",
  energy_kj_per_mol: "Activation energy",
  energy_spread_kj_per_mol: "its spread",
  end_g_per_l: "End of life",
  end_spread_g_per_l: "its spread",
  wetting_seconds: "Wetting time",
  wetting_log_spread: "its spread (of the logarithm)",
  undercut: "Undercut",
};

/** The numbers of the mordants: the trade's, and the room's own in their place, with who and when. */
export function Numbers() {
  const { room, keeper } = useHere();
  const { data, error } = useQuery(shopBookQuery(room));
  const [mordant, setMordant] = useState("copper-ferric");
  const [changing, change] = useState<NumberCell | null>(null);
  if (error) return <Trouble error={error} />;
  const cells = data?.numbers ?? [];
  const names = new Map(cells.map((cell) => [cell.mordant, cell.label]));
  const own = new Set(cells.filter((cell) => cell.own).map((cell) => cell.mordant));
  return (
    <div className="book">
      <nav aria-label="Mordants">
        {[...names].map(([key, label]) => (
          <button
            key={key}
            type="button"
            aria-pressed={key === mordant}
            onClick={() => {
              setMordant(key);
              change(null);
            }}
          >
            {label}
            {own.has(key) ? " (own)" : ""}
          </button>
        ))}
      </nav>
      <section>
        <h2>{names.get(mordant)}</h2>
        <p className="note" style={{ margin: "2px 0 8px" }}>
          A number of your own stands in for the table's in every plan, bath and new strip of this
          room. {keeper ? "" : "Only a keeper corrects them."}
        </p>
        <table>
          <thead>
            <tr>
              <th>Number</th>
              <th className="right">Table</th>
              <th className="right">Here</th>
              <th>From</th>
              <th>
                <span className="vh">Correct</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {cells
              .filter((cell) => cell.mordant === mordant)
              .map((cell) => (
                <Row
                  key={cell.column}
                  cell={cell}
                  change={keeper ? () => change(cell) : undefined}
                />
              ))}
          </tbody>
        </table>
        {changing ? (
          <Correct
            key={changing.column}
            cell={changing}
            word={WORDS[changing.column] ?? changing.column}
            close={() => change(null)}
          />
        ) : null}
      </section>
    </div>
  );
}

function Row({ cell, change }: { cell: NumberCell; change?: () => void }) {
  const { zone } = useHere();
  return (
    <tr>
      <td>{WORDS[cell.column] ?? cell.column}</td>
      <td className="right n">
        {cell.table_value} {cell.unit}
      </td>
      <td className="right n">
        <b style={{ color: cell.own ? "var(--verdigris)" : undefined }}>
          {cell.value} {cell.unit}
        </b>
      </td>
      <td>
        {cell.own
          ? `${cell.own.by}, ${dayOf(cell.own.at, zone)}. ${cell.own.reason}`
          : "the trade's starting guess"}
      </td>
      <td>
        {change ? (
          <button type="button" className="link" onClick={change}>
            correct
          </button>
        ) : null}
      </td>
    </tr>
  );
}

function Correct({ cell, word, close }: { cell: NumberCell; word: string; close: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const [value, setValue] = useState(String(cell.value));
  const [reason, setReason] = useState("");
  const save = useMutation({
    mutationFn: (back: boolean) =>
      correctNumber(room, {
        id: newId(),
        mordant: cell.mordant as "copper-ferric",
        column: cell.column as "undercut",
        value: back ? null : Number(value.replace(",", ".")),
        reason: back && !reason ? "Back to the table." : reason,
      }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      close();
    },
  });
  return (
    <div className="section">
      <h3>{word}</h3>
      <div className="flex flex-wrap items-end gap-3" style={{ margin: "8px 0" }}>
        <NumberField
          label="Measured here"
          unit={cell.unit || undefined}
          step={0.1}
          value={value}
          onChange={setValue}
          fault={faultAt(save.error, "value")}
        />
        <div style={{ flex: 1, minWidth: 220 }}>
          <TextField
            label="From what"
            value={reason}
            onChange={setReason}
            fault={faultAt(save.error, "reason")}
          />
        </div>
      </div>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="btn strong" onClick={() => save.mutate(false)}>
          Use this number
        </button>
        {cell.own ? (
          <button type="button" className="btn" onClick={() => save.mutate(true)}>
            Back to the table's
          </button>
        ) : null}
        <button type="button" className="btn quiet" onClick={close}>
          Close
        </button>
        <Trouble error={elsewhere(save.error, ["value", "reason"])} />
      </div>
    </div>
  );
}
