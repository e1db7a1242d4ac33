import type { Shapes } from "../../../api/client";
import { number, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import type { PlanArea } from "../../../api/plans";

export const WIPES = [
  "gauze, then paper",
  "gauze, then hand",
  "gauze, paper, chalked hand",
  "cloth",
];
export const FOULED = [
  ["", "not looked for"],
  ["no", "none"],
  ["yes", "yes, unwanted pits"],
] as const;

export type ProofRead = Omit<Shapes["ProofIn"], "id" | "plate" | "picture" | "foul_bite"> & {
  foul_bite: string;
};

/** A tone that was not read is not sent. */
const unread = (row: Record<string, unknown>) => String(row.read_lstar).trim() === "";

export const PROOF_SHAPE = shapeOf(
  "ProofIn",
  {
    paper: text("Paper"),
    soak_minutes: number("Soak"),
    ink: text("Ink"),
    wipe: text("Wipe"),
    pressure: text("Pressure"),
    passes: number("Passes through the press", { needed: true }),
    note: text("Note"),
    foul_bite: pick("Foul bite on it?"),
    same_state: yes("Pulled again from the same state"),
    ok_to_print: yes("OK to print"),
    "tones.*.read_lstar": number("Area #, L* read"),
  },
  { tones: unread },
);

export const firstProof = (areas: PlanArea[]) => ({
  paper: "",
  soak_minutes: "",
  ink: "",
  wipe: "",
  pressure: "",
  passes: "1",
  note: "",
  foul_bite: "",
  same_state: false,
  ok_to_print: false,
  tones: areas.map((area) => ({ area: area.name, read_lstar: "" })),
});

/** A proof as it is sent. */
export function proofIn(
  read: ProofRead,
  of: { id: string; plate: string; picture: string | null },
): Shapes["ProofIn"] {
  const { foul_bite, ...rest } = read;
  return { ...rest, ...of, foul_bite: foul_bite === "" ? null : foul_bite === "yes" };
}
