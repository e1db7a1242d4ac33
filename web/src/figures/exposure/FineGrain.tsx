import { grainTile } from "../grain";

const TILE_PX = 192;
/** A polymer plate's dots are finer than rosin. */
const FINE = 0.4;

/** The grain of tones, as fine as a dot screen gives it, under ids of a figure's own. */
export function FineGrain({ id, tones }: { id: string; tones: number[] }) {
  const tiles = new Map(tones.map((tone) => [grainTile(tone).key, grainTile(tone).href]));
  return (
    <defs>
      {[...tiles].map(([key, href]) => (
        <pattern
          key={key}
          id={`${id}-f${key}`}
          width={TILE_PX}
          height={TILE_PX}
          patternUnits="userSpaceOnUse"
          patternTransform={`scale(${FINE})`}
        >
          <image href={href} width={TILE_PX} height={TILE_PX} />
        </pattern>
      ))}
    </defs>
  );
}

/** The fill of a tone in that figure. */
export const fineGrain = (id: string, lstar: number) => `url(#${id}-f${grainTile(lstar).key})`;
