import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Instrument, sentQuery } from "../../../api/instruments";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Pages } from "../../../ui/Pages";
import { momentOf } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";

/** What an instrument sent, the newest first, believed or not. */
export function Sent({ instrument }: { instrument: Instrument }) {
  const { room, me, zone } = useHere();
  const [page, setPage] = useState(1);
  const { data, error } = useQuery(sentQuery(room, instrument.id, page));
  if (!data) return <Asking error={error} />;
  if (data.items.length === 0) return <p className="note">It sent nothing yet.</p>;
  return (
    <>
      <ul className="grid gap-x-6 gap-y-0.5 text-note desk:grid-cols-2">
        {data.items.map((each) => {
          const warm = each.unit === "°C";
          const value = warm ? shownTemperature(each.value, me) : String(each.value);
          return (
            <li key={each.id} className={each.believed ? "" : "text-ferric-deep"}>
              <span className="num">{momentOf(each.at, zone)}</span>{" "}
              <b className="num">
                {value} {warm ? temperatureUnit(me) : each.unit}
              </b>
              {each.believed ? "" : ", not believed."} {each.why}
            </li>
          );
        })}
      </ul>
      <Pages list={data} go={setPage} />
    </>
  );
}
