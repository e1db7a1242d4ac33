import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Asking } from "../../../ui/Asking";
import { type Bath, readingsQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Pages } from "../../../ui/Pages";
import { Section } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { dayOf, wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";

/** What was read of the bath, the newest first. */
export function Readings({ bath }: { bath: Bath }) {
  const { room, me, zone } = useHere();
  const [page, setPage] = useState(1);
  const { data, error } = useQuery(readingsQuery(room, bath.id, page));
  if (!data) return <Asking error={error} />;
  if (data.items.length === 0) return <p className="note mt-3">No readings yet.</p>;
  return (
    <Section>
      <h2>Readings</h2>
      <Table
        columns={[
          { head: "When" },
          { head: temperatureUnit(me), right: true },
          { head: "g/L", right: true },
          { head: "Note" },
        ]}
      >
        {data.items.map((reading) => (
          <tr key={reading.id}>
            <td className="num">
              {dayOf(reading.at, zone)} {wallClock(Date.parse(reading.at) / 1000, zone)}
            </td>
            <Digits>
              {reading.temperature_c === null ? "" : shownTemperature(reading.temperature_c, me)}
            </Digits>
            <Digits>{reading.load_g_per_l === null ? "" : reading.load_g_per_l.toFixed(2)}</Digits>
            <td>
              {reading.note} <span className="note">{reading.by}</span>
            </td>
          </tr>
        ))}
      </Table>
      <Pages list={data} go={setPage} />
    </Section>
  );
}
