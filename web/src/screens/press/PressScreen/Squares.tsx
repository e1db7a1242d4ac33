import type { PullState } from "../../../api/editions";

const STAGES: [PullState["stage"], string][] = [
  ["ink", "Ink"],
  ["wipe", "Wipe"],
  ["lay", "Lay"],
  ["pull", "Pull"],
];

/** The four touches of a pull: full is done, half is now. */
export function Squares({ stage }: { stage: PullState["stage"] }) {
  const at = STAGES.findIndex(([key]) => key === stage);
  return (
    <ol
      aria-label="Steps of this pull"
      className="grid grid-cols-2 gap-x-6 gap-y-2 pt-2.5 text-h3 max-phone:gap-x-4 max-phone:text-lead"
    >
      {STAGES.map(([key, word], i) => (
        <li
          key={key}
          aria-current={i === at ? "step" : undefined}
          className={`flex items-center gap-2.5 ${i === at ? "font-bold" : "text-ink-2"}`}
        >
          <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden="true" className="flex-none">
            <rect
              x={1.5}
              y={1.5}
              width={13}
              height={13}
              className="fill-none stroke-ink"
              strokeWidth={2.5}
            />
            {i <= at ? (
              <rect x={1.5} y={1.5} width={i < at ? 13 : 6.5} height={13} className="fill-ink" />
            ) : null}
          </svg>
          {word}
        </li>
      ))}
    </ol>
  );
}
