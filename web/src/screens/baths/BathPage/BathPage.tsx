import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useParams } from "react-router";
import { type Bath, bathQuery, changeBath, readBath, readingsQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { NumberField } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { dayOf, wallClock } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { readTemperature, shownTemperature, temperatureUnit } from "../../../ui/units";

/** A bath: temperature, load, speed with its doubt, cautions, readings. */
export function BathPage() {
  const { room, me, keeper } = useHere();
  const { bath: id = "" } = useParams();
  const { data: bath, error } = useQuery(bathQuery(room, id));
  if (error) return <Trouble error={error} />;
  if (!bath) return <h1>Bath</h1>;
  return (
    <>
      <header className="pm head">
        <div>
          <h1>{bath.name}</h1>
          <p className="sub m-0">
            {bath.mordant_label}, for {bath.metal} · {bath.vessel},{" "}
            <span className="n">{bath.volume_l}</span> L
            {bath.baume ? (
              <>
                {" "}
                · <span className="n">{bath.baume}</span> °Bé
              </>
            ) : null}
          </p>
        </div>
        <Fact name="Temperature">
          {shownTemperature(bath.temperature_c, me)} {temperatureUnit(me)}
        </Fact>
        <Fact name={`Dissolved ${bath.metal}`}>{bath.load_g_per_l.toFixed(1)} g/L</Fact>
        <Fact name="Bites, against fresh at 20 °C">
          ×{bath.speed.toFixed(2)}{" "}
          <small className="note">
            ({bath.speed_low.toFixed(2)} to {bath.speed_high.toFixed(2)}, {bath.speed_from})
          </small>
        </Fact>
      </header>
      <Life bath={bath} />
      <div className="two">
        <div>
          <ReadIt bath={bath} />
          {keeper ? <Measured bath={bath} /> : null}
          <Readings bath={bath} />
        </div>
        <aside className="section">
          <h2>Take care</h2>
          {bath.cautions.map((text) => (
            <p key={text} className="care" style={{ fontWeight: 450 }}>
              <Mark name="care" />
              <span>{text}</span>
            </p>
          ))}
          <p className="note">
            A spent bath holds {bath.metal}: a labelled container, never the drain. Ask the local
            authority.
          </p>
          <Link className="btn quiet" to={`/r/${room}/baths`}>
            All baths
          </Link>
        </aside>
      </div>
    </>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <dl className="m-0" style={{ padding: "10px 20px", borderLeft: "1px solid var(--hair)" }}>
      <dt>{name}</dt>
      <dd className="n">{children}</dd>
    </dl>
  );
}

function Life({ bath }: { bath: Bath }) {
  const used = Math.min(1, bath.load_g_per_l / bath.end_g_per_l);
  return (
    <div style={{ margin: "18px 0" }}>
      <div className="note" style={{ display: "flex", justifyContent: "space-between" }}>
        <span>Life used</span>
        <span>
          tires near <span className="n">{bath.end_g_per_l}</span> g/L, a guess until yours has
        </span>
      </div>
      <div
        role="img"
        aria-label={`${Math.round(used * 100)} percent of the bath's life is used`}
        style={{ height: 16, border: "1.5px solid var(--ink)", background: "var(--paper-lift)" }}
      >
        <div
          style={{
            height: "100%",
            width: `${used * 100}%`,
            background: used > 0.8 ? "var(--ferric-deep)" : "var(--ferric)",
          }}
        />
      </div>
    </div>
  );
}

function useSaved() {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return async (bath: Bath, text: string) => {
    client.setQueryData(bathQuery(room, bath.id).queryKey, bath);
    await client.invalidateQueries({ queryKey: [room] });
    say({ text });
  };
}

function ReadIt({ bath }: { bath: Bath }) {
  const { room, me } = useHere();
  const saved = useSaved();
  const [warm, setWarm] = useState("");
  const [load, setLoad] = useState("");
  const save = useMutation({
    mutationFn: () =>
      readBath(room, bath.id, {
        id: newId(),
        temperature_c: warm ? readTemperature(Number(warm), me) : null,
        load_g_per_l: load ? Number(load) : null,
        note: "",
      }),
    onSuccess: (next) => {
      setWarm("");
      setLoad("");
      return saved(next, "Logged. Plans in this bath follow.");
    },
  });
  return (
    <form
      className="section"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2>Read it</h2>
      <div className="flex flex-wrap items-end gap-4" style={{ marginTop: 10 }}>
        <NumberField
          label="Temperature"
          unit={temperatureUnit(me)}
          step={0.5}
          value={warm}
          onChange={setWarm}
          fault={faultAt(save.error, "temperature_c")}
        />
        <NumberField
          label={`Dissolved ${bath.metal}`}
          unit="g/L"
          value={load}
          onChange={setLoad}
          fault={faultAt(save.error, "load_g_per_l")}
        />
        <button type="submit" className="btn strong" disabled={save.isPending || (!warm && !load)}>
          Log the reading
        </button>
      </div>
      <Trouble error={elsewhere(save.error, ["temperature_c", "load_g_per_l"])} />
    </form>
  );
}

function Measured({ bath }: { bath: Bath }) {
  const { room } = useHere();
  const saved = useSaved();
  const [factor, setFactor] = useState(bath.rate_factor ? String(bath.rate_factor) : "");
  const [doubt, setDoubt] = useState(String(Math.round((bath.rate_factor_spread ?? 0.05) * 100)));
  const save = useMutation({
    mutationFn: (clear: boolean) =>
      changeBath(room, bath.id, {
        version: bath.version,
        rate_factor: clear ? null : Number(factor),
        rate_factor_spread: clear ? null : Number(doubt) / 100,
      }),
    onSuccess: (next) =>
      saved(
        next,
        next.rate_factor
          ? "The measured speed is used from now on."
          : "Back to thermometer and load.",
      ),
  });
  return (
    <form
      className="section"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        save.mutate(false);
      }}
    >
      <h2>Measured speed</h2>
      <p className="note" style={{ margin: "4px 0 10px" }}>
        From a coupon or a check patch: today's speed over the speed at your strip. It replaces what
        thermometer and load say, and is carried along when the temperature moves.
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <NumberField
          label="Speed over the strip's"
          unit="×"
          step={0.01}
          value={factor}
          onChange={setFactor}
          fault={faultAt(save.error, "rate_factor")}
        />
        <NumberField
          label="How sure, ±"
          unit="%"
          value={doubt}
          onChange={setDoubt}
          fault={faultAt(save.error, "rate_factor_spread")}
        />
        <button type="submit" className="btn" disabled={save.isPending || !factor}>
          Use it
        </button>
        {bath.rate_factor ? (
          <button type="button" className="btn quiet" onClick={() => save.mutate(true)}>
            Forget it
          </button>
        ) : null}
      </div>
      <Trouble error={elsewhere(save.error, ["rate_factor", "rate_factor_spread"])} />
    </form>
  );
}

function Readings({ bath }: { bath: Bath }) {
  const { room, me, zone } = useHere();
  const { data } = useQuery(readingsQuery(room, bath.id));
  if (!data || data.items.length === 0) return <p className="note">No readings yet.</p>;
  return (
    <section className="section">
      <h2>Readings</h2>
      <table>
        <thead>
          <tr>
            <th>When</th>
            <th className="right">{temperatureUnit(me)}</th>
            <th className="right">g/L</th>
            <th>Note</th>
          </tr>
        </thead>
        <tbody>
          {data.items.slice(0, 20).map((reading) => (
            <tr key={reading.id}>
              <td className="n">
                {dayOf(reading.at, zone)} {wallClock(Date.parse(reading.at) / 1000, zone)}
              </td>
              <td className="right n">
                {reading.temperature_c === null ? "" : shownTemperature(reading.temperature_c, me)}
              </td>
              <td className="right n">
                {reading.load_g_per_l === null ? "" : reading.load_g_per_l.toFixed(2)}
              </td>
              <td>
                {reading.note} <span className="note">{reading.by}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
