import { useQueryClient } from "@tanstack/react-query";
import { correctProof, type Proof, proofQuery } from "../../../api/proofs";
import type { Shapes } from "../../../api/client";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { saidOf } from "../../../printed/PrintedFields";
import {
  FOULED,
  fouledOf,
  fouledPicked,
  Printing,
  printingFields,
  unreadTones,
} from "../../../printed/Printing";
import { ReadTones, type ToneRow } from "../../../printed/ReadTones";
import { Button } from "../../../ui/Button";
import { LongField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { roman } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";
import { useFocused } from "../../../ui/useFocused";

const SHAPE = shapeOf("ProofChange", printingFields, unreadTones);

type Read = Omit<Shapes["ProofChange"], "version" | "foul_bite"> & { foul_bite: string };

/** What was typed of a proof, typed anew: what stood before stays in the record. */
export function Correct({ proof, close }: { proof: Proof; close: () => void }) {
  const { room } = useHere();
  const rows = useRows(proof);
  const client = useQueryClient();
  const say = useSay();
  const form = useForm<Read, Proof>(SHAPE, {
    keepAs: `${room} correct ${proof.id}`,
    start: typedOf(proof, rows),
    version: proof.version,
    send: (read, { version }) =>
      correctProof(room, proof.id, { version, ...changeOf(read, proof) }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...proofQuery(room, proof.id), staleTime: 0 });
      return { version: now.version, values: typedOf(now, rows) };
    },
    done: async () => {
      close();
      await client.invalidateQueries({ queryKey: [room] });
      say({
        text: `State ${roman(proof.state_number)} is corrected. What stood is in the record.`,
      });
    },
  });
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className="grid gap-4 border-l-4 border-ink pl-4"
    >
      <h3 ref={useFocused()} tabIndex={-1} className="outline-none">
        Correct what was typed
      </h3>
      <Printing form={form} />
      <ReadTones rows={rows} form={form} />
      <PickField form={form} name="foul_bite" options={FOULED} />
      <LongField form={form} name="note" />
      <FormFoot form={form} submit="Keep the correction" look="plain">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

/** Every tone read off the proof, and those of the plan that were not read. */
function useRows(proof: Proof): ToneRow[] {
  const { plans } = usePlate();
  const read = proof.tones.map(({ area, parts, wanted_lstar }) => ({
    name: area,
    parts,
    wanted: wanted_lstar?.toFixed(0) ?? "white",
  }));
  const named = new Set(read.map((row) => row.name));
  const others = plans
    .flatMap((plan) => (plan.process.goal.kind === "tone" ? plan.areas : []))
    .filter((area) => !named.has(area.name))
    .map(({ name, parts, lstar }) => ({ name, parts: parts ?? "", wanted: lstar ?? "white" }));
  return [...read, ...others];
}

function typedOf(proof: Proof, rows: ToneRow[]) {
  const read = new Map(proof.tones.map((tone) => [tone.area, tone.read_lstar]));
  return {
    ...saidOf(proof),
    soak_minutes: typedNumber(proof.soak_minutes),
    pressure: proof.pressure,
    passes: typedNumber(proof.passes),
    note: proof.note,
    foul_bite: fouledPicked(proof.foul_bite),
    tones: rows.map(({ name }) => ({ area: name, read_lstar: typedNumber(read.get(name)) })),
  };
}

/** A tone left as it was read keeps its doubt; typed over, it is as sure as an eye. */
function changeOf({ foul_bite, tones, ...read }: Read, proof: Proof) {
  const before = new Map(proof.tones.map((tone) => [tone.area, tone]));
  return {
    ...read,
    soak_minutes: read.soak_minutes ?? null,
    foul_bite: fouledOf(foul_bite),
    tones: (tones ?? []).map((tone) => {
      const stood = before.get(tone.area);
      const spread = stood?.read_lstar === tone.read_lstar ? (stood.spread ?? null) : null;
      return { ...tone, spread };
    }),
  };
}
