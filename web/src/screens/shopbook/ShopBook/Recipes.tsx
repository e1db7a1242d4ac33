import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepRecipe, type Recipe, recipesQuery } from "../../../api/shopbook";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button, TextButton } from "../../../ui/Button";
import { LongField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { pick, shapeOf, text } from "../../../ui/form/shape";
import { Said } from "../../../ui/Said";
import { useForm } from "../../../ui/form/useForm";
import { Beside } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { dayOf } from "../../../ui/times";

const KINDS: [Recipe["kind"], string][] = [
  ["ground", "Ground"],
  ["bath", "Bath"],
  ["ink", "Ink"],
  ["paper", "Paper"],
  ["other", "Other"],
];
const SHAPE = shapeOf("RecipeIn", { name: text("Name"), kind: pick("For"), text: text("How") });
type Draft = Pick<Recipe, "id" | "version" | "name" | "kind" | "text">;
const fresh = (): Draft => ({ id: newId(), version: 0, name: "", kind: "ground", text: "" });
const typed = ({ name, kind, text }: Draft) => ({ name, kind, text });

/** The room's own recipes. */
export function Recipes() {
  const { room } = useHere();
  const { data, error } = useQuery(recipesQuery(room));
  const [draft, setDraft] = useState<Draft>(fresh);
  if (!data) return <Asking error={error} />;
  return (
    <Beside>
      <div>
        {data.items.map((recipe) => (
          <Written key={recipe.id} recipe={recipe} change={() => setDraft(recipe)} />
        ))}
        {data.items.length === 0 ? (
          <p className="note">None yet. Write down what this room does its own way.</p>
        ) : null}
      </div>
      <Edit key={`${draft.id} ${draft.version}`} draft={draft} done={() => setDraft(fresh())} />
    </Beside>
  );
}

function Written({ recipe, change }: { recipe: Recipe; change: () => void }) {
  const { zone } = useHere();
  return (
    <article className="border-b border-hair py-2">
      <h2 className="text-lead">{recipe.name}</h2>
      <p className="my-0.5 whitespace-pre-line">
        <Said>{recipe.text}</Said>
      </p>
      <p className="note">
        {recipe.kind}, {recipe.by}, {dayOf(recipe.changed_at, zone)}.{" "}
        <TextButton onClick={change}>change</TextButton>
      </p>
    </article>
  );
}

function Edit({ draft, done }: { draft: Draft; done: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const form = useForm<Omit<Draft, "id" | "version">, Recipe>(SHAPE, {
    keepAs: `${room} recipe ${draft.version ? draft.id : "new"}`,
    id: draft.version ? draft.id : undefined,
    version: draft.version,
    start: typed(draft),
    send: (read, sent) => keepRecipe(room, { ...sent, ...read }),
    theirs: async () => {
      const all = await client.fetchQuery({ ...recipesQuery(room), staleTime: 0 });
      const now = all.items.find((each) => each.id === draft.id) ?? draft;
      return { version: now.version, values: typed(now) };
    },
    done: async () => {
      await client.invalidateQueries({ queryKey: [room, "recipes"] });
      done();
    },
  });
  return (
    <aside>
      <h2>{draft.version ? "Change the recipe" : "A new recipe"}</h2>
      <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
        <TextField form={form} name="name" />
        <PickField form={form} name="kind" options={KINDS} />
        <LongField form={form} name="text" />
        <FormFoot form={form} submit="Keep the recipe">
          {draft.version ? (
            <Button look="quiet" onClick={done}>
              Leave it
            </Button>
          ) : null}
        </FormFoot>
      </form>
    </aside>
  );
}
