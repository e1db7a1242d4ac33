import kinds from "../../api/kinds.gen.json";
import type { RunState } from "../../api/runs";
import { nowSeconds } from "../../device/clock";
import { type Shape, time } from "../form/shape";
import { useForm, useShape } from "../form/useForm";
import { clock } from "../times";
import { FarText, NightButton, Said } from "./Night";
import { NightField } from "./NightField";
import { Notices } from "./Notices";

type Words = {
  /** What became of it. */
  text: React.ReactNode;
  hint: string;
  field: string;
  onTime: string;
  after: string;
  never: string;
};

type Props = {
  id: string;
  began: number;
  /** When it was due; null where nothing was planned. */
  due: number | null;
  notices: RunState["notices"];
  words: Words;
  end: (after: number) => void;
  undo: () => void;
};

/** Nothing is reckoned longer. */
const reckoned = (seconds: number) => Math.min(seconds, kinds.longest_seconds);

const within = (label: string, seconds: number): Shape => ({
  fields: { after: { ...time(label), low: 0, high: seconds, needed: true } },
});

/** What went on far past its time: its end was surely forgotten. Ask when it was. */
export function Forgotten({ id, began, due, notices, words, end, undo }: Props) {
  const planned = reckoned((due ?? began) - began);
  const shape = useShape(() => within(words.field, reckoned(nowSeconds() - began)), id);
  const form = useForm<{ after: number }, void>(shape, {
    start: { after: clock(planned) },
    send: async ({ after }) => end(after),
  });
  return (
    <div className="pt-5">
      <FarText>{words.text}</FarText>
      <Said>{words.hint}</Said>
      <Notices notices={notices} />
      <form
        noValidate
        onSubmit={form.submit}
        className="flex flex-wrap items-center gap-x-6 gap-y-3 py-4.5"
      >
        {due === null ? null : (
          <NightButton onClick={() => end(planned)}>{words.onTime}</NightButton>
        )}
        <NightField form={form} name="after" step={5} hidden />
        <NightButton plain type="submit">
          {words.after}
        </NightButton>
        <NightButton plain onClick={undo}>
          {words.never}
        </NightButton>
      </form>
    </div>
  );
}
