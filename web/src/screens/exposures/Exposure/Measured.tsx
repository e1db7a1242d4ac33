import { useQueryClient } from "@tanstack/react-query";
import { changeMeasurement, type Lamp } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { saveText } from "../../../ui/saveText";
import { Section } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import { useSay } from "../../../ui/Toast";
import { momentOf } from "../../../ui/times";

type Row = Lamp["measurements"][number];

/** What was measured of the lamp, the newest first; what was none is taken back. */
export function Measured({ lamp }: { lamp: Lamp }) {
  const { zone } = useHere();
  return (
    <Section>
      <details>
        <summary>
          <h2 className="inline">What was measured of {lamp.name}</h2>{" "}
          <span className="note">{lamp.measurements.length} readings</span>
        </summary>
        <Table
          columns={[{ head: "When" }, { head: "It said" }, { head: "Taken back", hidden: true }]}
        >
          {lamp.measurements.map((row) => (
            <tr key={row.id}>
              <td className="num whitespace-nowrap">{momentOf(row.at, zone)}</td>
              <td className={row.taken_back ? "text-ink-3 line-through" : ""}>
                {row.text} <span className="note">{row.by}</span>
              </td>
              <td className="text-right">
                <TakeBack lamp={lamp} row={row} />
              </td>
            </tr>
          ))}
        </Table>
        <SaveCsv lamp={lamp} />
      </details>
    </Section>
  );
}

function TakeBack({ lamp, row }: { lamp: Lamp; row: Row }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const change = async () => {
    const { version, taken_back } = row;
    await changeMeasurement(room, lamp.id, row.id, { version, taken_back: !taken_back });
    await client.invalidateQueries({ queryKey: [room] });
    say({ text: taken_back ? "It counts again." : "Taken back. The times follow." });
  };
  return (
    <Button look="row" onClick={change}>
      {row.taken_back ? "Put back" : "Take back"}
    </Button>
  );
}

function SaveCsv({ lamp }: { lamp: Lamp }) {
  const save = () => {
    const rows = lamp.measurements.map((row) =>
      [row.at, row.reading.kind, row.taken_back ? "taken back" : "", `"${row.text}"`].join(","),
    );
    saveText(`${lamp.name}.csv`, ["at,kind,state,said", ...rows].join("\n"));
  };
  return (
    <Button look="row" className="-ml-1.5" onClick={save}>
      Save as CSV
    </Button>
  );
}
