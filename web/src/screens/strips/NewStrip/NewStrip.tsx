import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { makeStrip } from "../../../api/strips";
import { useMordantOptions } from "../../../api/mordants";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, NumberField, Segments, TextField } from "../../../ui/Field";
import { clock, parseTime } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";
import { readTemperature, temperatureUnit } from "../../../ui/units";
import { type PatchForm, PatchRows } from "./PatchRows";

const DOUBLING = [30, 60, 120, 240, 480, 960];
/** Read a strip: the bath it was bitten in, and each patch's time and tone. */
export function NewStrip() {
  const mordants = useMordantOptions();
  const { room, me } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const baths = useQuery(bathsQuery(room)).data?.items ?? [];
  const [id] = useState(newId);
  const [form, setForm] = useState({
    name: "",
    ground: "rosin dust",
    mordant: "copper-ferric",
    temperature: "",
    load: "0",
    baume: "",
    bitten: "dips" as "dips" | "once",
    note: "",
  });
  const [patches, setPatches] = useState<PatchForm[]>(
    DOUBLING.map((s) => ({ key: newId(), time: clock(s), lstar: "" })),
  );
  const set = (key: keyof typeof form) => (value: string) => setForm({ ...form, [key]: value });
  const save = useMutation({
    mutationFn: () =>
      makeStrip(room, {
        id,
        name: form.name.trim(),
        ground: form.ground,
        bitten: form.bitten,
        note: form.note,
        conditions: {
          mordant: form.mordant as "copper-ferric",
          temperature_c: readTemperature(Number(form.temperature), me),
          load_g_per_l: Number(form.load),
          baume: form.baume ? Number(form.baume) : null,
        },
        lines: [],
        patches: patches
          .filter((p) => p.lstar.trim() !== "")
          .map((p) => ({
            seconds: parseTime(p.time) ?? Number.NaN,
            lstar: Number(p.lstar.replace(",", ".")),
            left_out: false,
          })),
        read_on: new Date().toISOString().slice(0, 10),
      }),
    onSuccess: async (strip) => {
      await client.invalidateQueries({ queryKey: [room, "strips"] });
      navigate(`/r/${room}/strips/${strip.id}`);
    },
  });
  const fields = ["name", "temperature_c", "load_g_per_l", "baume", "ground"];
  const ready = form.name.trim() && form.temperature.trim();
  return (
    <form
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        save.mutate();
      }}
      style={{ maxWidth: 860 }}
    >
      <h1>Read a strip</h1>
      <p className="note">
        A first strip doubles its times: each patch twice as long as the one before. Read it dry,
        against the bare sheet as 100.
      </p>
      <div
        className="section cols"
        style={{ gridTemplateColumns: "repeat(auto-fit,minmax(180px,1fr))", gap: 18 }}
      >
        <TextField
          label="Name"
          value={form.name}
          onChange={set("name")}
          fault={faultAt(save.error, "name")}
        />
        <TextField
          label="Ground"
          value={form.ground}
          onChange={set("ground")}
          list={["rosin dust", "sprayed dots", "hard ground", "soft ground"]}
        />
        <Choice
          label="Metal and mordant"
          value={form.mordant}
          options={mordants}
          onChange={set("mordant")}
        />
        <FromBath baths={baths} onPick={(part) => setForm({ ...form, ...part })} />
        <NumberField
          label="Bath temperature"
          unit={temperatureUnit(me)}
          step={0.5}
          value={form.temperature}
          onChange={set("temperature")}
          fault={faultAt(save.error, "temperature_c")}
        />
        <NumberField
          label="Metal in the bath"
          unit="g/L"
          value={form.load}
          onChange={set("load")}
          fault={faultAt(save.error, "load_g_per_l")}
        />
        <NumberField
          label="Hydrometer, if read"
          unit="°Bé"
          value={form.baume}
          onChange={set("baume")}
          fault={faultAt(save.error, "baume")}
        />
      </div>
      <div className="section">
        <div className="flex flex-wrap items-center gap-4" style={{ marginBottom: 10 }}>
          <h2>Patches</h2>
          <Segments
            label="How it was bitten"
            value={form.bitten}
            options={[
              ["dips", "One dip more for each patch"],
              ["once", "Each patch in one dip"],
            ]}
            onChange={(bitten) => setForm({ ...form, bitten })}
          />
        </div>
        <PatchRows patches={patches} setPatches={setPatches} error={save.error} />
      </div>
      <div style={{ marginTop: 18 }}>
        <TextField label="Note" long value={form.note} onChange={set("note")} />
      </div>
      <div className="flex flex-wrap items-center gap-4" style={{ marginTop: 18 }}>
        <button type="submit" className="btn strong" disabled={save.isPending || !ready}>
          See the curve
        </button>
        {ready ? null : <span className="note">A name and the bath's temperature are needed.</span>}
        <Trouble error={elsewhere(save.error, fields)} />
      </div>
    </form>
  );
}

type Picked = { mordant: string; temperature: string; load: string };

function FromBath({
  baths,
  onPick,
}: {
  baths: {
    id: string;
    name: string;
    mordant: string;
    temperature_c: number;
    load_g_per_l: number;
  }[];
  onPick: (part: Picked) => void;
}) {
  const { me } = useHere();
  const [picked, setPicked] = useState("");
  const pick = (id: string) => {
    setPicked(id);
    const bath = baths.find((each) => each.id === id);
    if (!bath) return;
    const shown = me.temperature_unit === "F" ? bath.temperature_c * 1.8 + 32 : bath.temperature_c;
    onPick({
      mordant: bath.mordant,
      temperature: shown.toFixed(1),
      load: String(bath.load_g_per_l),
    });
  };
  return (
    <Choice
      label="Take the numbers from"
      value={picked}
      options={[["", "typed in"], ...baths.map((b) => [b.id, b.name] as [string, string])]}
      onChange={pick}
    />
  );
}
