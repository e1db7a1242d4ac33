import type { ComponentType } from "react";
import type { Part, Plan, PlanArea, PlanIn } from "../api/plans";
import type { Shapes } from "../api/client";
import type { AreaForm } from "./typed";

export type WishProps = {
  area: AreaForm;
  change: (wish: AreaForm["wish"]) => void;
};
type Wish = Omit<PlanArea, "name" | "parts" | "open_cm2">;

/** What one process brings to the screens: one entry of the registry. */
export type ProcessParts = {
  key: Part;
  method: PlanIn["method"];
  methods: [PlanIn["method"], string][];
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
  /** The cells of what is wanted. */
  Wish: ComponentType<WishProps>;
  first: (surfaceCm2: number) => AreaForm[];
  another: (count: number) => AreaForm;
  typed: (area: PlanArea) => AreaForm["wish"];
  read: (wish: AreaForm["wish"]) => Wish | null;
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
  pulled: ((plan: Plan, seconds: number) => AreaForm["wish"]) | null;
};
