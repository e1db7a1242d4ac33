import { Said } from "../../../ui/Said";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type NumberCell, shopBookQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { TextButton } from "../../../ui/Button";
import { Beside } from "../../../ui/Section";
import { SideList } from "../../../ui/SideList";
import { Digits, Table } from "../../../ui/Table";
import { Asking } from "../../../ui/Asking";
import { dayOf } from "../../../ui/times";
import { CorrectNumber } from "./CorrectNumber";

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
const wordOf = (cell: NumberCell) => WORDS[cell.column] ?? cell.column;

/** The numbers of the mordants: the trade's, and the room's own in their place, with who and when. */
export function Numbers() {
  const { room } = useHere();
  const { data, error } = useQuery(shopBookQuery(room));
  const [mordant, setMordant] = useState("copper-ferric");
  if (!data) return <Asking error={error} />;
  const cells = data.numbers;
  const names = new Map(cells.map((cell) => [cell.mordant, cell.label]));
  const own = new Set(cells.filter((cell) => cell.own).map((cell) => cell.mordant));
  const rows = [...names].map(([key, label]) => ({
    key,
    text: own.has(key) ? `${label} (own)` : label,
  }));
  return (
    <Beside side="list">
      <SideList label="Mordants" rows={rows} chosen={mordant} choose={setMordant} />
      <Mordant
        key={mordant}
        name={names.get(mordant) ?? ""}
        cells={cells.filter((cell) => cell.mordant === mordant)}
      />
    </Beside>
  );
}

function Mordant({ name, cells }: { name: string; cells: NumberCell[] }) {
  const { keeper } = useHere();
  const [changing, change] = useState<string | null>(null);
  const cell = cells.find((each) => each.column === changing);
  return (
    <section className="min-w-0">
      <h2>{name}</h2>
      <p className="note mt-0.5 mb-2">
        A number of your own stands in for the table's in every plan, bath and new strip of this
        room. {keeper ? "" : "Only a keeper corrects them."}
      </p>
      <Table
        columns={[
          { head: "Number" },
          { head: "Table", right: true },
          { head: "Here", right: true },
          { head: "From" },
          { head: "Correct", hidden: true },
        ]}
      >
        {cells.map((each) => (
          <Row key={each.column} cell={each} change={keeper ? () => change(each.column) : null} />
        ))}
      </Table>
      {cell ? (
        <CorrectNumber
          key={cell.column}
          cell={cell}
          word={wordOf(cell)}
          close={() => change(null)}
        />
      ) : null}
    </section>
  );
}

function Row({ cell, change }: { cell: NumberCell; change: (() => void) | null }) {
  const { zone } = useHere();
  return (
    <tr>
      <td>
        <Said>{wordOf(cell)}</Said>
      </td>
      <Digits>
        {cell.table_value} {cell.unit}
      </Digits>
      <Digits>
        <b className={cell.own ? "text-verdigris" : undefined}>
          {cell.value} {cell.unit}
        </b>
      </Digits>
      <td>
        {cell.own
          ? `${cell.own.by}, ${dayOf(cell.own.at, zone)}. ${cell.own.reason}`
          : "the trade's starting guess"}
      </td>
      <td>{change ? <TextButton onClick={change}>correct</TextButton> : null}</td>
    </tr>
  );
}
