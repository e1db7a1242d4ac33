import type { PlanArea } from "../api/plans";
import { Cell } from "../ui/Cell";
import { read } from "../ui/MeasuredLines";
import { asText, newArea } from "./form";
import { Land } from "./Land";
import type { ProcessParts, WishProps } from "./parts";
import { RateOfLines } from "./Source";

const FIRST: [string, string, string][] = [
  ["Fine", "18", "40"],
  ["Middle", "40", "50"],
  ["Strong", "80", "80"],
];

/** Three depths as they are usual, the needle measured, the spacing not yet known. */
export const newGroup = (name: string, amount = "40", needle = "50") =>
  newArea(name, "10", { goal: "depth", amount, needle, spacing: "" });

function GroupWish({ area, change }: WishProps) {
  const { wish, name } = area;
  const set = (key: string) => (value: string) => change({ ...wish, [key]: value });
  return (
    <>
      <Cell label={`${name}, wanted`} value={wish.amount ?? ""} step={1} onChange={set("amount")} />
      <td style={{ padding: "3px 6px 3px 0" }}>
        <select
          className="cell-select"
          aria-label={`${name}, as depth or darkness`}
          value={wish.goal}
          onChange={(event) => set("goal")(event.target.value)}
        >
          <option value="depth">µm</option>
          <option value="darkness">% dark</option>
        </select>
      </td>
      <Cell
        label={`${name}, needle in µm`}
        value={wish.needle ?? ""}
        step={5}
        placeholder="50?"
        onChange={set("needle")}
      />
      <Cell
        label={`${name}, apart in µm`}
        value={wish.spacing ?? ""}
        step={50}
        placeholder=""
        onChange={set("spacing")}
      />
    </>
  );
}

function typed(area: PlanArea) {
  const dark = area.darkness != null;
  return {
    goal: dark ? "darkness" : "depth",
    amount: dark ? asText(Math.round((area.darkness ?? 0) * 100)) : asText(area.depth_um),
    needle: asText(area.needle_um),
    spacing: asText(area.spacing_um),
  };
}

function readGroup(wish: Record<string, string>) {
  const amount = read(wish.amount ?? "");
  const needle = read(wish.needle ?? "");
  const spacing = read(wish.spacing ?? "");
  if (amount === undefined || [amount, needle, spacing].some(Number.isNaN)) return null;
  const dark = wish.goal === "darkness";
  return {
    depth_um: dark ? null : amount,
    darkness: dark ? amount / 100 : null,
    needle_um: needle ?? null,
    spacing_um: spacing ?? null,
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
  Wish: GroupWish,
  first: () => FIRST.map(([name, amount, needle]) => newGroup(name, amount, needle)),
  another: (count) => newGroup(`Group ${count + 1}`),
  typed,
  read: readGroup,
  calibrates: (strip) => strip.lines > 0,
  stripLabel: "Line strip",
  Below: Land,
  Source: RateOfLines,
  measures: true,
  pulled: null,
};
