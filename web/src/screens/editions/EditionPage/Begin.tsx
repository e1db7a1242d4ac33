import { useQueryClient } from "@tanstack/react-query";
import { type Edition, keepEdition } from "../../../api/editions";
import { useHere } from "../../../frame/useHere";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";

const SHAPE = shapeOf("EditionIn", {
  size: number("Impressions", { needed: true }),
  artist_proofs: number("Artist's proofs"),
  printer_proofs: number("Printer's proofs"),
  order: pick("Numbered"),
  tolerance_lstar: number("May be lighter by"),
  wear_area: text("Area that wears first"),
});

type Read = Pick<
  Edition,
  "size" | "artist_proofs" | "printer_proofs" | "order" | "tolerance_lstar" | "wear_area"
>;
const ORDERS = [
  ["pulled", "as pulled"],
  ["dried", "as dried and signed"],
] as const;

/** How many there shall be, and by what they are held to the OK. */
export function Begin({ edition }: { edition: Edition }) {
  const { room } = useHere();
  const client = useQueryClient();
  const first = edition.version === 0;
  const form = useForm<Read, Edition>(SHAPE, {
    version: edition.version,
    start: {
      size: String(edition.size),
      artist_proofs: String(edition.artist_proofs),
      printer_proofs: String(edition.printer_proofs),
      order: edition.order,
      tolerance_lstar: String(edition.tolerance_lstar),
      wear_area: edition.wear_area,
    },
    send: (read, { version }) =>
      keepEdition(room, edition.plate, { ...read, version, spoiled_share: edition.spoiled_share }),
    done: () => client.invalidateQueries({ queryKey: [room] }),
  });
  const areas = edition.ok?.tones.map((each) => each.area).join(", ");
  return (
    <form noValidate onSubmit={form.submit} className={first ? "mt-4 max-w-160" : ""}>
      <h2 className="text-h3">{first ? "Begin the edition" : "The edition"}</h2>
      {first ? (
        <p className="mt-1 mb-3">
          From then on each impression that is signed gets its number, given once and never again.
          Proofs aside have numbers of their own.
        </p>
      ) : null}
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-3">
        <NumberField form={form} name="size" />
        <NumberField form={form} name="artist_proofs" />
        <NumberField form={form} name="printer_proofs" />
        <PickField form={form} name="order" options={ORDERS} />
        <NumberField form={form} name="tolerance_lstar" step={0.5} />
        <TextField
          form={form}
          name="wear_area"
          hint={areas ? `Read on the OK: ${areas}.` : "Empty: the darkest that is read."}
        />
      </div>
      <FormFoot form={form} submit={first ? "Begin" : "Keep"} look={first ? "strong" : "plain"} />
    </form>
  );
}
