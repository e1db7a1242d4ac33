import { useMutation, useQueries, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { planQuery } from "../../../api/plans";
import { plateQuery } from "../../../api/plates";
import { logProof, sendPicture } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { PARTS } from "../../../processes/registry";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, NumberField, TextField } from "../../../ui/Field";
import { roman } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";
import { ReadTones } from "./ReadTones";

const FIELDS = ["paper", "soak_minutes", "ink", "wipe", "pressure", "passes", "file"];

/** Hang a proof: its picture, how it was printed, the tones read off it. */
export function NewProof() {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const navigate = useNavigate();
  const client = useQueryClient();
  const plate = useQuery(plateQuery(room, id)).data;
  const plans = useQueries({ queries: PARTS.map((part) => planQuery(room, id, part)) });
  const areas = plans.flatMap(({ data: plan }) =>
    plan?.process.goal.kind === "tone" ? plan.areas : [],
  );
  const [proofId] = useState(newId);
  const [picture, setPicture] = useState<{ id: string; file: File } | null>(null);
  const [form, setForm] = useState({
    paper: "",
    soak: "",
    ink: "",
    wipe: "",
    pressure: "",
    passes: "1",
    note: "",
    fouled: "",
    same: false,
    ok: false,
  });
  const [tones, setTones] = useState<Record<string, string>>({});
  const set = (key: keyof typeof form) => (value: string) => setForm({ ...form, [key]: value });
  const save = useMutation({
    mutationFn: async () => {
      if (picture) await sendPicture(room, picture.id, picture.file);
      return logProof(room, {
        id: proofId,
        plate: id,
        picture: picture?.id ?? null,
        paper: form.paper,
        soak_minutes: form.soak ? Number(form.soak) : null,
        ink: form.ink,
        wipe: form.wipe,
        pressure: form.pressure,
        passes: Number(form.passes),
        note: form.note,
        same_state: form.same,
        foul_bite: form.fouled === "" ? null : form.fouled === "yes",
        ok_to_print: form.ok,
        tones: Object.entries(tones)
          .filter(([, text]) => text.trim() !== "")
          .map(([area, text]) => ({ area, read_lstar: Number(text.replace(",", ".")) })),
      });
    },
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/plates/${id}/proofs`);
    },
  });
  if (!plate) return <h1>Hang a proof</h1>;
  const state = form.same && plate.state_number ? plate.state_number : plate.state_number + 1;
  return (
    <form
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h1>Hang a proof</h1>
      <p className="note">
        {plate.name}, State {roman(state)}. Gloves for ink and solvents, no food. Clean the plate at
        once: dried ink in the lines ruins it.
      </p>
      <div className="section proof-cols">
        <div className="cols" style={{ gap: 16 }}>
          <Picture
            picked={picture?.file ?? null}
            onPick={(file) => setPicture({ id: newId(), file })}
            fault={faultAt(save.error, "file")?.text}
          />
          <div
            className="cols"
            style={{ gridTemplateColumns: "repeat(auto-fit,minmax(190px,1fr))", gap: 14 }}
          >
            <TextField
              label="Paper"
              value={form.paper}
              onChange={set("paper")}
              fault={faultAt(save.error, "paper")}
            />
            <NumberField
              label="Soak"
              unit="min"
              step={5}
              value={form.soak}
              onChange={set("soak")}
              fault={faultAt(save.error, "soak_minutes")}
            />
            <TextField
              label="Ink"
              value={form.ink}
              onChange={set("ink")}
              fault={faultAt(save.error, "ink")}
            />
            <TextField
              label="Wipe"
              value={form.wipe}
              onChange={set("wipe")}
              list={[
                "gauze, then paper",
                "gauze, then hand",
                "gauze, paper, chalked hand",
                "cloth",
              ]}
              fault={faultAt(save.error, "wipe")}
            />
            <TextField
              label="Pressure"
              value={form.pressure}
              onChange={set("pressure")}
              fault={faultAt(save.error, "pressure")}
            />
            <NumberField
              label="Passes through the press"
              value={form.passes}
              onChange={set("passes")}
              fault={faultAt(save.error, "passes")}
            />
          </div>
          <TextField label="Note" long value={form.note} onChange={set("note")} />
        </div>
        <div>
          <ReadTones areas={areas} tones={tones} setTones={setTones} error={save.error} />
          <Choice
            label="Foul bite on it?"
            value={form.fouled}
            options={[
              ["", "not looked for"],
              ["no", "none"],
              ["yes", "yes, unwanted pits"],
            ]}
            onChange={set("fouled")}
          />
          <p>
            <label>
              <input
                type="checkbox"
                checked={form.same}
                onChange={(e) => setForm({ ...form, same: e.target.checked })}
              />{" "}
              Pulled again from the same state
            </label>
          </p>
          <p>
            <label>
              <input
                type="checkbox"
                checked={form.ok}
                onChange={(e) => setForm({ ...form, ok: e.target.checked })}
              />{" "}
              OK to print
            </label>
          </p>
          <div className="flex flex-wrap items-center gap-4" style={{ marginTop: 14 }}>
            <button type="submit" className="btn strong" disabled={save.isPending}>
              Log State {roman(state)}
            </button>
            <Trouble error={elsewhere(save.error, FIELDS)} />
          </div>
        </div>
      </div>
    </form>
  );
}

function Picture({
  picked,
  onPick,
  fault,
}: {
  picked: File | null;
  onPick: (file: File) => void;
  fault?: string;
}) {
  const [url, setUrl] = useState("");
  return (
    <div>
      <label className="label" htmlFor="picture">
        Picture of the proof
      </label>
      <div className={`field${fault ? " bad" : ""}`}>
        <input
          id="picture"
          type="file"
          accept="image/jpeg,image/png,image/tiff"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (!file) return;
            setUrl(URL.createObjectURL(file));
            onPick(file);
          }}
        />
      </div>
      {fault ? (
        <p className="care" role="alert">
          {fault}
        </p>
      ) : null}
      {picked && !fault && picked.type !== "image/tiff" ? (
        <img
          src={url}
          alt="The proof you chose"
          style={{ width: "100%", maxWidth: 300, marginTop: 8 }}
        />
      ) : null}
      <p className="note" style={{ margin: "4px 0 0" }}>
        JPEG, PNG or TIFF, up to 60 MB. The original is kept as it is.
      </p>
    </div>
  );
}
