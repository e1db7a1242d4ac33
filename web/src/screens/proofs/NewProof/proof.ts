import type { Shapes } from "../../../api/client";
import { shapeOf, yes } from "../../../ui/form/shape";
import type { PlanArea } from "../../../api/plans";
import { NOT_SAID } from "../../../printed/PrintedFields";
import { fouledOf, printingFields, unreadTones } from "../../../printed/Printing";
import type { ReadOff } from "./readOff";

export type ProofRead = Omit<
  Shapes["ProofIn"],
  "id" | "plate" | "picture" | "foul_bite" | "reading"
> & {
  foul_bite: string;
};

export const PROOF_SHAPE = shapeOf(
  "ProofIn",
  {
    ...printingFields,
    same_state: yes("Pulled again from the same state"),
    ok_to_print: yes("OK to print"),
  },
  unreadTones,
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
  return { ...rest, ...of, tones, reading: scan?.task ?? null, foul_bite: fouledOf(foul_bite) };
}
const SAME_LSTAR = 0.06;
