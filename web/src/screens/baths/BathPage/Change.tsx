import { type Bath, type BathPage, changeBath, refreshBath } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf, share, text } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { Measured } from "./Measured";
import { useSaved } from "./useSaved";
import { Vessel } from "./Vessel";

type Props = { page: BathPage; done: () => void };
const REFRESH = shapeOf("RefreshIn", {
  share: share("Poured off and replaced"),
  note: text("With what"),
});

/** Replace a part, retire it, correct what was typed of it. */
export function Change({ page, done }: Props) {
  return (
    <div className="grid gap-5">
      <Refresh page={page} done={done} />
      {page.bath.retired ? (
        <UseAgain page={page} done={done} />
      ) : (
        <Retire page={page} done={done} />
      )}
      <Vessel page={page} done={done} />
      <details>
        <summary className="font-semibold">Type a speed measured elsewhere</summary>
        <Measured bath={page.bath} />
      </details>
    </div>
  );
}

function Refresh({ page, done }: Props) {
  const { room } = useHere();
  const saved = useSaved();
  const { bath, life } = page;
  const form = useForm<{ share: number; note: string }, Bath>(REFRESH, {
    start: { share: "25", note: "" },
    send: (read, { id }) => refreshBath(room, bath.id, { id, ...read, note: read.note ?? "" }),
    done: (next) => {
      done();
      return saved(next, `${next.load_g_per_l.toFixed(1)} g/L are left in it.`);
    },
  });
  return (
    <form ref={useFirstField()} noValidate onSubmit={form.submit}>
      <p className="note mt-1">
        {life.refreshes
          .map(
            (r) =>
              `${Math.round(r.share * 100)} % new (${r.litres.toFixed(1)} L): ${r.load_g_per_l.toFixed(1)} g/L, ×${r.speed.toFixed(2)} as fast`,
          )
          .join(". ")}
        . What is poured off holds {bath.metal}: into a labelled container.
        {bath.held_copper ? " Zinc stays refused: a part of the old always stays behind." : ""}
      </p>
      <div className="mt-2.5 flex flex-wrap items-start gap-4">
        <NumberField form={form} name="share" step={5} />
        <TextField form={form} name="note" />
        <FormFoot form={form} submit="Replace it" beside />
      </div>
    </form>
  );
}

const RETIRE = shapeOf("BathChange", { retired_to: text("Into", { needed: true }) });

function Retire({ page, done }: Props) {
  const { room } = useHere();
  const saved = useSaved();
  const { bath } = page;
  const form = useForm<{ retired_to: string }, Bath>(RETIRE, {
    start: { retired_to: "labelled can" },
    version: bath.version,
    send: (read, { version }) => changeBath(room, bath.id, { version, retired: true, ...read }),
    done: (next) => {
      done();
      return saved(next, `${next.name} is retired. Nothing is planned in it any more.`);
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="border-t border-hair pt-3">
      <Care level="danger">
        Never down the drain: {bath.metal} in it is hazardous waste. Ask the local authority.
      </Care>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <TextField form={form} name="retired_to" />
        <FormFoot form={form} submit="Retire it" look="plain" beside />
      </div>
    </form>
  );
}

/** It was retired by mistake. */
function UseAgain({ page, done }: Props) {
  const { room } = useHere();
  const saved = useSaved();
  const { bath } = page;
  const again = async () => {
    const next = await changeBath(room, bath.id, { version: bath.version, retired: false });
    done();
    await saved(next, `${next.name} is in use again.`);
  };
  return (
    <div className="border-t border-hair pt-3">
      <Button onClick={again}>Take it into use again</Button>
    </div>
  );
}
