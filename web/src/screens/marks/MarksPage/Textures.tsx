import { useUser } from "../../../ui/useUser";
import { inUnits } from "../../../ui/inUnits";
import type { Marks } from "../../../api/marks";
import { Care } from "../../../ui/Care";

const GRITS = ["abrasive-80", "abrasive-120", "abrasive-240", "abrasive-400"];

/** Abrasive papers by grit, every other texture under a fold, and that marks only get darker. */
export function Textures({ marks }: { marks: Marks }) {
  const { units } = useUser();
  const shown = marks.textures.filter((each) => GRITS.includes(each.key));
  const others = marks.textures.filter((each) => !GRITS.includes(each.key));
  return (
    <section className="border-t-2 border-ink pt-2">
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">Abrasive paper</h2>
        <span className="note">grit, one rub</span>
      </span>
      <ul className="mt-1.5 grid grid-cols-4 gap-1.5 text-center">
        {shown.map((each) => (
          <li key={each.key}>
            <Scratches grit={Number(each.key.split("-")[1])} />
            <b className="num block">{each.key.split("-")[1]}</b>
            <span className={`num text-note ${each.measured ? "" : "text-ink-3"}`}>
              L* {Math.round(each.lstar)}
            </span>
          </li>
        ))}
      </ul>
      <details className="mt-1">
        <summary className="cursor-pointer font-semibold pointer-coarse:min-h-12">
          Other textures
        </summary>
        <ul className="grid gap-0.5 pt-1">
          {others.map((each) => (
            <li
              key={each.key}
              className="flex gap-2 border-b border-hair"
              title={inUnits(each.how, units)}
            >
              <span className="mr-auto">{each.label}</span>
              <span className="num">
                L* {Math.round(each.lstar)}{" "}
                <small className="note">
                  ({Math.round(each.low)} to {Math.round(each.high)})
                </small>
              </span>
            </li>
          ))}
        </ul>
      </details>
      {marks.material ? (
        <Care className="mt-2" more={marks.material.burr}>
          {marks.material.only_darker}
        </Care>
      ) : (
        <Care className="mt-2">Which plastic is it? Name it: each bears something else.</Care>
      )}
    </section>
  );
}

const MOST_STROKES = 90;

/** A patch of scratches: coarse paper few and wide, fine paper many and thin; the same each time. */
function Scratches({ grit }: { grit: number }) {
  const count = Math.min(MOST_STROKES, Math.round(grit / 4) + 14);
  const long = 260 / Math.sqrt(grit * 4);
  const strokes = Array.from({ length: count }, (_, i) => {
    const [x, y, turn] = [spread(i, 0.6180339), spread(i, 0.7548776), spread(i, 0.5698402)];
    const [dx, dy] = [Math.cos(turn * 6.28) * long, Math.sin(turn * 6.28) * long];
    return `M${(x * 72).toFixed(1)} ${(y * 40).toFixed(1)}l${dx.toFixed(1)} ${dy.toFixed(1)}`;
  });
  return (
    <svg
      viewBox="0 0 72 40"
      className="w-full border border-ink-3 bg-paper-lift"
      aria-hidden="true"
    >
      <path
        d={strokes.join("")}
        className="fill-none stroke-ink"
        strokeWidth={Math.max(0.7, 24 / Math.sqrt(grit) - 0.6)}
      />
    </svg>
  );
}

/** Evenly spread places, without chance. */
const spread = (i: number, by: number) => (0.5 + i * by) % 1;
