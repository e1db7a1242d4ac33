import { wallClock, type Zone } from "../ui/times";
import { useWidth } from "./useWidth";

export type RulerItem = { at: number; text: string; key: string; waits?: boolean };

const SPAN_SECONDS = 2 * 3600;
const LEFT = 156;

/** The next two hours: what needs hands, and when. */
export function TimeRuler({ now, items, zone }: { now: number; items: RulerItem[]; zone: Zone }) {
  const [ref, width] = useWidth(900);
  const left = width < 600 ? 4 : LEFT;
  const start = Math.floor(now / 900) * 900;
  const x = (seconds: number) => left + ((seconds - start) / SPAN_SECONDS) * (width - left - 12);
  const quarters = Array.from({ length: SPAN_SECONDS / 900 + 1 }, (_, i) => start + i * 900);
  const wide = width >= 600;
  const shown = items.filter((item) => item.at < start + SPAN_SECONDS);
  if (width === 0) return <div ref={ref} data-figure className="min-h-33" />;
  return (
    <div ref={ref} data-figure>
      <svg
        width={width}
        height="132"
        viewBox={`0 0 ${width} 132`}
        role="img"
        aria-label="The next two hours"
      >
        <defs>
          <pattern id="ruler-waits" width="10" height="9" patternUnits="userSpaceOnUse">
            <path
              d="M0 5q2.5-4 5 0t5 0"
              fill="none"
              stroke="var(--color-ink-2)"
              strokeWidth="1.5"
            />
          </pattern>
        </defs>
        {wide ? (
          <g>
            <text className="font-slab font-semibold" x="0" y="74" fontSize="15">
              Your hands
            </text>
            <text x="0" y="92" fontSize="13" className="fill-ink-2">
              someone must be there
            </text>
            <text x="0" y="108" fontSize="13" className="fill-ink-2">
              below: waits by itself
            </text>
          </g>
        ) : null}
        <rect
          x={left}
          y="90"
          width={width - left - 12}
          height="24"
          fill="var(--color-trough)"
          stroke="var(--color-ink)"
        />
        {quarters.map((at, i) => (
          <g key={at}>
            <path d={`M${x(at)} 66v${i % 2 ? 7 : 11}`} stroke="var(--color-ink)" />
            {i % 2 === 0 && i < quarters.length - 1 ? (
              <text className="num font-semibold" x={x(at) + 4} y="84" fontSize="13">
                {wallClock(at, zone)}
              </text>
            ) : null}
          </g>
        ))}
        {shown.map((item, i) => (
          <g key={item.key}>
            <path
              d={`M${x(item.at)} ${4 + (i % 2) * 22}V66`}
              stroke="var(--color-verdigris)"
              strokeWidth="1.8"
            />
            {item.waits ? (
              <rect
                x={x(now)}
                y="93"
                width={Math.max(0, x(item.at) - x(now))}
                height="18"
                fill="url(#ruler-waits)"
                stroke="var(--color-ink)"
              />
            ) : (
              <rect x={x(item.at)} y="58" width="26" height="8" fill="var(--color-verdigris)" />
            )}
            <text
              x={x(item.at) + 8}
              y={16 + (i % 2) * 22}
              fontSize="15"
              className="fill-verdigris-deep font-semibold"
            >
              {item.text}
            </text>
          </g>
        ))}
        <path d={`M${x(now)} 52V116`} stroke="var(--color-verdigris)" strokeWidth="2.2" />
        <path d={`M${x(now) - 6} 46h12l-6 9Z`} fill="var(--color-verdigris)" />
        <text
          x={x(now)}
          y="129"
          fontSize="13"
          textAnchor={x(now) > 60 ? "middle" : "start"}
          className="fill-ink-2"
        >
          now
        </text>
      </svg>
    </div>
  );
}
