import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Asking } from "../../../ui/Asking";
import { type Bath, changeReading, readingsQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Pages } from "../../../ui/Pages";
import { Section } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { dayOf, wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useSaved } from "./useSaved";

const MADE_UP = "As it stood when it was made up.";

/** What was read of the bath, the newest first. */
export function Readings({ bath }: { bath: Bath }) {
  const { room, me, zone } = useHere();
  const [page, setPage] = useState(1);
  const saved = useSaved();
  const { data, error } = useQuery(readingsQuery(room, bath.id, page));
  const change = async (id: string, takenBack: boolean) => {
    const next = await changeReading(room, bath.id, id, takenBack);
    await saved(next, takenBack ? "Taken back. Plans in this bath follow." : "It counts again.");
  };
  if (!data) return <Asking error={error} />;
  if (data.items.length === 0) return <p className="note mt-3">No readings yet.</p>;
  return (
    <Section>
      <details>
        <summary>
          <h2 className="inline">Readings</h2>{" "}
          <span className="note">{data.total} of thermometer, metal and bites</span>
        </summary>
        <Table
          columns={[
            { head: "When" },
            { head: temperatureUnit(me), right: true },
            { head: "g/L", right: true },
            { head: "Note" },
            { head: "Taken back", hidden: true },
          ]}
        >
          {data.items.map((reading) => (
            <tr key={reading.id} className={reading.taken_back ? "line-through text-ink-3" : ""}>
              <td className="num">
                {dayOf(reading.at, zone)} {wallClock(Date.parse(reading.at) / 1000, zone)}
              </td>
              <Digits>
                {reading.temperature_c === null ? "" : shownTemperature(reading.temperature_c, me)}
              </Digits>
              <Digits>
                {reading.load_g_per_l === null ? "" : reading.load_g_per_l.toFixed(2)}
              </Digits>
              <td>
                {reading.replaced_share
                  ? `${Math.round(reading.replaced_share * 100)} % replaced. `
                  : ""}
                {reading.note} <span className="note">{reading.by}</span>
              </td>
              <td className="text-right">
                {reading.gained_g_per_l || reading.note === MADE_UP ? null : (
                  <Button look="row" onClick={() => change(reading.id, !reading.taken_back)}>
                    {reading.taken_back ? "Put back" : "Take back"}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </Table>
        <Pages list={data} go={setPage} />
      </details>
    </Section>
  );
}
