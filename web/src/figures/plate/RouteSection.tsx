import { type ReactNode, useId } from "react";
import { metalFill } from "./metal";

export const ROUTE_WIDE = 124;
export const ROUTE_HIGH = 78;
const TOP = 28;

const CUT = "fill-paper-lift stroke-ink";
const DARK = "fill-asphalt";

/** A groove as a bath leaves it: round below. */
const bitten = (x: number, wide: number, deep: number) =>
  `M${x} ${TOP}V${TOP + deep - wide / 2}a${wide / 2} ${wide / 2} 0 0 0 ${wide} 0V${TOP}`;
/** A groove as a point leaves it. */
const cut = (x: number, wide: number, deep: number) =>
  `M${x} ${TOP}L${x + wide / 2} ${TOP + deep}L${x + wide} ${TOP}`;
const many = (from: number, step: number, deeps: number[], wide: number) =>
  deeps.map((deep, n) => bitten(from + n * step, wide, deep)).join("");
const evenly = (from: number, to: number, step: number) =>
  Array.from({ length: Math.floor((to - from) / step) }, (_, n) => from + n * step);
const grains = (from: number) =>
  evenly(from, ROUTE_WIDE, 7).map((x) => (
    <circle key={x} cx={x} cy={TOP - 3} r="3" className="fill-ferric stroke-ink" strokeWidth=".8" />
  ));

const BITTEN: Record<string, ReactNode> = {
  "etched line": (
    <>
      <path
        d={`M0 ${TOP - 5}H26V${TOP}H0ZM40 ${TOP - 5}H56V${TOP}H40ZM74 ${TOP - 5}H92V${TOP}H74ZM104 ${TOP - 5}H124V${TOP}H104Z`}
        className={DARK}
      />
      <path
        d={bitten(26, 14, 16) + bitten(56, 18, 30) + bitten(92, 12, 16)}
        className={CUT}
        strokeWidth="1.6"
      />
      <path d="M63 24L76 2" className="stroke-ink" strokeWidth="3" />
    </>
  ),
  "soft ground": (
    <>
      <path d="M0 8H124" className="stroke-ink" strokeWidth="1.6" />
      {evenly(6, 124, 10.2).map((x) => (
        <circle
          key={x}
          cx={x}
          cy="16"
          r="4.4"
          className="fill-paper-lift stroke-ink"
          strokeWidth="1.2"
        />
      ))}
      <path d={`M0 ${TOP - 5}H124V${TOP}H0Z`} className={DARK} fillOpacity=".8" />
      <path
        d={many(2, 10.2, [10, 14, 9, 16, 12, 8, 15, 10, 13, 9, 14, 10], 6)}
        className={CUT}
        strokeWidth="1.2"
      />
    </>
  ),
  aquatint: (
    <>
      <path d={`M0 ${TOP - 5}H38V${TOP}H0Z`} className={DARK} />
      {grains(42)}
      <path
        d={many(43, 7, [9, 9, 9, 9, 9], 4) + many(81, 7, [24, 24, 24, 24, 24, 24], 4.6)}
        className={CUT}
        strokeWidth="1.2"
      />
    </>
  ),
  "spit bite": (
    <>
      {grains(6)}
      <path
        d={`M22 ${TOP - 2}c6-22 68-24 82 0Z`}
        className="fill-ferric stroke-ink"
        fillOpacity=".7"
        strokeWidth="1.4"
      />
      <path
        d={many(24, 7, [6, 10, 15, 20, 25, 26, 22, 17, 11, 7], 4.4)}
        className={CUT}
        strokeWidth="1.2"
      />
      <path d="M82 10L106 0" className="stroke-ink" strokeWidth="3.4" />
    </>
  ),
};

const BY_HAND: Record<string, ReactNode> = {
  engraving: (
    <>
      <path d={cut(34, 34, 34) + cut(88, 18, 16)} className={CUT} strokeWidth="1.6" />
      <path d={`M14 6L30 2L56 ${TOP + 10}L46 ${TOP + 4}Z`} className="fill-ink" />
      <path
        d="M76 22c0-16 14-18 14-8s-10 8-10 2"
        className="fill-none stroke-copper-deep"
        strokeWidth="2.4"
      />
    </>
  ),
  photopolymer: (
    <>
      <path d={`M0 58H${ROUTE_WIDE}V${ROUTE_HIGH}H0Z`} className="fill-polymer-back" />
      <path
        d="M18 0L14 20M48 0L46 20M78 0L80 20M108 0L112 20"
        className="stroke-ink-2"
        strokeDasharray="4 4"
        strokeWidth="1.4"
      />
      <path
        d={`M4 ${TOP - 3}H22M30 ${TOP - 3}H36M42 ${TOP - 3}H60M70 ${TOP - 3}H80M88 ${TOP - 3}H120`}
        className="stroke-ink"
        strokeWidth="3"
      />
      <path
        d={many(23, 6, [9], 5) + many(37, 6, [14], 5) + many(61, 6, [20], 7) + many(81, 6, [26], 6)}
        className={CUT}
        strokeWidth="1.2"
      />
    </>
  ),
  drypoint: (
    <>
      <path d={cut(48, 26, 18)} className={CUT} strokeWidth="1.6" />
      <path
        d={`M48 ${TOP}c-10-2-12-14-2-16c6 2 6 8 2 16ZM74 ${TOP}c10-2 12-14 2-16c-6 2-6 8-2 16Z`}
        className="fill-copper-bright stroke-ink"
        strokeWidth="1.4"
      />
      <path d={`M60 ${TOP + 14}L80 2`} className="stroke-ink" strokeWidth="3" />
    </>
  ),
  "kitchen table": (
    <>
      <path
        d={`M0 ${TOP + 9}H124M0 ${TOP + 18}H124`}
        className="stroke-ink-3"
        strokeDasharray="6 3"
      />
      <path d={`M46 ${TOP}V${TOP + 9}H88V${TOP}`} className={CUT} strokeWidth="1.6" />
      <path
        d={`M88 ${TOP + 9}c10-4 12-18 26-20l2 7c-12 2-14 14-22 19Z`}
        className="fill-copper-pale stroke-ink"
        strokeWidth="1.3"
      />
      <path d="M30 2L46 26L40 6Z" className="fill-ink" />
    </>
  ),
};

/** How an image gets into a plate: cut through, in the plate's own material. */
export function RouteSection({ route, metal }: { route: string; metal: string }) {
  const id = useId().replaceAll(":", "");
  const { face, cut: hatch, defs } = metalFill(metal, id);
  return (
    <svg
      className="block max-w-full overflow-visible"
      viewBox={`0 0 ${ROUTE_WIDE} ${ROUTE_HIGH}`}
      width={ROUTE_WIDE}
      height={ROUTE_HIGH}
      aria-hidden="true"
    >
      {defs}
      <path d={`M0 ${TOP}H${ROUTE_WIDE}V${ROUTE_HIGH}H0Z`} fill={face} />
      <path d={`M0 ${TOP}H${ROUTE_WIDE}V${ROUTE_HIGH}H0Z`} fill={hatch} />
      <path d={`M0 ${TOP}H${ROUTE_WIDE}`} className="stroke-ink" strokeWidth="1.6" />
      {BITTEN[route] ?? BY_HAND[route] ?? null}
    </svg>
  );
}
