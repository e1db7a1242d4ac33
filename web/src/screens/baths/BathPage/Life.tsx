import type { Bath } from "../../../api/baths";

const NEARLY = 0.8;

/** How much of the bath's life is used. */
export function Life({ bath }: { bath: Bath }) {
  const used = Math.min(1, bath.load_g_per_l / bath.end_g_per_l);
  return (
    <div className="my-4.5">
      <div className="note flex justify-between">
        <span>Life used</span>
        <span>
          tires near <span className="num">{bath.end_g_per_l}</span> g/L, a guess until yours has
        </span>
      </div>
      <div
        role="img"
        aria-label={`${Math.round(used * 100)} percent of the bath's life is used`}
        className="h-4 border-[1.5px] border-ink bg-paper-lift"
      >
        <div
          className={`h-full ${used > NEARLY ? "bg-ferric-deep" : "bg-ferric"}`}
          style={{ width: `${used * 100}%` }}
        />
      </div>
    </div>
  );
}
