import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useMordantOptions } from "../../../api/mordants";
import { makeStrip, type Strip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { PrintedFields } from "../../../printed/PrintedFields";
import { ComboField, LongField, NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { useForm } from "../../../ui/form/useForm";
import { useDrop } from "../../../ui/form/useKept";
import { GROUNDS } from "../../../ui/materials";
import { Section } from "../../../ui/Section";
import { FromBath } from "./FromBath";
import { Patches } from "./Patches";
import type { Scanned } from "../../../scan/scanned";
import { firstStrip, STRIP_SHAPE, type StripRead, stripIn } from "./strip";

/** Read a strip: the bath it was bitten in, and each patch's time and tone. */
export function NewStrip() {
  const mordants = useMordantOptions();
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [scan, setScan] = useState<Scanned | null>(null);
  const drop = useDrop();
  const scanKept = `${room} strip scan`;
  const form = useForm<StripRead, Strip>(STRIP_SHAPE, {
    keepAs: `${room} strip`,
    start: firstStrip(),
    send: (read, { id }) => makeStrip(room, stripIn(read, id, scan)),
    done: async (strip) => {
      drop(scanKept);
      await client.invalidateQueries({ queryKey: [room, "strips"] });
      navigate(`/r/${room}/strips/${strip.id}`);
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="max-w-215">
      <h1>Read a strip</h1>
      <p className="note">
        A first strip doubles its times: each patch twice as long as the one before. Read it dry,
        against the bare sheet as 100: from a scan, from a file, or by eye beside a grey card.
      </p>
      <Section className="grid grid-cols-[repeat(auto-fit,minmax(180px,1fr))] items-start gap-4.5">
        <TextField form={form} name="name" />
        <ComboField form={form} name="ground" offered={GROUNDS} />
        <PickField form={form} name="conditions.mordant" options={mordants} />
        <FromBath form={form} />
        <NumberField form={form} name="conditions.temperature_c" step={0.5} />
        <NumberField form={form} name="conditions.load_g_per_l" />
        <NumberField form={form} name="conditions.baume" />
        <PrintedFields form={form} />
      </Section>
      <Patches form={form} keepAs={scanKept} onScan={setScan} />
      <div className="mt-4.5">
        <LongField form={form} name="note" />
      </div>
      <FormFoot form={form} submit="See the curve" />
    </form>
  );
}
