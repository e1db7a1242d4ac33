import type { Shapes } from "../../../api/client";
import { Care } from "../../../ui/Care";

type Coverage = Shapes["DustCoverageOutput"];
type Patch = Coverage["patches"][number];

const percent = (share: number) => Math.round(share * 100);

/** What was counted: the photograph with its patches, and the whole in words. */
export function Counted({ seen, href }: { seen: Coverage; href: string }) {
  return (
    <div className="mt-3 grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] gap-4.5 max-phone:grid-cols-1">
      <div className="relative">
        <img src={href} alt="The photograph that was counted" className="block w-full" />
        <svg
          viewBox="0 0 1 1"
          preserveAspectRatio="none"
          aria-hidden="true"
          className="absolute inset-0 h-full w-full"
        >
          {seen.patches.map((patch) => (
            <rect
              key={`${patch.x} ${patch.y}`}
              x={patch.x}
              y={patch.y}
              width={patch.width}
              height={patch.height}
              className="fill-none stroke-ink"
              strokeWidth={0.004}
            />
          ))}
        </svg>
        {seen.patches.map((patch) => (
          <Share key={`${patch.x} ${patch.y}`} patch={patch} />
        ))}
      </div>
      <div>
        <p className="text-h3">
          <b className="num">{percent(seen.covered)} %</b> covered (±{" "}
          <span className="num">{Math.max(1, Math.round(200 * seen.covered_spread))}</span>):{" "}
          <b>{seen.verdict}</b>.
        </p>
        <p className="note my-1">
          <span className="num">{seen.grains_per_mm2}</span> grains a mm², the middling one{" "}
          <span className="num">{seen.median_grain_um}</span> µm; grains {seen.grains_are} than the
          metal.
        </p>
        {seen.reasons.map((reason) => (
          <Care key={reason} className="my-1.5">
            {reason}
          </Care>
        ))}
      </div>
    </div>
  );
}

function Share({ patch }: { patch: Patch }) {
  const bad = patch.verdict.startsWith("too");
  const sign = { "too thin": " −", "too full": " +" }[patch.verdict as "too thin"] ?? "";
  return (
    <b
      className={`num absolute -translate-1/2 px-1 text-note whitespace-nowrap ${bad ? "bg-ferric-pale text-ferric-deep" : "bg-paper-lift"}`}
      style={{
        left: `${(patch.x + patch.width / 2) * 100}%`,
        top: `${(patch.y + patch.height / 2) * 100}%`,
      }}
    >
      {percent(patch.covered)}
      {sign}
    </b>
  );
}
