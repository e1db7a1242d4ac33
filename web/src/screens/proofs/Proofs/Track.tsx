import type { Proof } from "../../../api/proofs";
import { roman } from "../../../ui/times";

const [STEP_PX, MOST_PX, HEIGHT, LSTAR_PX, FAR_LSTAR, ALLOWED] = [34, 272, 40, 1.3, 13, 3];
/** Narrower than this, only the ends and the chosen states are named. */
const NAMED_PX = 24;

export type Place = "left" | "right" | null;
/** A state's tone of an area off from what was meant; above zero is too light. */
export type Stop = { state: number; off: number | null; place: Place };

/** The states in which tones were read, oldest first; of each its chosen pull, else its last. */
export function stopsOf(proofs: Proof[], area: string, left: Proof | null, right: Proof): Stop[] {
  const read = proofs.filter((each) => each.tones.length > 0);
  const states = [...new Set(read.map((each) => each.state_number))].sort((a, b) => a - b);
  return states.map((state) => {
    const pulls = read.filter((each) => each.state_number === state);
    const chosen = pulls.find((each) => each.id === right.id || each.id === left?.id);
    const proof = chosen ?? pulls[0];
    const tone = proof?.tones.find((each) => each.area === area);
    const meant = tone?.wanted_lstar ?? tone?.expected_lstar ?? null;
    return {
      state,
      off: tone && meant !== null ? tone.read_lstar - meant : null,
      place: proof?.id === right.id ? "right" : proof && proof.id === left?.id ? "left" : null,
    };
  });
}

const stepOf = (stops: Stop[]) => Math.min(STEP_PX, MOST_PX / Math.max(1, stops.length));
const widthOf = (stops: Stop[]) => stepOf(stops) * Math.max(1, stops.length);
const xOf = (stops: Stop[], i: number) => stepOf(stops) * (i + 0.5);
const yOf = (off: number) => HEIGHT / 2 - LSTAR_PX * Math.max(-FAR_LSTAR, Math.min(FAR_LSTAR, off));

/** Over the tracks: which state stands where. */
export function TrackHead({ stops }: { stops: Stop[] }) {
  return (
    <svg
      width={widthOf(stops)}
      height="18"
      className="font-slab text-note"
      role="img"
      aria-label="Over the states: above too light, below too dark, hatched ±3 L*"
    >
      {stops.map((stop, i) =>
        isNamed(stops, i) ? (
          <text
            key={stop.state}
            x={xOf(stops, i)}
            y="14"
            textAnchor="middle"
            className={stop.place ? "fill-ink font-bold" : "fill-ink-2"}
          >
            {roman(stop.state)}
          </text>
        ) : null,
      )}
    </svg>
  );
}

const isNamed = (stops: Stop[], i: number) =>
  stepOf(stops) >= NAMED_PX || i === 0 || i === stops.length - 1 || stops[i]?.place !== null;

/** One tone over the states: above the line too light, below it too dark; hatched is ±3. */
export function Track({ area, stops }: { area: string; stops: Stop[] }) {
  const known = stops.flatMap((stop, i) =>
    stop.off === null ? [] : [{ ...stop, off: stop.off, i }],
  );
  const said = known.map(({ state, off }) => `State ${roman(state)} ${words(off)}`).join(", ");
  const width = widthOf(stops);
  return (
    <svg
      width={width}
      height={HEIGHT}
      className="-mt-2 block"
      role="img"
      aria-label={`${area}: ${said}`}
    >
      {Array.from({ length: Math.floor(width / 4) }, (_, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes of a hatch are all alike
          key={i}
          d={`M${i * 4 + 1} ${yOf(ALLOWED)}V${yOf(-ALLOWED)}`}
          className="stroke-line/45"
        />
      ))}
      <path d={`M0 ${HEIGHT / 2}H${width}`} className="stroke-ink" strokeWidth="1.2" />
      <path
        d={known.map(({ i, off }, n) => `${n ? "L" : "M"}${xOf(stops, i)} ${yOf(off)}`).join("")}
        className="fill-none stroke-ink"
        strokeWidth="1.6"
      />
      {known.map(({ i, off, place, state }) => (
        <Point key={state} x={xOf(stops, i)} off={off} place={place} />
      ))}
    </svg>
  );
}

/** Hollow and solid as they hang on the line; a triangle is further off than is drawn. */
function Point({ x, off, place }: { x: number; off: number; place: Place }) {
  const y = yOf(off);
  if (Math.abs(off) > FAR_LSTAR) {
    const way = off > 0 ? -1 : 1;
    return (
      <path
        d={`M${x - 5} ${y - 4 * way}h10l-5 ${8 * way}Z`}
        className={`stroke-ink ${place === "right" ? "fill-ink" : "fill-paper"}`}
        strokeWidth="1.6"
      />
    );
  }
  if (place)
    return (
      <rect
        x={x - 5}
        y={y - 5}
        width="10"
        height="10"
        className={`stroke-ink ${place === "right" ? "fill-ink" : "fill-paper"}`}
        strokeWidth="2"
      />
    );
  return <circle cx={x} cy={y} r="3" className="fill-ink" />;
}

function words(off: number) {
  const by = Math.round(Math.abs(off));
  return by === 0 ? "as meant" : `${by} too ${off > 0 ? "light" : "dark"}`;
}
