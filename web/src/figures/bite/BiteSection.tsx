import { memo, useId } from "react";
import { clock } from "../../ui/times";
import { Patterns } from "../Patterns";
import { useWidth } from "../useWidth";
import { Footer } from "./Footer";
import { Handles } from "./Handles";
import type { Editing, Frame } from "./frame";
import { GOALS } from "./goals";
import { columnWidths, depthOf, minuteTicks, type Section } from "./model";
import { NowLayer } from "./NowLayer";
import type { ReachedBy } from "./reachedNow";
import { Scales } from "./Scales";
import { Strata } from "./Strata";

type Props = {
  section: Section;
  metal: string;
  large?: boolean;
  even?: boolean;
  /** How far the bite under way is, in the areas that are open. */
  reached?: ReachedBy | null;
  editing?: Editing;
  /** Reference seconds at the foot of the figure, where two figures share one scale. */
  deepest?: number;
};

const TOP = 46;

function frameOf(props: Props, id: string, width: number): Frame {
  const phone = width < 520;
  const size = phone ? "phone" : props.large ? "large" : "page";
  const left = { page: 92, large: 152, phone: 84 }[size];
  const right = { page: 56, large: 60, phone: 48 }[size];
  const height = { page: 208, large: 300, phone: 270 }[size];
  const inner = Math.max(160, width - left - right);
  const least = { page: 58, large: 72, phone: 40 }[size];
  const widths = columnWidths(
    props.section.columns.map((c) => c.share),
    inner,
    least,
  );
  const xs = edges(widths, left);
  const y = (seconds: number) =>
    TOP + depthOf(seconds, props.deepest ?? props.section.deepest, height, props.even ?? false);
  return { id, left, top: TOP, height, xs, y, section: props.section, size, metal: props.metal };
}

function edges(widths: number[], left: number): number[] {
  const xs = [left];
  for (const width of widths) xs.push((xs.at(-1) as number) + width);
  return xs;
}

/** The cross-section of a plate: across, share of the plate; down, time in the bath. */
export const BiteSection = memo(function BiteSection(props: Props) {
  const [ref, width] = useWidth(700);
  const room = props.large ? "min-h-124" : "min-h-101 max-phone:min-h-116.5";
  return (
    <div ref={ref} data-figure className={width > 0 ? undefined : room}>
      {width > 0 ? <Drawn {...props} width={width} /> : null}
    </div>
  );
});

function Drawn(props: Props & { width: number }) {
  const { section, width, reached, editing, even = false } = props;
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const frame = frameOf(props, id, width);
  const tones = [
    ...new Set(section.columns.flatMap((c) => [c.lstar, ...c.segments.map((s) => s.lstar)])),
  ];
  const total = frame.top + frame.height + 150;
  return (
    <svg width={width} height={total} viewBox={`0 0 ${width} ${total}`}>
      <title>{describe(section)}</title>
      <Patterns id={id} tones={tones} />
      <Heads frame={frame} />
      <Body frame={frame} />
      <Strata frame={frame} />
      {reached ? <NowLayer frame={frame} reached={reached} /> : null}
      <Scales
        frame={frame}
        ticks={minuteTicks(props.deepest ?? section.deepest, frame.height, even)}
      />
      <Footer frame={frame} />
      {editing ? <Handles frame={frame} editing={editing} even={even} /> : null}
    </svg>
  );
}

function describe(section: Section): string {
  const says = GOALS[section.goal.kind].says;
  const areas = section.columns.map((c) => `${c.name} ${says(c.expected)}`);
  const bites = section.bites.map((b) => `bite ${b.number} ${clock(b.seconds)}`);
  return `Bite section. ${areas.join(", ")}. ${bites.join(", ")}.`;
}

function Heads({ frame }: { frame: Frame }) {
  const short = frame.size === "phone";
  return (
    <g>
      {frame.section.columns.map((column, i) => {
        const [x0, x1] = [frame.xs[i] as number, frame.xs[i + 1] as number];
        const { name, size } = fitted(column.name, x1 - x0);
        return (
          <g key={column.name} textAnchor="middle">
            <text
              className="font-slab font-semibold"
              x={(x0 + x1) / 2}
              y={frame.size === "large" ? 16 : 24}
              fontSize={size}
            >
              {name}
            </text>
            {frame.size === "large" && !short ? (
              <text x={(x0 + x1) / 2} y={34} fontSize="13" fill="var(--color-ink-2)">
                {Math.round(column.share * 100)} %
              </text>
            ) : null}
          </g>
        );
      })}
    </g>
  );
}

/** A name at the size that fits, shortened where none does. */
function fitted(name: string, width: number): { name: string; size: number } {
  const fits = (size: number) => Math.floor(width / (size * 0.52));
  for (const size of [15, 13]) if (name.length <= fits(size)) return { name, size };
  const short = name.replace(/^Tone /, "");
  const room = fits(13);
  return {
    name: short.length <= room ? short : `${short.slice(0, Math.max(1, room - 1))}.`,
    size: 13,
  };
}

function Body({ frame }: { frame: Frame }) {
  const [x0, x1] = [frame.xs[0] as number, frame.xs.at(-1) as number];
  const bottom = frame.top + frame.height + 26;
  const metal = frame.metal === "zinc" ? "zinc" : "copper";
  const body = `M${x0 - 12} ${frame.top + 11}L${x0 - 5} ${frame.top}H${x1 + 5}L${x1 + 12} ${frame.top + 11}V${bottom}H${x0 - 12}Z`;
  return (
    <g>
      <path d={body} fill={`url(#${frame.id}-${metal})`} />
      {metal === "copper" ? <path d={body} fill={`url(#${frame.id}-cut)`} /> : null}
      <path
        d={`M${x0 - 12} ${bottom - 4}H${x1 + 12}V${bottom + 2}H${x0 - 12}Z`}
        fill={`url(#${frame.id}-asphalt)`}
      />
    </g>
  );
}
