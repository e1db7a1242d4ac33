import type { Frame } from "./frame";
import { printFill } from "./goals";
import type { Column, Segment } from "./model";
import { varnish } from "./shapes";

const CAP = { page: 8, large: 11, phone: 9 };

/** What was bitten, what bites now, what is planned; and the stop-out that closes each area. */
export function Strata({ frame }: { frame: Frame }) {
  return (
    <g>
      {frame.section.columns.map((column, i) => (
        <g key={column.name}>
          {column.segments.map((segment) => (
            <Stratum key={segment.bite} frame={frame} place={i} segment={segment} />
          ))}
          <Walls frame={frame} column={column} place={i} />
          <Cap frame={frame} column={column} place={i} />
        </g>
      ))}
    </g>
  );
}

function Stratum({ frame, place, segment }: { frame: Frame; place: number; segment: Segment }) {
  const x = frame.xs[place] as number;
  const width = (frame.xs[place + 1] as number) - x;
  const [top, floor] = [frame.y(segment.from), frame.y(segment.to)];
  const box = (y: number, height: number) => ({ x, width, y, height: Math.max(0, height) });
  if (segment.phase === "done") {
    return (
      <g>
        <rect {...box(top, floor - top)} fill={printFill(frame, segment.lstar)} />
        <path d={`M${x} ${floor}h${width}`} stroke="var(--color-paper-lift)" strokeWidth="1.4" />
      </g>
    );
  }
  if (segment.phase === "now") {
    return (
      <g>
        <rect {...box(top, floor - top)} fill="var(--color-verdigris-pale)" />
        <rect {...box(top, floor - top)} fill={`url(#${frame.id}-bath)`} opacity=".55" />
        <path
          d={`M${x} ${floor}h${width}`}
          stroke="var(--color-ink)"
          strokeWidth="1.2"
          strokeDasharray="5 3"
        />
      </g>
    );
  }
  return (
    <g>
      <rect {...box(top, floor - top)} fill="var(--color-copper-pale)" />
      <rect {...box(top, floor - top)} fill={printFill(frame, segment.lstar)} opacity=".36" />
      <rect {...box(top, floor - top)} fill={`url(#${frame.id}-plan)`} opacity=".5" />
      <path
        d={`M${x} ${floor}h${width}`}
        stroke="var(--color-ink)"
        strokeWidth="1.2"
        strokeDasharray="5 3"
      />
    </g>
  );
}

function Walls({ frame, column, place }: { frame: Frame; column: Column; place: number }) {
  const x = frame.xs[place] as number;
  const before = frame.section.columns[place - 1];
  const upper = before?.segments.at(-1)?.to ?? 0;
  const solid = column.segments.filter((s) => s.phase === "done").at(-1)?.to ?? 0;
  const whole = column.segments.at(-1)?.to ?? 0;
  return (
    <g fill="none">
      <path
        d={`M${x} ${frame.top}V${frame.y(Math.min(upper, whole))}`}
        stroke="var(--color-paper-lift)"
        opacity=".55"
      />
      {whole > upper ? (
        <path
          d={`M${x} ${frame.y(upper)}V${frame.y(whole)}`}
          stroke="var(--color-ink)"
          strokeWidth={solid > upper ? 2 : 1.3}
          strokeDasharray={solid > upper ? undefined : "5 3"}
        />
      ) : null}
    </g>
  );
}

function Cap({ frame, column, place }: { frame: Frame; column: Column; place: number }) {
  const last = place === frame.section.columns.length - 1;
  const floor = frame.y(column.segments.at(-1)?.to ?? 0);
  const isWhite = column.segments.length === 0;
  if ((last && !column.closed) || (!frame.section.capped && !isWhite)) return null;
  const x0 = (frame.xs[place] as number) + (isWhite && place === 0 ? -4 : 1);
  const path = varnish(x0, (frame.xs[place + 1] as number) - 1, floor, CAP[frame.size]);
  return column.closed ? (
    <path
      d={path}
      fill={`url(#${frame.id}-asphalt)`}
      stroke="var(--color-paper-lift)"
      strokeWidth="1.3"
    />
  ) : (
    <path
      d={path}
      fill={`url(#${frame.id}-cover)`}
      stroke="var(--color-asphalt)"
      strokeWidth="1.2"
    />
  );
}
