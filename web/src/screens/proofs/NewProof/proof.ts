import type { Shapes } from "../../../api/client";
import { number, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import type { PlanArea } from "../../../api/plans";
import { NOT_SAID, printedFields } from "../../../printed/PrintedFields";
import type { ReadOff } from "./readOff";

export const FOULED = [
  ["", "not looked for"],
  ["no", "none"],
  ["yes", "yes, unwanted pits"],
] as const;

export type ProofRead = Omit<
  Shapes["ProofIn"],
  "id" | "plate" | "picture" | "foul_bite" | "reading"
> & {
  foul_bite: string;
};

/** A tone that was not read is not sent. */
const unread = (row: Record<string, unknown>) => String(row.read_lstar).trim() === "";

export const PROOF_SHAPE = shapeOf(
  "ProofIn",
  {
    ...printedFields,
    soak_minutes: number("Soak"),
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
  ...NOT_SAID,
  soak_minutes: "",
  pressure: "",
  passes: "1",
  note: "",
  foul_bite: "",
  same_state: false,
  ok_to_print: false,
  tones: areas.map((area) => ({ area: area.name, read_lstar: "" })),
});

/** A proof as it is sent; a tone typed over what its scan said is as sure as an eye. */
export function proofIn(
  read: ProofRead,
  of: { id: string; plate: string; picture: string | null },
  scan: ReadOff | null = null,
): Shapes["ProofIn"] {
  const { foul_bite, ...rest } = read;
  const tones = (rest.tones ?? []).map((tone) => {
    const seen = scan?.doubts[tone.area];
    const same = seen && Math.abs(seen.lstar - tone.read_lstar) < SAME_LSTAR;
    return { ...tone, spread: same ? seen.spread : null };
  });
  const fouled = foul_bite === "" ? null : foul_bite === "yes";
  return { ...rest, ...of, tones, reading: scan?.task ?? null, foul_bite: fouled };
}
const SAME_LSTAR = 0.06;
