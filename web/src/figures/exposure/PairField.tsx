import { useId } from "react";
import type { Pair, Patch, Test } from "../../api/exposures";
import { clock } from "../../ui/times";
import { FineGrain, fineGrain } from "./FineGrain";
import { useWidth } from "../useWidth";
import { BOX, type Field, fieldOf } from "./field";
import { Target } from "./Target";

const UNKNOWN_PX = 552;
const TONES = ["paper_lstar", "highlight_lstar", "shadow_lstar", "solid_lstar"] as const;
const GAP = 2.5;
const UNDER_TAG_PX = 24;

export type Spot = { screen: number; image: number };

type Props = { test: Test; chosen: Spot | null; choose: (spot: Spot) => void };

/** A two-way test as it lies: a patch for each pair of times, and where both ends hold. */
export function PairField({ test, chosen, choose }: Props) {
  const [ref, laid] = useWidth(UNKNOWN_PX);
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const field = fieldOf(test, laid);
  return (
    <div ref={ref} data-figure className="overflow-x-auto">
      {laid > 0 ? (
        <svg
          width={field.width}
          height={field.height}
          role="img"
          aria-label={labelOf(test.pair)}
          className="block text-note"
        >
          <FineGrain id={id} tones={test.readings.flatMap((patch) => TONES.map((t) => patch[t]))} />
          <Words field={field} pair={test.pair} />
          {spotsOf(field).map((spot) => (
            <PatchAt
              key={`${spot.screen} ${spot.image}`}
              id={id}
              field={field}
              spot={spot}
              patch={patchAt(test, spot)}
              chosen={chosen?.screen === spot.screen && chosen.image === spot.image}
              choose={choose}
            />
          ))}
          {test.pair ? <Target pair={test.pair} field={field} id={id} /> : null}
        </svg>
      ) : null}
    </div>
  );
}

const labelOf = (pair: Pair | null) =>
  pair
    ? `Two-way test: dot screen ${clock(pair.screen_seconds)}, then image ${clock(pair.image_seconds)}`
    : "Two-way test, not read yet";

/** Every pair of times of a field, row by row. */
export const spotsOf = ({ screen, image }: Pick<Field, "screen" | "image">): Spot[] =>
  screen.times.flatMap((s) => image.times.map((i) => ({ screen: s, image: i })));

export const patchAt = (test: Test, spot: Spot): Patch | undefined =>
  test.readings.find(
    (patch) => patch.screen_seconds === spot.screen && patch.image_seconds === spot.image,
  );

function Words({ field, pair }: { field: Field; pair: Pair | null }) {
  const beside = (axis: Field["screen"], told: number | undefined, px: number) =>
    axis.times.filter((t) => !told || Math.abs(axis.at(t) - axis.at(told)) > px);
  const bottom = field.height - BOX.bottom;
  const say = "fill-ink-2 text-note";
  return (
    <g>
      <text x={0} y={20} className="font-slab font-semibold">
        Dot screen
      </text>
      <text x={BOX.left} y={20} className={say}>
        ◂ lights go grey
      </text>
      <text x={field.width - BOX.right} y={20} textAnchor="end" className={say}>
        lights are lost ▸
      </text>
      <text x={0} y={BOX.top + 14} className={say}>
        ▴ wipes out
      </text>
      <text x={0} y={bottom - 6} className={say}>
        ▾ stays grey
      </text>
      <text x={0} y={bottom + 24} className="font-slab font-semibold">
        Image
      </text>
      {beside(field.screen, pair?.screen_seconds, UNDER_TAG_PX).map((seconds) => (
        <text
          key={seconds}
          x={BOX.left - 12}
          y={field.screen.at(seconds) + 4.5}
          textAnchor="end"
          className="num fill-ink-3"
        >
          {clock(seconds)}
        </text>
      ))}
      {field.image.times.map((seconds) => (
        <text
          key={seconds}
          x={field.image.at(seconds)}
          y={bottom + 24}
          textAnchor="middle"
          className="num fill-ink-3"
        >
          {clock(seconds)}
        </text>
      ))}
    </g>
  );
}

type AtProps = {
  id: string;
  field: Field;
  spot: Spot;
  patch: Patch | undefined;
  chosen: boolean;
  choose: (spot: Spot) => void;
};

/** One patch: its four tones, the lightest left; dashed while it is not read. */
function PatchAt({ id, field, spot, patch, chosen, choose }: AtProps) {
  const across = field.image.times.indexOf(spot.image);
  const down = field.screen.times.indexOf(spot.screen);
  const [left, right] = [field.image.edges[across] ?? 0, field.image.edges[across + 1] ?? 0];
  const [top, bottom] = [field.screen.edges[down] ?? 0, field.screen.edges[down + 1] ?? 0];
  const box = {
    x: left + GAP,
    y: top + GAP,
    width: right - left - 2 * GAP,
    height: bottom - top - 2 * GAP,
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: arrows of the page walk the patches, too
    <g onClick={() => choose(spot)} className="cursor-pointer">
      {patch ? (
        TONES.map((tone, i) => (
          <rect
            key={tone}
            x={box.x + (box.width * i) / TONES.length}
            y={box.y}
            width={box.width / TONES.length + 0.3}
            height={box.height}
            fill={fineGrain(id, patch[tone])}
          />
        ))
      ) : (
        <rect {...box} className="fill-paper-lift stroke-ink-3" strokeDasharray="4 3" />
      )}
      {patch ? <rect {...box} className="fill-none stroke-ink-2" strokeWidth="1" /> : null}
      {chosen ? <rect {...box} className="fill-none stroke-ink" strokeWidth="3.5" /> : null}
    </g>
  );
}
