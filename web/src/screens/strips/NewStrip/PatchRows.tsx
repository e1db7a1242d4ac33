import { ApiError } from "../../../api/client";
import { newId } from "../../../device/ids";
import { clock, parseTime } from "../../../ui/times";

export type PatchForm = { key: string; time: string; lstar: string };

type Props = { patches: PatchForm[]; setPatches: (patches: PatchForm[]) => void; error: unknown };

/** Time in all and L* for each patch; what was understood of a time is shown beside it. */
export function PatchRows({ patches, setPatches, error }: Props) {
  const change = (key: string, part: Partial<PatchForm>) =>
    setPatches(patches.map((p) => (p.key === key ? { ...p, ...part } : p)));
  const wrong =
    error instanceof ApiError ? Number(/patches\.(\d+)/.exec(error.fault.field)?.[1] ?? -1) : -1;
  const typed = patches.filter((p) => p.lstar.trim() !== "");
  return (
    <>
      <div
        className="cols"
        style={{ gridTemplateColumns: "repeat(auto-fill,minmax(124px,1fr))", gap: 14 }}
      >
        {patches.map((patch, i) => {
          const seconds = parseTime(patch.time);
          return (
            <div key={patch.key}>
              <b className="note">Patch {i + 1}</b>
              <div className={`field${seconds === null ? " bad" : ""}`}>
                <input
                  aria-label={`Patch ${i + 1}, time in all`}
                  value={patch.time}
                  onChange={(e) => change(patch.key, { time: e.target.value })}
                  style={{ textAlign: "right", fontFamily: "var(--num)" }}
                />
                <span className="unit">min:s</span>
              </div>
              <div
                className={`field${typed[wrong]?.key === patch.key ? " bad" : ""}`}
                style={{ marginTop: 5 }}
              >
                <input
                  aria-label={`Patch ${i + 1}, L*`}
                  inputMode="decimal"
                  value={patch.lstar}
                  onChange={(e) => change(patch.key, { lstar: e.target.value })}
                  style={{ textAlign: "right", fontFamily: "var(--num)" }}
                />
                <span className="unit">L*</span>
              </div>
              <span className="note">
                {seconds === null ? "type 3:45 or 225 s" : `${clock(seconds)} in all`}
              </span>
            </div>
          );
        })}
      </div>
      <button
        type="button"
        className="btn quiet"
        onClick={() =>
          setPatches([
            ...patches,
            {
              key: newId(),
              time: clock((parseTime(patches.at(-1)?.time ?? "") ?? 480) * 2),
              lstar: "",
            },
          ])
        }
      >
        Add a patch
      </button>
    </>
  );
}
