import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Shapes } from "../../../api/client";
import { measureDust } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { NumberField } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";

type Coverage = Shapes["DustCoverageOutput"];

/** Count the dust from a close photograph: share, grains, and a map of thin and crowded patches. */
export function Dust({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const client = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [scale, setScale] = useState("4");
  const [picture, setPicture] = useState<string | null>(null);
  const measure = useMutation({
    mutationFn: async (file: File | null) => {
      const id = file ? newId() : picture;
      if (!id) throw new Error("no picture");
      if (file) await sendPicture(room, id, file);
      setPicture(id);
      const um = Number(scale.replace(",", "."));
      return measureDust(room, plate.id, { picture: id, um_per_pixel: um });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: [room, "record"] }),
  });
  return (
    <section className="section">
      <h3 style={{ marginTop: 0 }}>Count it from a close photograph</h3>
      <div className="flex flex-wrap items-end gap-3">
        <NumberField
          label="One pixel shows"
          unit="µm"
          step={0.5}
          value={scale}
          onChange={setScale}
          fault={faultAt(measure.error, "um_per_pixel")}
        />
        <button type="button" className="btn" onClick={() => input.current?.click()}>
          {measure.isPending ? "Counting" : "Choose a photograph"}
        </button>
        {picture && !measure.isPending ? (
          <button type="button" className="btn quiet" onClick={() => measure.mutate(null)}>
            Count again at this scale
          </button>
        ) : null}
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/tiff"
          aria-label="Close photograph of the dust"
          hidden
          onChange={(event) => measure.mutate(event.target.files?.[0] ?? null)}
        />
      </div>
      <p className="note" style={{ margin: "6px 0 0" }}>
        Put a steel rule in the picture once: a millimetre over its pixels gives the scale.
      </p>
      <Trouble error={elsewhere(measure.error, ["um_per_pixel"])} />
      {measure.data && picture ? (
        <Counted seen={measure.data} href={pictureUrl(room, picture)} />
      ) : null}
    </section>
  );
}

function Counted({ seen, href }: { seen: Coverage; href: string }) {
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return (
    <div className="dust">
      <div className="dust-map">
        <img src={href} alt="The photograph that was counted" />
        <svg viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
          {seen.patches.map((patch) => (
            <rect
              key={`${patch.x} ${patch.y}`}
              x={patch.x}
              y={patch.y}
              width={patch.width}
              height={patch.height}
              fill="none"
              stroke="#1B1714"
              strokeWidth={0.004}
            />
          ))}
        </svg>
        {seen.patches.map((patch) => (
          <b
            key={`${patch.x} ${patch.y}`}
            className={patch.verdict.startsWith("too") ? "bad" : undefined}
            style={{
              left: `${(patch.x + patch.width / 2) * 100}%`,
              top: `${(patch.y + patch.height / 2) * 100}%`,
            }}
          >
            {Math.round(patch.covered * 100)}
            {patch.verdict === "too thin" ? " −" : patch.verdict === "too full" ? " +" : ""}
          </b>
        ))}
      </div>
      <div>
        <p className="m-0" style={{ fontSize: 19 }}>
          <b className="n">{percent(seen.covered)}</b> covered (±{" "}
          <span className="n">{Math.max(1, Math.round(200 * seen.covered_spread))}</span>):{" "}
          <b>{seen.verdict}</b>.
        </p>
        <p className="note" style={{ margin: "4px 0" }}>
          <span className="n">{seen.grains_per_mm2}</span> grains a mm², the middling one{" "}
          <span className="n">{seen.median_grain_um}</span> µm; grains {seen.grains_are} than the
          metal.
        </p>
        {seen.reasons.map((reason) => (
          <p key={reason} className="care" style={{ margin: "6px 0" }}>
            <Mark name="care" />
            <span>{reason}</span>
          </p>
        ))}
      </div>
    </div>
  );
}
