import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { putInPlate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, NumberField, TextField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";
import { readLength } from "../../../ui/units";

const METALS = [
  ["copper", "Copper"],
  ["zinc", "Zinc"],
  ["plastic", "Plastic"],
  ["polymer", "Photopolymer"],
] as const;
const ROUTES = [
  "aquatint",
  "etched line",
  "soft ground",
  "spit bite",
  "drypoint",
  "engraving",
  "photopolymer",
  "mixed",
] as const;

const MIXED = [
  "etched line, then aquatint",
  "etched line, then drypoint",
  "etched line, then aquatint, then drypoint",
  "soft ground, then aquatint",
  "soft ground, then spit bite",
  "aquatint, then drypoint",
  "engraving, then aquatint",
];
const NO_FACTS = { face_marked: false, trimmed_again: false };

/** Put a plate in the rack. */
export function NewPlate() {
  const { room, me } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const unit = me.length_unit;
  const [form, setForm] = useState({
    id: newId(),
    name: "",
    metal: "copper",
    route: "aquatint",
    thickness: unit === "in" ? "0.05" : "1.2",
    width: "",
    height: "",
    parts: MIXED[0] as string,
    old: false,
  });
  const set = (key: Exclude<keyof typeof form, "old">) => (value: string) =>
    setForm({ ...form, [key]: value });
  const save = useMutation({
    mutationFn: () =>
      putInPlate(room, {
        id: form.id,
        name: form.name.trim(),
        metal: form.metal as "copper",
        route: form.route as "aquatint",
        thickness_mm: readLength(Number(form.thickness), me),
        width_mm: readLength(Number(form.width), me),
        height_mm: readLength(Number(form.height), me),
        routes: form.route === "mixed" ? (form.parts.split(", then ") as ["aquatint"]) : [],
        facts: { ...NO_FACTS, history_unknown: form.old },
      }),
    onSuccess: async (plate) => {
      await client.invalidateQueries({ queryKey: [room, "plates"] });
      navigate(`/r/${room}/plates/${plate.id}`);
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate();
  };
  const fields = ["name", "thickness_mm", "width_mm", "height_mm"];
  return (
    <form onSubmit={submit} style={{ maxWidth: 620 }}>
      <h1>Put a plate in</h1>
      <div className="section cols" style={{ gridTemplateColumns: "1fr 1fr", gap: 18 }}>
        <div style={{ gridColumn: "1/-1" }}>
          <TextField
            label="Name"
            value={form.name}
            onChange={set("name")}
            fault={faultAt(save.error, "name")}
          />
        </div>
        <Choice
          label="Metal"
          value={form.metal}
          options={METALS.map(([k, t]) => [k, t])}
          onChange={set("metal")}
        />
        <Choice
          label="Route"
          value={form.route}
          options={ROUTES.map((r) => [r, r])}
          onChange={set("route")}
        />
        {form.route === "mixed" ? (
          <div style={{ gridColumn: "1/-1" }}>
            <Choice
              label="Mixed of"
              value={form.parts}
              options={MIXED.map((m) => [m, m])}
              onChange={set("parts")}
            />
          </div>
        ) : null}
        <NumberField
          label="Width"
          unit={unit}
          value={form.width}
          onChange={set("width")}
          fault={faultAt(save.error, "width_mm")}
        />
        <NumberField
          label="Height"
          unit={unit}
          value={form.height}
          onChange={set("height")}
          fault={faultAt(save.error, "height_mm")}
        />
        <NumberField
          label="Thickness"
          unit={unit}
          step={0.1}
          value={form.thickness}
          onChange={set("thickness")}
          fault={faultAt(save.error, "thickness_mm")}
          hint="Cut edges cut skin: file them first."
        />
        <label className="tick" style={{ alignSelf: "center" }}>
          <input
            type="checkbox"
            checked={form.old}
            onChange={(event) => setForm({ ...form, old: event.target.checked })}
          />
          An old plate, its past unknown: register it with a proof first
        </label>
      </div>
      <div style={{ marginTop: 20, display: "flex", gap: 16, alignItems: "center" }}>
        <button type="submit" className="btn strong" disabled={save.isPending}>
          Put it in the rack
        </button>
        <Trouble error={elsewhere(save.error, fields)} />
      </div>
    </form>
  );
}
