import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { bathsQuery, makeBath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { useMordantOptions } from "../../../api/mordants";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, NumberField, TextField } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { readTemperature, shownTemperature, temperatureUnit } from "../../../ui/units";

/** The baths of the room. */
export function Baths() {
  const { room, me, keeper } = useHere();
  const { data, error } = useQuery(bathsQuery(room));
  const [making, setMaking] = useState(false);
  if (error) return <Trouble error={error} />;
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>Baths</h1>
        {keeper ? (
          <button type="button" className="btn strong ml-auto" onClick={() => setMaking(!making)}>
            Make up a bath
          </button>
        ) : (
          <span className="note ml-auto">Keepers make up baths; anyone may read them.</span>
        )}
      </header>
      {making ? <MakeBath /> : null}
      <table>
        <thead>
          <tr>
            <th>Bath</th>
            <th>Mordant</th>
            <th className="right">{temperatureUnit(me)}</th>
            <th className="right">Load, g/L</th>
            <th className="right">Bites ×</th>
            <th className="right desk">Life left</th>
          </tr>
        </thead>
        <tbody>
          {data?.items.map((bath) => (
            <tr key={bath.id}>
              <td>
                <Link to={`/r/${room}/baths/${bath.id}`} style={{ fontWeight: 620 }}>
                  {bath.name}
                </Link>
                {bath.retired ? <span className="note"> retired</span> : null}
              </td>
              <td>
                {bath.mordant_label}, for {bath.metal}
              </td>
              <td className="right n">{shownTemperature(bath.temperature_c, me)}</td>
              <td className="right n">{bath.load_g_per_l.toFixed(1)}</td>
              <td className="right n">
                {bath.speed.toFixed(2)}{" "}
                <span className="note">
                  ({bath.speed_low.toFixed(2)} to {bath.speed_high.toFixed(2)})
                </span>
              </td>
              <td className="right n desk">{Math.round(bath.life_left_share * 100)} %</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="note">Speed against the mordant's own at 20 °C, fresh. Bands are 95 %.</p>
    </>
  );
}

function MakeBath() {
  const mordants = useMordantOptions();
  const { room, me } = useHere();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [id] = useState(newId);
  const [form, setForm] = useState({
    name: "",
    mordant: "copper-ferric",
    vessel: "tray",
    volume: "",
    temperature: "",
    roomC: "",
    load: "0",
    baume: "",
    fumes: false,
  });
  const set = (key: keyof typeof form) => (value: string) => setForm({ ...form, [key]: value });
  const nitric = form.mordant.includes("nitric");
  const save = useMutation({
    mutationFn: () =>
      makeBath(room, {
        id,
        name: form.name.trim(),
        mordant: form.mordant as "copper-ferric",
        vessel: form.vessel as Shapes["BathIn"]["vessel"],
        volume_l: Number(form.volume),
        temperature_c: readTemperature(Number(form.temperature), me),
        room_c: form.roomC ? readTemperature(Number(form.roomC), me) : null,
        load_g_per_l: Number(form.load),
        baume: form.baume ? Number(form.baume) : null,
        fumes_known: form.fumes,
      }),
    onSuccess: async (bath) => {
      await client.invalidateQueries({ queryKey: [room, "baths"] });
      navigate(`/r/${room}/baths/${bath.id}`);
    },
  });
  const fields = ["name", "volume_l", "temperature_c", "room_c", "load_g_per_l", "baume"];
  return (
    <form
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        save.mutate();
      }}
      className="empty"
      style={{ maxWidth: 820, marginBottom: 18 }}
    >
      <div
        className="cols"
        style={{ gridTemplateColumns: "repeat(auto-fit,minmax(170px,1fr))", gap: 16 }}
      >
        <TextField
          label="Name"
          value={form.name}
          onChange={set("name")}
          fault={faultAt(save.error, "name")}
        />
        <Choice label="Mordant" value={form.mordant} options={mordants} onChange={set("mordant")} />
        <Choice
          label="Vessel"
          value={form.vessel}
          options={[
            ["tray", "tray"],
            ["tank", "upright tank"],
            ["bottle", "bottle, brushed from"],
          ]}
          onChange={set("vessel")}
        />
        <NumberField
          label="Volume"
          unit="L"
          step={0.5}
          value={form.volume}
          onChange={set("volume")}
          fault={faultAt(save.error, "volume_l")}
        />
        <NumberField
          label="Temperature"
          unit={temperatureUnit(me)}
          step={0.5}
          value={form.temperature}
          onChange={set("temperature")}
          fault={faultAt(save.error, "temperature_c")}
        />
        <NumberField
          label="Room"
          unit={temperatureUnit(me)}
          step={0.5}
          value={form.roomC}
          onChange={set("roomC")}
          fault={faultAt(save.error, "room_c")}
          hint="The bath drifts towards it."
        />
        <NumberField
          label="Metal in it"
          unit="g/L"
          value={form.load}
          onChange={set("load")}
          fault={faultAt(save.error, "load_g_per_l")}
        />
        {form.mordant.includes("ferric") ? (
          <NumberField
            label="Hydrometer"
            unit="°Bé"
            value={form.baume}
            onChange={set("baume")}
            fault={faultAt(save.error, "baume")}
          />
        ) : null}
      </div>
      <p className="note">
        Acid into water, never water into acid. Goggles and gloves. The supplier's sheet and local
        rules come first.
      </p>
      {nitric ? (
        <label className="care" style={{ color: "var(--vermilion)" }}>
          <Mark name="danger" />
          <span>
            <input
              type="checkbox"
              checked={form.fumes}
              onChange={(e) => setForm({ ...form, fumes: e.target.checked })}
            />{" "}
            Extraction is on before the lid is off. Brown gas: leave, and see a doctor even when
            well; the harm comes hours later.
          </span>
        </label>
      ) : null}
      <div className="flex flex-wrap items-center gap-3" style={{ marginTop: 12 }}>
        <button
          type="submit"
          className="btn strong"
          disabled={save.isPending || !form.name || !form.volume || !form.temperature}
        >
          Make it up
        </button>
        <Trouble error={elsewhere(save.error, fields)} />
      </div>
    </form>
  );
}
