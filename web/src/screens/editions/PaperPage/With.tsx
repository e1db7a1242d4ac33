import { useQuery, useQueryClient } from "@tanstack/react-query";
import {
  inksQuery,
  keepPrinting,
  papersQuery,
  type Press,
  pressesQuery,
} from "../../../api/editions";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { LongField, NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { shownLength } from "../../../ui/units";

const SHAPE = shapeOf("PrintingIn", {
  paper: pick("Paper"),
  ink: pick("Ink"),
  press: pick("Press"),
  wipes: text("Wiping, in order"),
  margin_mm: length("Margin, at least"),
  lift_mm: length("Plate above the middle"),
  depth_um: number("Depth of its lines"),
  drying: pick("Dried"),
});
const DRYING = [
  ["board", "taped to a board"],
  ["blotters", "between blotters"],
  ["line", "on the line"],
] as const;
const NONE = ["", "none yet"] as const;
type Read = {
  paper: string;
  ink: string;
  press: string;
  wipes: string;
  margin_mm: number;
  lift_mm: number;
  depth_um: number;
  drying: "board" | "blotters" | "line";
};

/** How this plate is printed: paper, ink, press, the order of wiping. */
export function With({ press }: { press: Press }) {
  const { room } = useHere();
  const papers = useQuery(papersQuery(room)).data;
  const inks = useQuery(inksQuery(room)).data;
  const presses = useQuery(pressesQuery(room)).data;
  if (!papers || !inks || !presses)
    return (
      <Asking error={null}>
        <h2 className="text-h3">Printed with</h2>
      </Asking>
    );
  return (
    <Edit
      press={press}
      papers={offered(papers.items, press.decided.paper)}
      inks={offered(inks.items, press.decided.ink)}
      presses={offered(presses.items, press.decided.press)}
    />
  );
}

type Named = { id: string; name: string; put_away: boolean };

/** What is not put away, and what is chosen already. */
const offered = (rows: Named[], chosen: string | null | undefined) =>
  rows.filter((each) => !each.put_away || each.id === chosen);

type EditProps = { press: Press; papers: Named[]; inks: Named[]; presses: Named[] };

function Edit({ press, papers, inks, presses }: EditProps) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const { decided } = press;
  const form = useForm<Read, Press>(SHAPE, {
    version: press.version,
    start: {
      paper: decided.paper ?? "",
      ink: decided.ink ?? "",
      press: decided.press ?? "",
      wipes: decided.wipes.join(", "),
      margin_mm: shownLength(decided.margin_mm, me),
      lift_mm: shownLength(decided.lift_mm, me),
      depth_um: String(decided.depth_um),
      drying: decided.drying,
    },
    send: (read, { version }) =>
      keepPrinting(room, press.id, {
        ...read,
        version,
        paper: read.paper || null,
        ink: read.ink || null,
        press: read.press || null,
        wipes: read.wipes
          .split(",")
          .map((each) => each.trim())
          .filter(Boolean)
          .slice(0, 8),
      }),
    done: async (kept) => {
      client.setQueryData([room, "press", press.id], kept);
      for (const key of ["paper", "edition"])
        await client.invalidateQueries({ queryKey: [room, key] });
    },
  });
  const named = (rows: { id: string; name: string }[]) =>
    [NONE, ...rows.map((each) => [each.id, each.name] as const)] as const;
  return (
    <form noValidate onSubmit={form.submit} className="grid gap-3 border-t-2 border-ink pt-3">
      <h2 className="text-h3">Printed with</h2>
      <PickField form={form} name="paper" options={named(papers)} />
      <PickField form={form} name="ink" options={named(inks)} />
      <PickField form={form} name="press" options={named(presses)} />
      <LongField form={form} name="wipes" hint="gauze 2 min, paper 1 min, hand with chalk" />
      <div className="flex flex-wrap gap-4">
        <NumberField form={form} name="margin_mm" step={5} />
        <NumberField form={form} name="lift_mm" step={5} />
        <NumberField form={form} name="depth_um" step={5} />
      </div>
      <PickField form={form} name="drying" options={DRYING} />
      <FormFoot form={form} submit="Keep" look="plain">
        <ButtonLink look="quiet" to={`/r/${room}/shop-book?tab=papers`}>
          Papers, inks, presses
        </ButtonLink>
      </FormFoot>
    </form>
  );
}
