import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useSearchParams } from "react-router";
import { type Bath, bathsQuery } from "../../../api/baths";
import { minutesQuery, readMinutes } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import { makeStrip, type Strip } from "../../../api/strips";
import { NOT_SAID } from "../../../printed/PrintedFields";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { ComboField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { pick, shapeOf, text } from "../../../ui/form/shape";
import { type Form, useForm, useTyped } from "../../../ui/form/useForm";
import { GROUNDS } from "../../../ui/materials";
import { counted } from "../../../ui/numbers";
import { Empty, Section } from "../../../ui/Section";
import { clock } from "../../../ui/times";
import { useLate } from "../../../ui/useLate";

const DOUBLING = "0:30, 1, 2, 4, 8, 16";
const SHAPE = shapeOf("StripIn", {
  name: text("Name"),
  ground: text("Ground"),
  bath: pick("Bath"),
  times: text("Minutes in all of each patch", { needed: true }),
});
type Read = { name: string; ground: string; bath: string; times: string };

/** Bite a test strip: which bath, how long each patch; then the run screen. */
export function BiteStrip() {
  const { room } = useHere();
  const [asked] = useSearchParams();
  const { data, error } = useQuery(bathsQuery(room));
  if (!data)
    return (
      <Asking error={error}>
        <h1>Bite a test strip</h1>
      </Asking>
    );
  const baths = data.items.filter((bath) => !bath.retired && bath.vessel !== "bottle");
  if (baths.length === 0)
    return (
      <Empty title="No bath yet">
        <p>A strip is bitten in one of the room's baths. Making one up takes two minutes.</p>
        <ButtonLink look="strong" to={`/r/${room}/baths`}>
          Make up a bath
        </ButtonLink>
      </Empty>
    );
  const first = baths.find((bath) => bath.id === asked.get("bath")) ?? baths[0];
  return <Planned baths={baths} first={first as Bath} />;
}

function Planned({ baths, first }: { baths: Bath[]; first: Bath }) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const form = useForm<Read, Strip>(SHAPE, {
    keepAs: `${room} strip to bite`,
    start: { name: "", ground: GROUNDS[0], bath: first.id, times: DOUBLING },
    aliases: { text: "times", planned: "times" },
    send: async ({ times, ...read }, { id }) => {
      const { seconds } = await readMinutes(times);
      const bath = baths.find((each) => each.id === read.bath) ?? first;
      return makeStrip(room, { ...NOT_SAID, ...read, id, planned: seconds, ...inBath(bath) });
    },
    done: async (strip) => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/strips/${strip.id}/bath`);
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="max-w-190">
      <Answer form={form} />
      <p className="note">
        Lay the plate's own ground on a scrap of the same metal. All patches go in together; after
        each dip the next is covered. One end is never bitten. A first strip doubles its times.
      </p>
      <Section className="grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] items-start gap-4.5">
        <TextField form={form} name="name" />
        <ComboField form={form} name="ground" offered={GROUNDS} />
        <PickField form={form} name="bath" options={baths.map((b) => [b.id, b.name] as const)} />
      </Section>
      <div className="mt-4.5">
        <TextField form={form} name="times" />
      </div>
      <p className="note mt-1">
        With commas, times in all; with +, dips one after the other. Half of them for nitric.
      </p>
      <FormFoot form={form} submit="Go to the bath" />
    </form>
  );
}

/** How long it will take, from what is typed. */
function Answer({ form }: { form: Form }) {
  const times = useLate(useTyped(form, "times").trim());
  const { data } = useQuery(minutesQuery(times ?? ""));
  const last = data?.seconds.at(-1);
  if (!data || last === undefined) return <h1>Bite a test strip</h1>;
  const dips = data.seconds.length;
  return (
    <h1>
      {dips === 1 ? "1 patch" : `${dips} patches`}: <span className="num">{clock(last)}</span> in
      the bath, in {counted(dips, "dip")}.
    </h1>
  );
}

/** What a strip takes from the bath it is bitten in. */
const inBath = (bath: Bath) => ({
  bitten: "dips" as const,
  conditions: {
    mordant: bath.mordant as Shapes["Conditions"]["mordant"],
    temperature_c: bath.temperature_c,
    load_g_per_l: bath.load_g_per_l,
    baume: bath.baume,
  },
  patches: [],
  lines: [],
  marks: [],
  note: "",
});
