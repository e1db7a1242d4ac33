import { useController } from "react-hook-form";
import type { PlanArea } from "../api/plans";
import { CellField } from "../ui/form/Fields";
import { Picker } from "../ui/form/Picker";
import type { Typed } from "../ui/form/read";
import { number, pick } from "../ui/form/shape";
import { useTyped } from "../ui/form/useForm";
import { typedNumber } from "../ui/numbers";
import { newArea } from "./form";
import { Land } from "./Land";
import type { ProcessParts, WishProps } from "./parts";
import { RateOfLines } from "./Source";

const FIRST: [string, string, string][] = [
  ["Fine", "18", "40"],
  ["Middle", "40", "50"],
  ["Strong", "80", "80"],
];
const GOALS = [
  ["depth", "µm"],
  ["darkness", "% dark"],
] as const;

/** Three depths as they are usual, the needle measured, the spacing not yet known. */
export const newGroup = (name: string, amount = "40", needle_um = "50") =>
  newArea(name, "10", { goal: "depth", amount, needle_um, spacing_um: "" });

function GroupWish({ form, at }: WishProps) {
  const { field } = useController({ control: form.hook.control, name: `${at}.goal` });
  const name = useTyped(form, `${at}.name`);
  return (
    <>
      <CellField form={form} name={`${at}.amount`} label={`${name}, wanted`} step={1} />
      <td className="min-w-22 py-0.5 pr-1.5">
        <Picker
          narrow
          label={`${name}, as depth or darkness`}
          value={field.value}
          options={GOALS}
          onChange={field.onChange}
        />
      </td>
      <CellField
        form={form}
        name={`${at}.needle_um`}
        label={`${name}, needle in µm`}
        step={5}
        placeholder="50?"
      />
      <CellField form={form} name={`${at}.spacing_um`} label={`${name}, apart in µm`} step={50} />
    </>
  );
}

export function typedGroup(area: PlanArea) {
  const dark = area.darkness != null;
  return {
    goal: dark ? "darkness" : "depth",
    amount: typedNumber(dark ? Math.round((area.darkness ?? 0) * 100) : area.depth_um),
    needle_um: typedNumber(area.needle_um),
    spacing_um: typedNumber(area.spacing_um),
  };
}

export function readGroup(row: Typed) {
  const dark = row.goal === "darkness";
  const amount = row.amount as number;
  return {
    depth_um: dark ? null : amount,
    darkness: dark ? amount / 100 : null,
    needle_um: row.needle_um as number | null,
    spacing_um: row.spacing_um as number | null,
  };
}

export const LINES: ProcessParts = {
  key: "lines",
  method: "stop-out",
  methods: [
    ["stop-out", "Stopping out"],
    ["open-up", "Opening up"],
  ],
  hint: "Depth is time.",
  fine: "Each group has its depth and the land between the lines holds. Bands are 95 %.",
  legend: "Groups of lines, finest first",
  area: "group",
  called: "Group",
  heads: ["Wanted", "", "Needle µm", "Apart µm"],
  signs: false,
  fields: {
    "areas.*.goal": pick("Group #, as depth or darkness"),
    "areas.*.amount": number("Group #, wanted", { needed: true }),
    "areas.*.needle_um": number("Group #, needle in µm"),
    "areas.*.spacing_um": number("Group #, apart in µm"),
  },
  aliases: { depth_um: "amount", darkness: "amount", groups: "areas" },
  Wish: GroupWish,
  first: () => FIRST.map(([name, amount, needle]) => newGroup(name, amount, needle)),
  another: (count) => newGroup(`Group ${count + 1}`),
  goals: ["depth_um", "darkness"],
  goal: "depth",
  typedGoal: (value) => ({ goal: "depth", amount: value.toFixed(0) }),
  typed: typedGroup,
  read: readGroup,
  calibrates: (strip) => strip.lines > 0,
  stripLabel: "Line strip",
  Below: Land,
  Source: RateOfLines,
  measures: true,
  pulled: null,
};
