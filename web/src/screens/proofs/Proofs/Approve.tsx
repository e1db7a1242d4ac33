import { useQueryClient } from "@tanstack/react-query";
import { approveProof } from "../../../api/editions";
import type { Proof } from "../../../api/proofs";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { dayOf } from "../../../ui/times";

const SHAPE = shapeOf("ApprovalIn", {
  said_by: pick("Said by"),
  condition: text("Only if"),
  area: text("Told by the area"),
  remark: text("Remark"),
});
const WHO = [
  ["artist", "the artist"],
  ["printer", "the printer"],
] as const;
type Read = Pick<Shapes["ApprovalIn"], "said_by" | "condition" | "area" | "remark">;

/** OK to print, with or without a condition, said by the artist or the printer; or taken back. */
export function Approve({ proof }: { proof: Proof }) {
  const { room, zone } = useHere();
  const { plate } = usePlate();
  const client = useQueryClient();
  const done = () => client.invalidateQueries({ queryKey: [room] });
  const form = useForm<Read, unknown>(SHAPE, {
    keepAs: `${room} ok ${proof.id}`,
    start: { said_by: "printer", condition: "", area: "", remark: "" },
    send: (read, { id }) => approveProof(room, proof.id, { ...read, id, ok: true }),
    done,
  });
  const standing = proof.approvals.find((each) => each.standing);
  const areas = proof.tones.map((tone) => [tone.area, tone.area] as const);
  const back = () =>
    form.act(() =>
      approveProof(room, proof.id, {
        id: newId(),
        ok: false,
        said_by: "printer",
        condition: "",
        area: "",
        remark: "",
      }).then(done),
    );
  return (
    <section className="border-t-2 border-ink pt-3">
      <h2 className="text-h3">{standing ? "OK to print" : "Is it OK to print?"}</h2>
      <ul className="grid gap-1">
        {proof.approvals.map((each) => (
          <li key={each.id} className={each.standing ? "font-slab text-lead italic" : "note"}>
            {each.ok ? "OK to print" : "Taken back"}
            {each.condition ? `, if ${each.condition}` : ""}, the {each.said_by} ({each.by}),{" "}
            {dayOf(each.at, zone)}. {each.remark}
          </li>
        ))}
      </ul>
      {standing ? (
        <Button className="mt-2" disabled={form.busy} onClick={back}>
          Take the OK back
        </Button>
      ) : proof.state_number < plate.state_number ? (
        <p className="note">
          The plate has gone on since: decide on a proof of the state it is in.
        </p>
      ) : (
        <form noValidate onSubmit={form.submit} className="mt-2 grid gap-2.5">
          <div className="flex flex-wrap gap-4">
            <PickField form={form} name="said_by" options={WHO} />
            <TextField form={form} name="condition" hint="the sky stays dark; empty: as it is" />
            {areas.length > 0 ? (
              <PickField form={form} name="area" options={[["", "none"] as const, ...areas]} />
            ) : null}
          </div>
          <TextField form={form} name="remark" />
          <FormFoot form={form} submit="OK to print" look="plain" />
        </form>
      )}
    </section>
  );
}
