import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changeTest, type Patch, type Test, testQuery } from "../../../api/exposures";
import { timesOf } from "../../../figures/exposure/field";
import { FromFile } from "../../../frame/FromFile";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { PrintScan } from "./PrintScan";
import { patchesRead } from "./words";

const TONES = ["paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar"] as const;

/** Read the whole test at once, off a scan of its print or out of a file; taken by a press. */
export function ReadPrint({ test }: { test: Test }) {
  const [read, setRead] = useState<Patch[] | null>(null);
  return (
    <details className="mt-3" open={test.readings.length === 0}>
      <summary className="min-h-9 cursor-pointer font-semibold pointer-coarse:min-h-12">
        Read all patches at once
      </summary>
      <div className="mt-2 grid gap-3">
        {test.planned ? (
          <PrintScan
            test={test}
            what="test"
            hint="Flat, dry, bare paper all round. The print's top is the plate's top; the print is its mirror, so the shortest image time stands at the right."
            cell={(place) => `Patch ${Math.floor(place / TONES.length) + 1}`}
            onRead={({ patches }) => setRead(patches)}
          />
        ) : null}
        <FromTable test={test} onRead={setRead} />
        {read ? (
          <Take key={read.length} test={test} read={read} done={() => setRead(null)} />
        ) : null}
      </div>
    </details>
  );
}

type Reads = { test: Test; onRead: (patches: Patch[]) => void };

/** A table of tones, four for each patch, in the order of the field. */
function FromTable({ test, onRead }: Reads) {
  const [wrong, setWrong] = useState<string | null>(null);
  const { screen, image } = timesOf(test);
  const asked = screen.length * image.length * TONES.length;
  return (
    <>
      <FromFile
        onRead={(readings) => {
          if (asked === 0 || readings.length !== asked)
            return setWrong(
              `That file has ${readings.length} tones; this test has ${asked}: four for each patch, clear, 5 %, 95 %, solid, row by row of the field.`,
            );
          setWrong(null);
          onRead(
            screen.flatMap((s, row) =>
              image.map((i, column) => {
                const at = TONES.length * (row * image.length + column);
                const own = readings.slice(at, at + TONES.length);
                const tones = TONES.map((tone, k) => [tone, own[k]?.lstar ?? 0]);
                const spread = Math.max(...own.map((each) => each.spread ?? 0)) || null;
                return {
                  screen_seconds: s,
                  image_seconds: i,
                  spread,
                  ...Object.fromEntries(tones),
                };
              }),
            ) as Patch[],
          );
        }}
      />
      {wrong ? <Care role="alert">{wrong}</Care> : null}
    </>
  );
}

/** What was read is seen first, then taken: it stands in place of what was read before. */
function Take({ test, read, done }: { test: Test; read: Patch[]; done: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const take = useMutation({
    mutationFn: () => changeTest(room, test.id, { version: test.version, patches: read }),
    onSuccess: async (next) => {
      client.setQueryData(testQuery(room, test.id).queryKey, next);
      await client.invalidateQueries({ queryKey: [room, "exposure tests"] });
      say({ text: patchesRead(next.readings.length) });
      done();
    },
  });
  const lights = read.map((patch) => patch.paper_lstar);
  const darks = read.map((patch) => patch.solid_lstar);
  return (
    <div className="rounded-plate border-[1.5px] border-dashed border-ink-3 px-4 py-3">
      <p>
        <b>{patchesRead(read.length)}</b> Clear film L* {span(lights)}, solid {span(darks)}.
        {test.readings.length > 0 ? ` They take the place of ${test.readings.length}.` : ""}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="strong" disabled={take.isPending} onClick={() => take.mutate()}>
          Take these readings
        </Button>
        <Button look="quiet" onClick={done}>
          Leave them
        </Button>
      </div>
      <Trouble error={take.error} />
    </div>
  );
}

const span = (tones: number[]) =>
  `${Math.min(...tones).toFixed(0)} to ${Math.max(...tones).toFixed(0)}`;
