import type { Proof } from "../../../api/proofs";
import { roman } from "../../../ui/times";
import { answered, type Pinning } from "./usePins";

const STEP_MM = 1;
const LONG_STEP = 10;
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

type Props = { pins: Pinning; src: string; proof: Proof };

/** A proof laid straight with its pins, each at its own millimetre of the plate. */
export function Pinned({ pins, src, proof }: Props) {
  const { plate, draft, setDraft, shown } = pins;
  const at = (x: number, y: number) => ({
    left: `${(100 * x) / plate.width_mm}%`,
    top: `${(100 * y) / plate.height_mm}%`,
  });
  const put = (x: number, y: number) =>
    draft &&
    setDraft({
      ...draft,
      x_mm: within(x, plate.width_mm),
      y_mm: within(y, plate.height_mm),
    });
  return (
    <div className="plate-mark relative p-2">
      <div className="relative">
        <img
          src={src}
          alt={`Proof of State ${roman(proof.state_number)}, its plate alone`}
          width={900}
          height={Math.round((900 * plate.height_mm) / plate.width_mm)}
          className="block h-auto w-full border-[1.5px] border-ink"
        />
        {shown.map((pin, i) =>
          pin.id === draft?.id ? null : (
            <span
              key={pin.id}
              className={`absolute grid size-7 -translate-1/2 place-items-center border-2 font-bold ${answered(pin, proof) ? "border-ink bg-ink text-paper-lift" : "border-copper-deep bg-copper-deep text-paper-lift"}`}
              style={at(pin.x_mm, pin.y_mm)}
            >
              <span className="num">{i + 1}</span>
            </span>
          ),
        )}
        {draft ? (
          <button
            type="button"
            aria-label={`${draft.version === 0 ? "The new pin" : "The pin"}: press the picture, or move it by arrow keys`}
            className="absolute inset-0 size-full cursor-crosshair"
            onClick={(event) => {
              if (event.detail === 0) return; // a key, not a press
              const box = event.currentTarget.getBoundingClientRect();
              put(
                ((event.clientX - box.left) / box.width) * plate.width_mm,
                ((event.clientY - box.top) / box.height) * plate.height_mm,
              );
            }}
            onKeyDown={(event) => {
              const way = ARROWS[event.key];
              if (!way) return;
              event.preventDefault();
              const far = STEP_MM * (event.shiftKey ? LONG_STEP : 1);
              put(draft.x_mm + way[0] * far, draft.y_mm + way[1] * far);
            }}
          >
            <span
              className="absolute size-8 -translate-1/2 border-3 border-copper-deep border-dashed bg-paper-lift/50"
              style={at(draft.x_mm, draft.y_mm)}
            />
          </button>
        ) : null}
      </div>
    </div>
  );
}

const within = (value: number, most: number) =>
  Math.round(10 * Math.max(0, Math.min(most, value))) / 10;
