import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changeStrip, type Strip, stripQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import {
  PrintedFields,
  type PrintedRead,
  printedFields,
  saidOf,
} from "../../../printed/PrintedFields";
import { Button, TextButton } from "../../../ui/Button";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";

const SHAPE = shapeOf("StripChange", printedFields);

/** What the strip was printed with: only proofs printed the same tell of its curve. */
export function PrintedWith({ strip }: { strip: Strip }) {
  const [open, setOpen] = useState(false);
  const known = [strip.paper, strip.ink, strip.wipe].filter(Boolean);
  if (open) return <PrintedForm strip={strip} close={() => setOpen(false)} />;
  return (
    <p className="note mt-1.5">
      {known.length > 0 ? `Printed: ${known.join(" · ")}. ` : ""}
      {known.length < 3 ? "A proof moves a plate’s curve only where it was printed as this. " : ""}
      <TextButton onClick={() => setOpen(true)}>
        {known.length > 0 ? "Change" : "Say how it was printed"}
      </TextButton>
    </p>
  );
}

function PrintedForm({ strip, close }: { strip: Strip; close: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const form = useForm<PrintedRead, Strip>(SHAPE, {
    keepAs: `${room} printed ${strip.id}`,
    start: saidOf(strip),
    version: strip.version,
    send: (read, { version }) => changeStrip(room, strip.id, { ...read, version }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...stripQuery(room, strip.id), staleTime: 0 });
      return { version: now.version, values: saidOf(now) };
    },
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "Kept. Proofs printed the same will tell of this curve." });
      close();
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="mt-3 max-w-190">
      <div className="grid grid-cols-[repeat(auto-fit,minmax(190px,1fr))] items-start gap-3.5">
        <PrintedFields form={form} />
      </div>
      <FormFoot form={form} submit="Keep" look="plain">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}
