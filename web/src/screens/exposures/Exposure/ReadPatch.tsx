import { useQueryClient } from "@tanstack/react-query";
import { patchesRead } from "./words";
import { changeTest, type Patch, type Test, testQuery } from "../../../api/exposures";
import { patchAt, type Spot } from "../../../figures/exposure/PairField";
import { FromInstrument } from "../../../frame/FromInstrument";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, rowShapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { clock } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";

const SHAPE = rowShapeOf("ExposurePairInput", "patches", {
  paper_lstar: number("Clear film"),
  highlight_lstar: number("5 %"),
  shadow_lstar: number("95 %"),
  solid_lstar: number("Solid"),
});
const TONES = ["paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar"] as const;

type Read = Pick<Patch, (typeof TONES)[number]>;
type Props = { test: Test; spot: Spot; close: () => void };

/** Read one patch: its four tones, as L* over the bare sheet. */
export function ReadPatch({ test, spot, close }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const before = patchAt(test, spot);
  const times = { screen_seconds: spot.screen, image_seconds: spot.image };
  const form = useForm<Read, Test>(SHAPE, {
    keepAs: `${room} patch ${test.id} ${spot.screen} ${spot.image}`,
    version: test.version,
    start: Object.fromEntries(TONES.map((tone) => [tone, before ? String(before[tone]) : ""])),
    send: (read, { version }) =>
      changeTest(room, test.id, {
        version,
        patches: [
          ...test.readings.filter((patch) => patch !== before),
          { ...times, spread: before?.spread ?? null, ...read },
        ],
      }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...testQuery(room, test.id), staleTime: 0 });
      const own = patchAt(now, spot);
      return {
        version: now.version,
        values: Object.fromEntries(TONES.map((tone) => [tone, own ? String(own[tone]) : ""])),
      };
    },
    done: async (next) => {
      client.setQueryData(testQuery(room, test.id).queryKey, next);
      await client.invalidateQueries({ queryKey: [room, "exposure tests"] });
      say({ text: patchesRead(next.readings.length) });
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="mt-2" data-patch>
      <h3 className="text-lead">
        Screen {clock(spot.screen)}, image {clock(spot.image)}
        {before ? "" : ": not read yet"}
      </h3>
      <div className="mt-1.5 flex flex-wrap items-start gap-4">
        {TONES.map((tone) => (
          <NumberField
            key={tone}
            form={form}
            name={tone}
            step={0.5}
            hint={<FromInstrument form={form} name={tone} kind="lstar" />}
          />
        ))}
      </div>
      <FormFoot form={form} submit={before ? "Keep the reading" : "It reads so"}>
        <Button look="quiet" onClick={close}>
          Close
        </Button>
      </FormFoot>
    </form>
  );
}
