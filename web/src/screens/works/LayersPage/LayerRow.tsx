import { useMutation } from "@tanstack/react-query";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button, TakeOut } from "../../../ui/Button";
import { FilePick } from "../../../ui/form/FilePick";
import { NumberField, PickField, TextField, TickField } from "../../../ui/form/Fields";
import type { Form } from "../../../ui/form/useForm";
import { Trouble } from "../../../ui/Trouble";

const KINDS = [
  ["plate", "Plate"],
  ["relief-roll", "Relief roll"],
  ["stencil", "Stencil"],
  ["monotype-wiped", "Monotype, wiped"],
  ["monotype-added", "Monotype, added"],
  ["monotype-traced", "Monotype, traced"],
  ["chine-colle", "Chine collé"],
] as const;
const CLASSES = [
  ["black", "black, lets 2 % through"],
  ["opaque", "opaque colour, 20 %"],
  ["half", "half extender, 60 %"],
  ["extended", "mostly extender, 85 %"],
] as const;
const OPEN = [
  ["oil", "oil ink as it is"],
  ["oil-retarded", "with clove or burnt plate oil"],
  ["water-oil", "oil ink that washes with water"],
  ["water", "water-based"],
  ["water-retarded", "water-based with retarder"],
] as const;
const SHAPED = new Set(["stencil", "relief-roll", "chine-colle"]);

type Props = {
  form: Form;
  at: number;
  last: number;
  plates: [string, string][];
  inks: [string, string][];
  move: (by: number) => void;
  drop: () => void;
};

/** One layer: what it is, what prints it, its ink, a picture of what it prints. */
export function LayerRow({ form, at, last, plates, inks, move, drop }: Props) {
  const at_ = (name: string) => `layers.${at}.${name}`;
  const kind = String(form.hook.watch(at_("kind")));
  const name = String(form.hook.watch(at_("name")));
  const ink = String(form.hook.watch(at_("ink")) ?? "");
  const picture = form.hook.watch(at_("picture")) as string | null;
  const hand = kind.startsWith("monotype");
  return (
    <li className="relative border-t border-line pt-3">
      <b aria-hidden="true" className="num absolute top-9 left-0 text-h2 max-phone:static">
        {at + 1}
      </b>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(168px,1fr))] items-end gap-x-4 gap-y-3 pl-8 max-phone:pl-0">
        <TextField form={form} name={at_("name")} />
        <PickField form={form} name={at_("kind")} options={KINDS} />
        {kind === "plate" || kind === "relief-roll" ? (
          <PickField
            form={form}
            name={at_("plate")}
            options={[["", "not in the rack"], ...plates]}
          />
        ) : null}
        {kind === "chine-colle" ? null : (
          <PickField form={form} name={at_("ink")} options={[["", "not named"], ...inks]} />
        )}
        {hand ? <PickField form={form} name={at_("open_ink")} options={OPEN} /> : null}
        {hand || ink ? null : <PickField form={form} name={at_("ink_class")} options={CLASSES} />}
        {hand ? null : <NumberField form={form} name={at_("lets_through")} step={0.05} />}
        {picture ? null : <NumberField form={form} name={at_("covers")} step={0.05} />}
        {SHAPED.has(kind) ? (
          <>
            <NumberField form={form} name={at_("width_mm")} />
            <NumberField form={form} name={at_("height_mm")} />
          </>
        ) : null}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 pl-8 max-phone:pl-0">
        <Pictured form={form} at={at} name={name} />
        {kind === "plate" ? <TickField form={form} name={at_("key")} /> : null}
        {hand ? null : <TickField form={form} name={at_("varied")} />}
        <span className="ml-auto flex items-center">
          <Button
            look="row"
            disabled={at === 0}
            aria-label={`${name}: earlier`}
            onClick={() => move(-1)}
          >
            Earlier
          </Button>
          <Button
            look="row"
            disabled={at === last}
            aria-label={`${name}: later`}
            onClick={() => move(1)}
          >
            Later
          </Button>
          <TakeOut what={name} onClick={drop} />
        </span>
      </div>
    </li>
  );
}

/** A picture of what the layer prints, dark where there is ink: the preview is laid from it. */
function Pictured({ form, at, name }: { form: Form; at: number; name: string }) {
  const { room } = useHere();
  const path = `layers.${at}.picture`;
  const picture = form.hook.watch(path) as string | null;
  const send = useMutation({
    mutationFn: (file: File) => sendPicture(room, newId(), file),
    onSuccess: (sent) => form.hook.setValue(path, sent.id, { shouldDirty: true }),
  });
  return (
    <span className="flex flex-wrap items-center gap-2">
      {picture ? (
        <img
          src={pictureUrl(room, picture)}
          alt={`What ${name} prints`}
          className="h-11 border border-hair"
        />
      ) : null}
      <FilePick
        label={`Picture of ${name}`}
        look="row"
        disabled={send.isPending}
        onPick={(file) => send.mutate(file)}
      >
        {picture ? "Another picture" : "Picture of what it prints"}
      </FilePick>
      <Trouble error={send.error} />
    </span>
  );
}
