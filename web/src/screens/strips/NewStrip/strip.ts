import type { Shapes } from "../../../api/client";
import { NOT_SAID, type PrintedRead, printedFields } from "../../../printed/PrintedFields";
import { number, pick, shapeOf, temperature, text, time } from "../../../ui/form/shape";
import { keptOf, type Scanned, withSpread } from "../../../scan/scanned";
import { GROUNDS } from "../../../ui/materials";
import { clock } from "../../../ui/times";

const DOUBLING_SECONDS = [30, 60, 120, 240, 480, 960];

type Row = { seconds: string; lstar: string };
export type StripRead = PrintedRead & {
  name: string;
  ground: string;
  bitten: "dips" | "once";
  note: string;
  conditions: Shapes["Conditions"];
  patches: { seconds: number; lstar: number }[];
};

/** A patch that was not read is not sent. */
const unread = (row: Record<string, unknown>) => String(row.lstar).trim() === "";

export const STRIP_SHAPE = shapeOf(
  "StripIn",
  {
    name: text("Name"),
    ground: text("Ground"),
    ...printedFields,
    note: text("Note"),
    "conditions.mordant": pick("Metal and mordant"),
    "conditions.temperature_c": temperature("Bath temperature", { needed: true }),
    "conditions.load_g_per_l": number("Metal in the bath"),
    "conditions.baume": number("Hydrometer, if read"),
    "patches.*.seconds": time("Patch #, time in all"),
    "patches.*.lstar": number("Patch #, L*"),
  },
  { patches: unread },
);

export const firstStrip = () => ({
  name: "",
  ground: GROUNDS[0],
  bitten: "dips",
  ...NOT_SAID,
  note: "",
  conditions: { mordant: "copper-ferric", temperature_c: "", load_g_per_l: "0", baume: "" },
  patches: DOUBLING_SECONDS.map((s): Row => ({ seconds: clock(s), lstar: "" })),
});

/** A strip as it is sent, read today. */
export function stripIn(
  read: StripRead,
  id: string,
  scanned: Scanned | null = null,
): Shapes["StripIn"] {
  const scan = keptOf(read.patches, scanned);
  return {
    ...read,
    id,
    conditions: { ...read.conditions, load_g_per_l: read.conditions.load_g_per_l ?? 0 },
    lines: [],
    planned: [],
    patches: withSpread(read.patches, scan),
    picture: scan?.picture ?? null,
    marks: scan ? scan.patches.map((each) => each.quad as [number, number][]) : [],
    read_on: new Date().toISOString().slice(0, 10),
  };
}
