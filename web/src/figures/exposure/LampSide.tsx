import type { Lamp } from "../../api/exposures";

const SIZE = { width: 190, height: 108 };
const PLATE_Y = 92;
const RAYS = [-2, -1, 0, 1, 2];
const TUBES = [0, 1, 2, 3, 4, 5];

/** The lamp over the plate, seen from the side: one small lamp spreads, tubes and panels do not. */
export function LampSide({ lamp }: { lamp: Lamp }) {
  const middle = SIZE.width / 2;
  const spread = lamp.inverse_square ? 16 : 24;
  const top = lamp.inverse_square ? 4 : 24;
  return (
    <svg
      width={SIZE.width}
      height={SIZE.height}
      aria-hidden="true"
      className="mt-1.5 block max-w-full"
    >
      <Source lamp={lamp} middle={middle} />
      {RAYS.map((ray) => (
        <path
          key={ray}
          d={`M${middle + ray * top} 34L${middle + ray * spread} ${PLATE_Y - 12}`}
          className="stroke-polymer"
          strokeWidth="2"
          strokeDasharray="8 6"
        />
      ))}
      {lamp.vacuum ? (
        <path d={`M${middle - 66} ${PLATE_Y - 7}H${middle + 66}`} className="stroke-ink-3" />
      ) : null}
      <rect x={middle - 54} y={PLATE_Y - 5} width="108" height="5" className="fill-polymer" />
      <rect x={middle - 54} y={PLATE_Y} width="108" height="6" className="fill-polymer-back" />
      <path d={`M${middle - 72} ${PLATE_Y + 8}H${middle + 72}`} className="stroke-ink" />
    </svg>
  );
}

function Source({ lamp, middle }: { lamp: Lamp; middle: number }) {
  if (lamp.kind === "point")
    return (
      <g className="fill-ink-2">
        <path d={`M${middle - 14} 4H${middle + 14}L${middle + 24} 20H${middle - 24}Z`} />
        <circle cx={middle} cy="24" r="6" className="fill-polymer-pale stroke-ink" />
      </g>
    );
  if (lamp.kind === "panel")
    return <rect x={middle - 58} y="12" width="116" height="14" className="fill-ink-2" />;
  return (
    <g>
      <path d={`M${middle - 66} 8H${middle + 66}`} className="stroke-ink" strokeWidth="3" />
      {TUBES.map((tube) => (
        <circle
          key={tube}
          cx={middle - 55 + 22 * tube}
          cy="19"
          r="7"
          className="fill-polymer-pale stroke-ink"
          strokeWidth="1.5"
        />
      ))}
    </g>
  );
}
