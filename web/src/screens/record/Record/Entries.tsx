import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { TextButton } from "../../../ui/Button";
import { Said } from "../../../ui/Said";
import { Table } from "../../../ui/Table";
import { dayOf, wallClock } from "../../../ui/times";

type Props = { entries: Shapes["EntryOut"][]; correct: (entry: string) => void };

/** Entries of the record, the newest first. */
export function Entries({ entries, correct }: Props) {
  const { zone } = useHere();
  return (
    <Table
      columns={[
        { head: "When" },
        { head: "Plate" },
        { head: "Entry" },
        { head: "Who" },
        { head: "Correct", hidden: true },
      ]}
    >
      {entries.map((entry) => (
        <tr key={entry.id}>
          <td className="num whitespace-nowrap">
            {dayOf(entry.at, zone)} {wallClock(Date.parse(entry.at) / 1000, zone)}
          </td>
          <td>{entry.plate_name}</td>
          <td>
            {entry.corrects ? <b>Correction: </b> : null}
            <Said>{entry.text}</Said>
          </td>
          <td className="note">{entry.by}</td>
          <td>
            <TextButton className="note" onClick={() => correct(entry.id)}>
              correct
            </TextButton>
          </td>
        </tr>
      ))}
    </Table>
  );
}
