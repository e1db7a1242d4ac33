import { memo } from "react";
import type { Shapes } from "../../../api/client";

type Bath = Shapes["BenchBath"];

const LIQUID: Record<string, string> = {
  "copper-ferric": "fill-ferric",
  "copper-ferric-citric": "fill-ferric",
  "copper-nitric": "fill-nitric-green",
  "zinc-nitric-10": "fill-nitric",
  "zinc-nitric-16": "fill-nitric",
  "zinc-copper-sulphate": "fill-sulphate",
};

/** How each vessel is drawn: its wall, its liquid, where the surface runs, where a plate lies. */
const VESSELS = {
  tray: {
    wall: "M14 56L28 126H212L226 56",
    body: "M22 84H218L210 124H30Z",
    surface: { x: 22, y: 84, waves: 14 },
    plate: { x: 62, y: 100, width: 116, height: 14 },
  },
  tank: {
    wall: "M40 12V126H200V12",
    body: "M42 32H198V124H42Z",
    surface: { x: 42, y: 32, waves: 11 },
    plate: { x: 66, y: 44, width: 108, height: 74 },
  },
  bottle: {
    wall: "M106 22V48Q80 56 80 76V126H160V76Q160 56 134 48V22Z M102 14H138V22H102Z",
    body: "M82 82H158V124H82Z",
    surface: { x: 82, y: 82, waves: 5 },
    plate: { x: 176, y: 116, width: 60, height: 8 },
  },
} as const;

const isVessel = (name: string): name is keyof typeof VESSELS => name in VESSELS;

/** A tray, a tank or a bottle, with its liquid and the plate in it. */
export const Vessel = memo(function Vessel({ bath }: { bath: Bath }) {
  const { wall, body, surface, plate } = VESSELS[isVessel(bath.vessel) ? bath.vessel : "tray"];
  return (
    <svg viewBox="0 0 240 140" className="block max-h-29.5 w-full" aria-hidden="true">
      <path d={body} className={LIQUID[bath.mordant] ?? "fill-nitric"} />
      {bath.plate ? <rect {...plate} className="fill-copper stroke-ink" strokeWidth="1.6" /> : null}
      <path
        d={`M${surface.x} ${surface.y}q7 -6 14 0${"t14 0".repeat(surface.waves - 1)}`}
        className={`fill-none ${bath.plate ? "stroke-verdigris" : "stroke-ink-3"}`}
        strokeWidth="2.6"
      />
      <path d={wall} className="fill-none stroke-ink" strokeWidth="3" />
      <path d="M0 128H240" className="stroke-ink" strokeWidth="3" />
      <path d="M0 131H240V139H0Z" className="fill-paper-edge" />
    </svg>
  );
});
