import { useQueryClient } from "@tanstack/react-query";
import type { Shapes } from "../../../api/client";
import { changeTest, type Test, testQuery } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { LongField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf, text } from "../../../ui/form/shape";
import type { Typed } from "../../../ui/form/read";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";

const SHAPE = shapeOf("TestChange", {
  name: text("Name", { needed: true }),
  note: text("Note", { optional: true }),
  out_reason: text("Why it no longer counts", { optional: true }),
});
type Read = Pick<Shapes["TestChange"], "name" | "note" | "out_reason">;

const typed = (test: Test): Typed => ({
  name: test.name,
  note: test.note,
  out_reason: test.out_reason,
});

/** Change what a test is called and what was noted, or say why it no longer counts. */
export function ChangeTest({ test, close }: { test: Test; close: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const form = useForm<Read, Test>(SHAPE, {
    keepAs: `${room} change test ${test.id}`,
    version: test.version,
    start: typed(test),
    send: (read, { version }) =>
      changeTest(room, test.id, {
        version,
        name: read.name,
        note: read.note ?? "",
        out_reason: read.out_reason ?? "",
      }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...testQuery(room, test.id), staleTime: 0 });
      return { version: now.version, values: typed(now) };
    },
    done: async (next) => {
      await client.invalidateQueries({ queryKey: [room] });
      close();
      say({ text: `${next.name} is kept.` });
    },
  });
  return (
    <form
      ref={useFirstField()}
      noValidate
      onSubmit={form.submit}
      className="my-3 grid max-w-170 gap-3.5 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4"
    >
      <TextField form={form} name="name" />
      <LongField form={form} name="note" />
      <TextField
        form={form}
        name="out_reason"
        hint="Another film, another polymer. Empty: it counts."
      />
      <FormFoot form={form} submit="Keep it">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}
