import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { type Bath, bathsQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { counted } from "../../../ui/numbers";
import { PageHead } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { Asking } from "../../../ui/Asking";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { MakeBath } from "./MakeBath";

/** The baths of the room. */
export function Baths() {
  const { room, me, keeper } = useHere();
  const { data, error } = useQuery(bathsQuery(room));
  const [making, setMaking] = useState(false);
  if (!data)
    return (
      <Asking error={error}>
        <PageHead title="Baths" />
      </Asking>
    );
  return (
    <>
      <PageHead title="Baths" note={counted(data.total, "bath")}>
        {keeper ? (
          <Button look="strong" aria-expanded={making} onClick={() => setMaking(!making)}>
            Make up a bath
          </Button>
        ) : (
          <span className="note">Keepers make up baths; anyone may read them.</span>
        )}
      </PageHead>
      {making ? <MakeBath /> : null}
      <Table
        columns={[
          { head: "Bath" },
          { head: "Mordant" },
          { head: temperatureUnit(me), right: true },
          { head: "Load, g/L", right: true },
          { head: "Bites ×", right: true },
          { head: "Life left", right: true, desk: true },
        ]}
      >
        {data.items.map((bath) => (
          <Row key={bath.id} bath={bath} />
        ))}
      </Table>
      <p className="note mt-2">Speed against the mordant's own at 20 °C, fresh. Bands are 95 %.</p>
    </>
  );
}

function Row({ bath }: { bath: Bath }) {
  const { room, me } = useHere();
  return (
    <tr>
      <td>
        <Link
          className="font-semibold underline underline-offset-3"
          to={`/r/${room}/baths/${bath.id}`}
        >
          {bath.name}
        </Link>
        {bath.retired ? <span className="note"> retired</span> : null}
      </td>
      <td>
        {bath.mordant_label}, for {bath.metal}
      </td>
      <Digits>{shownTemperature(bath.temperature_c, me)}</Digits>
      <Digits>{bath.load_g_per_l.toFixed(1)}</Digits>
      <Digits>
        {bath.speed.toFixed(2)}{" "}
        <span className="note">
          ({bath.speed_low.toFixed(2)} to {bath.speed_high.toFixed(2)})
        </span>
      </Digits>
      <Digits desk>{Math.round(bath.life_left_share * 100)} %</Digits>
    </tr>
  );
}
