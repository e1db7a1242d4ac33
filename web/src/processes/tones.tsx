import type { Plan, PlanArea } from "../api/plans";
import { interpolate } from "../device/sheet";
import { CellField } from "../ui/form/Fields";
import type { Typed } from "../ui/form/read";
import { number } from "../ui/form/shape";
import { useTyped } from "../ui/form/useForm";
import { typedNumber } from "../ui/numbers";
import { newArea } from "./form";
import type { ProcessParts, WishProps } from "./parts";
import { SpeedOfBath } from "./Source";

const EVEN_TONES = ["84", "68", "52", "37", "25"];

/** Paper and five tones in even steps, the plate shared evenly among them. */
function first(surfaceCm2: number) {
  const share = (surfaceCm2 / (EVEN_TONES.length + 1)).toFixed(0);
  const tones = EVEN_TONES.map((lstar, i) => newArea(`Tone ${i + 1}`, share, { lstar }));
  return [newArea("Paper", share, { lstar: "" }), ...tones];
}

export function ToneWish({ form, at }: WishProps) {
  const label = `L* wanted of ${useTyped(form, `${at}.name`)}`;
  return <CellField form={form} name={`${at}.lstar`} label={label} placeholder="white" step={1} />;
}

export const typedTone = (area: PlanArea) => ({ lstar: typedNumber(area.lstar) });

/** An empty tone stays paper white. */
export const readTone = (row: Typed) => ({ lstar: row.lstar as number | null });

/** The tone an area prints when its floor is pulled to a time: looked up in the server's table. */
export function pulledTone(plan: Plan, seconds: number) {
  const area = plan.sheet.areas[0];
  const grid = plan.sheet.grid_reference_seconds;
  const tone = area ? interpolate(seconds, grid, area.goal.value) : 50;
  return { lstar: String(Math.round(tone * 2) / 2) };
}

export const TONES: ProcessParts = {
  key: "tones",
  method: "stop-out",
  methods: [
    ["stop-out", "Stopping out"],
    ["open-up", "Opening up"],
  ],
  hint: "Pull an area's floor, or type its tone.",
  fine: "All tones are within the strip's reach and stay apart. Bands are 95 %.",
  legend: "Areas and tones wanted",
  area: "area",
  called: "Tone",
  heads: ["L*"],
  signs: true,
  fields: { "areas.*.lstar": number("Area #, L* wanted") },
  aliases: {},
  Wish: ToneWish,
  first,
  another: (count) => newArea(`Tone ${count}`, "30", { lstar: "20" }),
  goals: ["lstar"],
  goal: "tone",
  typedGoal: (value) => ({ lstar: value.toFixed(0) }),
  typed: typedTone,
  read: readTone,
  calibrates: (strip) => strip.usable,
  stripLabel: "Strip",
  Below: null,
  Source: SpeedOfBath,
  measures: false,
  pulled: pulledTone,
};
