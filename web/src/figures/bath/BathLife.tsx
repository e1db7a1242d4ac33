import { useEffect, useRef } from "react";
import type { BathPage } from "../../api/baths";
import type { Units } from "../../ui/units";
import type { Zone } from "../../ui/times";
import { useWidth } from "../useWidth";
import { BathPatterns } from "./BathPatterns";
import { BitesTrack } from "./BitesTrack";
import { frameOf, HEIGHT } from "./frame";
import { LoadTrack } from "./LoadTrack";
import { SpeedTrack } from "./SpeedTrack";
import { TimeAxis } from "./TimeAxis";
import { WarmTrack } from "./WarmTrack";

const UNKNOWN_PX = 760;
const LEAST_PX = 700;
const AFTER_TODAY_PX = 100;

type Props = { page: BathPage; units: Units; zone: Zone; marked: string | null };

/** A bath through its life: speed with its band, metal in it, temperature, and what bit in it. */
export function BathLife({ page, units, zone, marked }: Props) {
  const [ref, laid] = useWidth(UNKNOWN_PX);
  const frame = frameOf(page, Math.max(laid, LEAST_PX));
  const opened = useRef(false);
  const today = frame.x(frame.now) + AFTER_TODAY_PX - laid;
  useEffect(() => {
    // where it is wider than the screen it opens at today, and stays where it is moved to
    if (!ref.current || laid === 0 || opened.current) return;
    ref.current.scrollLeft = today;
    opened.current = true;
  }, [ref, laid, today]);
  return (
    <div ref={ref} className="overflow-x-auto">
      {laid > 0 ? (
        <svg
          width={frame.width}
          height={HEIGHT}
          role="img"
          aria-label={spoken(page)}
          className="block text-note"
        >
          <BathPatterns />
          <TimeAxis frame={frame} page={page} zone={zone} />
          <SpeedTrack frame={frame} page={page} marked={marked} />
          <LoadTrack frame={frame} page={page} />
          <WarmTrack frame={frame} page={page} units={units} zone={zone} />
          <BitesTrack frame={frame} page={page} />
        </svg>
      ) : null}
    </div>
  );
}

/** What the figure shows, for who hears it. */
function spoken(page: BathPage): string {
  const { value, low, high } = page.speed;
  const speed = `Speed now ${value.toFixed(2)}, between ${low.toFixed(2)} and ${high.toFixed(2)}.`;
  const load = `${page.bath.load_g_per_l.toFixed(1)} g/L of ${page.bath.metal} in it; spent near ${page.bath.end_g_per_l.toFixed(0)}.`;
  return `${page.bath.name} over time. ${speed} ${load} ${page.checks.length} checks, ${page.given.length} bites.`;
}
