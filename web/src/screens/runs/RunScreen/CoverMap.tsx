import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Run } from "../../../api/runs";
import type { RunMap } from "../../../api/studies";
import { haveMap } from "../../../device/maps";
import { type Labels, readLabels } from "../../../figures/map/labels";
import { PenStroke } from "../../../figures/map/PenStroke";
import { StopOutMap } from "../../../figures/map/StopOutMap";
import { crayonNow, type Hands, statesOf } from "../../../figures/map/states";
import { Key } from "../../../ui/Key";
import { useKeys } from "../../../ui/useKeys";

type Props = { run: Run; map: RunMap; labels: Labels; hands: Hands; number: number };

/** The areas of a run's map, kept on this device before its first dip; null while they are not here. */
export function useRunMap(run: Run): Labels | null {
  const address = run.map?.picture ?? "";
  const labels = useQuery({
    queryKey: ["labels", address],
    queryFn: async () => {
      const file = await haveMap(address);
      if (!file) throw new Error("The map is not here.");
      return readLabels(new Blob([file], { type: "image/png" }));
    },
    enabled: address !== "",
    networkMode: "always",
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return labels.data ?? null;
}

/** What to paint now, large, as it lies on the plate. */
export function CoverMap({ run, map, labels, hands, number }: Props) {
  const [mirrored, setMirrored] = useState(true);
  useKeys({ m: () => setMirrored((now) => !now) });
  const now = [...hands.cover, ...hands.uncover];
  const rings = map.islands.filter((each) => now.includes(each.area));
  const way = mirrored ? "as it lies on the plate" : "as it prints";
  return (
    <figure className="grid gap-2">
      <div className="mx-auto w-full max-w-168 [@media(max-height:700px)]:max-w-120 max-phone:max-w-110">
        <StopOutMap
          labels={labels}
          states={statesOf(map, hands)}
          mirrored={mirrored}
          metal={run.metal}
          night
          rings={rings}
          sizeMm={[map.width_mm, map.height_mm]}
          label={`What to paint before bite ${number}, ${way}`}
        />
      </div>
      <figcaption className="flex flex-wrap items-center gap-x-5 gap-y-2 text-h3 text-night-ink-2 max-phone:text-body">
        <Swatch className="bg-[repeating-linear-gradient(135deg,var(--color-night-ferric)_0_5px,var(--color-night)_5px_10px)]">
          {hands.uncover.length > 0 && hands.cover.length === 0 ? "open now" : "cover now"}
        </Swatch>
        <Swatch className="bg-night">covered</Swatch>
        <Swatch className="bg-copper">leave open</Swatch>
        <button
          type="button"
          onClick={() => setMirrored((before) => !before)}
          className="ml-auto flex min-h-12 items-center gap-3 underline"
        >
          {mirrored ? "As it prints" : "On the plate"} <Key className="max-phone:hidden">M</Key>
        </button>
      </figcaption>
      {rings.length > 0 ? (
        <p className="text-h3 text-night-ink-2 max-phone:text-body">
          {rings.length} small {rings.length === 1 ? "one is" : "ones are"} ringed.
        </p>
      ) : null}
    </figure>
  );
}

/** The pen of this bite, and what is crayoned after it. */
export function WithWhat({ map, hands, number }: Omit<Props, "run" | "labels">) {
  const pen = map.pens[Math.min(number, map.pens.length) - 1];
  if (!pen || hands.cover.length === 0) return null;
  const fading = crayonNow(map, hands);
  return (
    <div className="mt-3 grid gap-2">
      <p className="flex items-center gap-4 font-slab text-h1 font-semibold max-phone:text-h3 flat:text-h3">
        <PenStroke pen={pen} className="w-28 max-phone:w-16" /> {pen} pen
      </p>
      {fading.map((area) => (
        <p key={area.name} className="text-h2 text-night-ferric max-phone:text-lead">
          Then {area.resist_label} over {area.name.toLowerCase()}.
        </p>
      ))}
    </div>
  );
}

function Swatch({ className, children }: { className: string; children: string }) {
  return (
    <span className="flex items-center gap-2">
      <i aria-hidden="true" className={`block h-5 w-8 border border-night-ink-2 ${className}`} />
      {children}
    </span>
  );
}
