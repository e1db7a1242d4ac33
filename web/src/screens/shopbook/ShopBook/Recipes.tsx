import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepRecipe, type Recipe, recipesQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, TextField } from "../../../ui/Field";
import { dayOf } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";

const KINDS: [Recipe["kind"], string][] = [
  ["ground", "Ground"],
  ["bath", "Bath"],
  ["ink", "Ink"],
  ["paper", "Paper"],
  ["other", "Other"],
];
type Draft = Pick<Recipe, "id" | "version" | "name" | "kind" | "text">;
const fresh = (): Draft => ({ id: newId(), version: 0, name: "", kind: "ground", text: "" });

/** The room's own recipes. */
export function Recipes() {
  const { room, zone } = useHere();
  const { data, error } = useQuery(recipesQuery(room));
  const [draft, setDraft] = useState<Draft>(fresh);
  if (error) return <Trouble error={error} />;
  return (
    <div className="two">
      <div>
        {(data?.items ?? []).map((recipe) => (
          <article
            key={recipe.id}
            style={{ borderBottom: "1px solid var(--hair)", padding: "8px 0" }}
          >
            <h2 style={{ fontSize: 17 }}>{recipe.name}</h2>
            <p style={{ whiteSpace: "pre-line", margin: "2px 0" }}>{recipe.text}</p>
            <p className="note m-0">
              {recipe.kind}, {recipe.by}, {dayOf(recipe.changed_at, zone)}.{" "}
              <button type="button" className="link" onClick={() => setDraft(recipe)}>
                change
              </button>
            </p>
          </article>
        ))}
        {data?.items.length === 0 ? (
          <p className="note">None yet. Write down what this room does its own way.</p>
        ) : null}
      </div>
      <Edit key={`${draft.id} ${draft.version}`} start={draft} done={() => setDraft(fresh())} />
    </div>
  );
}

function Edit({ start, done }: { start: Draft; done: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const [form, setForm] = useState(start);
  const save = useMutation({
    mutationFn: () => {
      const { id, version, name, kind, text } = form;
      return keepRecipe(room, { id, version, name: name.trim(), kind, text });
    },
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room, "recipes"] });
      done();
    },
  });
  return (
    <aside>
      <h2>{start.version ? "Change the recipe" : "A new recipe"}</h2>
      <TextField
        label="Name"
        value={form.name}
        onChange={(name) => setForm({ ...form, name })}
        fault={faultAt(save.error, "name")}
      />
      <Choice
        label="For"
        value={form.kind}
        options={KINDS}
        onChange={(kind) => setForm({ ...form, kind })}
      />
      <TextField
        label="How"
        long
        value={form.text}
        onChange={(text) => setForm({ ...form, text })}
        fault={faultAt(save.error, "text")}
      />
      <div className="flex flex-wrap gap-3" style={{ marginTop: 10 }}>
        <button type="button" className="btn strong" onClick={() => save.mutate()}>
          Keep the recipe
        </button>
        {start.version ? (
          <button type="button" className="btn quiet" onClick={done}>
            Leave it
          </button>
        ) : null}
        <Trouble error={elsewhere(save.error, ["name", "text"])} />
      </div>
    </aside>
  );
}
