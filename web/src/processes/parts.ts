import type { ComponentType } from "react";
import type { Part, Plan, PlanArea, PlanIn } from "../api/plans";
import type { Shapes } from "../api/client";
import type { Typed } from "../ui/form/read";
import type { shapeOf } from "../ui/form/shape";
import type { Form } from "../ui/form/useForm";

/** The cells of what is wanted in one area: `at` is the area's path in the form. */
export type WishProps = { form: Form; at: string };
type Wish = Omit<PlanArea, "name" | "parts" | "open_cm2">;
/** An area as it is typed: its name and surface, and what is wanted by the process's columns. */
export type AreaRow = Typed & { name: string };

/** What one process brings to the screens: one entry of the registry. */
export type ProcessParts = {
  key: Part;
  method: PlanIn["method"];
  methods: [NonNullable<PlanIn["method"]>, string][];
  /** Said under the heading while nothing is bitten. */
  hint: string;
  /** Said where there is nothing to beware of. */
  fine: string;
  /** Above the table of areas. */
  legend: string;
  /** What one of them is called: labels and the button. */
  area: string;
  /** What a new one is called before its number. */
  called: string;
  heads: string[];
  /** Each area has its tone sign, as on the printed card. */
  signs: boolean;
  /** The fields of what is wanted, by the paths of the plan's body. */
  fields: Parameters<typeof shapeOf>[1];
  /** Names of the body that are typed in a field of another name. */
  aliases: Record<string, string>;
  /** The cells of what is wanted. */
  Wish: ComponentType<WishProps>;
  first: (surfaceCm2: number) => AreaRow[];
  another: (count: number) => AreaRow;
  /** Columns of the goal, left empty where minutes are given instead. */
  goals: (keyof Wish)[];
  /** The goal in a word, beside "minutes". */
  goal: string;
  /** An area's goal as it is typed from what it will come to. */
  typedGoal: (value: number) => Typed;
  typed: (area: PlanArea) => Typed;
  read: (row: Typed) => Wish;
  /** A strip that calibrates it. */
  calibrates: (strip: Shapes["StripCard"]) => boolean;
  stripLabel: string;
  /** What stands below the figure. */
  Below: ComponentType<{ plan: Plan }> | null;
  /** Beside the bath and strip, how fast it bites. */
  Source: ComponentType<{ plan: Plan; bath: string; celsius: number; measured: boolean }>;
  /** Lines measured on the plate correct it. */
  measures: boolean;
  /** The wish that prints as an area pulled to a time; null where floors cannot be pulled. */
  pulled: ((plan: Plan, seconds: number) => Typed) | null;
};
