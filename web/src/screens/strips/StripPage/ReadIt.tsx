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
import { ButtonLink } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useDrop } from "../../../ui/form/useKept";
import { StripScan } from "../../../scan/StripScan";
import { type Scanned, scannedOf, withSpread } from "../../../scan/scanned";
import { Mark } from "../../../ui/Mark";
import { Empty, Section } from "../../../ui/Section";
import { useSay } from "../../../ui/Toast";
import { clock } from "../../../ui/times";

type Row = { lstar: number };

const SHAPE = shapeOf("StripChange", {
  ...printedFields,
  "patches.*.lstar": number("Patch #, L*", { optional: true }),
});

/** A strip bitten here whose patches wait to be read; before that, the way to its bath. */
export function ReadIt({ strip }: { strip: Strip }) {
  const { room } = useHere();
  if (strip.ended_at === null)
    return (
      <Empty title={`${strip.planned.length} patches to bite`}>
        <p>
          To <span className="num">{clock(strip.planned.at(-1) ?? 0)}</span> in all, in{" "}
          {strip.bath_name}. Then it is printed and read.
        </p>
        <ButtonLink look="bath" to={`/r/${room}/strips/${strip.id}/bath`}>
          <Mark name="bath" /> Go to the bath
        </ButtonLink>
      </Empty>
    );
  return strip.to_read.length > 0 ? (
    <Reading strip={strip} />
  ) : (
    <Empty title="Never dipped">
      <p>Its bites were ended before the first dip, so there is nothing to read.</p>
      <ButtonLink look="strong" to={`/r/${room}/strips/bite`}>
        Bite a test strip
      </ButtonLink>
    </Empty>
  );
}

/** What to read, and how; each patch stands with the time it really had. */
function Reading({ strip }: { strip: Strip }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const [scan, setScan] = useState<Scanned | null>(null);
  const drop = useDrop();
  const scanKept = `${room} reading ${strip.id} scan`;
  const blank = { ...saidOf(strip), patches: strip.to_read.map(() => ({ lstar: "" })) };
  const form = useForm<PrintedRead & { patches: Row[] }, Strip>(SHAPE, {
    keepAs: `${room} reading ${strip.id}`,
    start: blank,
    version: strip.version,
    send: ({ patches, ...printed }, { version }) =>
      changeStrip(room, strip.id, { version, ...printed, ...readToday(strip, patches, scan) }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...stripQuery(room, strip.id), staleTime: 0 });
      return { version: now.version, values: blank };
    },
    done: async () => {
      drop(scanKept);
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "The strip is read; plans may use its curve." });
    },
  });
  return (
    <form noValidate onSubmit={form.submit}>
      <h2 className="mt-3">
        {strip.to_read.length} patches to read, from white to{" "}
        <span className="num">{clock(strip.to_read.at(-1)?.seconds ?? 0)}</span> in the bath.
      </h2>
      <p className="mt-2 max-w-155 text-lead">
        Wash the strip, strip its ground, ink and wipe it as you do a plate, and print it. Let the
        print dry. In daylight, hold a grey card beside each patch, or scan it: the bare sheet
        outside the plate mark is <b>L* 100</b>, black 0. Leave out what you cannot read.
      </p>
      <div className="mt-3">
        <StripScan
          count={strip.to_read.length}
          keepAs={scanKept}
          onRead={(answer, picture, again) => {
            for (const [i, patch] of again ? [] : answer.patches.entries())
              form.hook.setValue(`patches.${i}.lstar`, patch.lstar.toFixed(1), {
                shouldDirty: true,
              });
            setScan(scannedOf(answer, picture));
          }}
        />
      </div>
      <Section className="grid grid-cols-[repeat(auto-fill,minmax(128px,1fr))] gap-3.5">
        {strip.to_read.map(({ name, seconds }, place) => (
          <div key={name} className="grid content-start gap-1">
            <b className="note">
              {name},{" "}
              {seconds === 0 ? "never bitten" : <span className="num">{clock(seconds)}</span>}
            </b>
            <NumberField form={form} name={`patches.${place}.lstar`} bare />
          </div>
        ))}
      </Section>
      <div className="mt-4 grid grid-cols-[repeat(auto-fit,minmax(190px,1fr))] items-start gap-3.5">
        <PrintedFields form={form} />
      </div>
      <FormFoot form={form} submit="See the curve" />
    </form>
  );
}

/** The patches that were read, each with its time. */
function readToday(strip: Strip, rows: Row[], scan: Scanned | null) {
  const read = withSpread(rows, scan).flatMap((row, place) =>
    row.lstar == null ? [] : [{ ...row, seconds: strip.to_read[place]?.seconds ?? 0, place }],
  );
  return {
    patches: read.map(({ place: _, ...patch }) => patch),
    read_on: new Date().toISOString().slice(0, 10),
    ...(scan
      ? {
          picture: scan.picture,
          marks: read.map(({ place }) => scan.patches[place]?.quad as [number, number][]),
        }
      : {}),
  };
}
