import type { Patch } from "../../api/editions";
import { listed } from "../../ui/listed";
import { useWidth } from "../useWidth";

export const KIND_WORDS: Record<Patch["kind"], string> = {
  leave: "leave a film",
  bright: "wipe bright",
  whiting: "take out with whiting",
};
type Props = {
  patches: Patch[];
  size: { width: number; height: number };
  picture: string | null;
  mirrored: boolean;
  /** A patch being drawn, in mm on the print. */
  drawing?: [number, number][] | null;
  chosen?: number | null;
  onDown?: (at: [number, number], event: React.PointerEvent) => void;
  onMove?: (at: [number, number]) => void;
  onUp?: () => void;
  choose?: (place: number) => void;
};

/** Where to leave ink and where to wipe bright, as the plate lies; places are kept in mm on the print. */
export function WipeMap(props: Props) {
  const { patches, size, picture, mirrored, drawing, chosen } = props;
  const [ref, width] = useWidth(600);
  const scale = width / size.width;
  const height = Math.round(size.height * scale);
  const px = ([x, y]: [number, number]): [number, number] => [
    (mirrored ? size.width - x : x) * scale,
    y * scale,
  ];
  const mm = (event: React.PointerEvent<SVGSVGElement>): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * size.width;
    const y = ((event.clientY - box.top) / box.height) * size.height;
    return [round(mirrored ? size.width - x : x), round(y)];
  };
  const outline = (points: [number, number][]) =>
    points
      .map(px)
      .map(([x, y], i) => `${i === 0 ? "M" : "L"}${round(x)} ${round(y)}`)
      .join("");
  return (
    <div ref={ref} className="min-w-0 rounded-plate border-[2.5px] border-ink bg-white p-1.5">
      {width > 0 ? (
        <svg
          width="100%"
          viewBox={`0 0 ${width} ${height}`}
          role="img"
          aria-label={told(patches)}
          className={`block ${props.onDown ? "touch-none cursor-crosshair" : ""}`}
          onPointerDown={(event) => props.onDown?.(mm(event), event)}
          onPointerMove={(event) => props.onMove?.(mm(event))}
          onPointerUp={props.onUp}
          onPointerCancel={props.onUp}
        >
          <Patterns />
          <rect width={width} height={height} className="fill-plastic-pale" />
          {picture ? (
            <image
              href={picture}
              width={width}
              height={height}
              preserveAspectRatio="none"
              opacity={0.75}
              transform={mirrored ? `matrix(-1 0 0 1 ${width} 0)` : undefined}
            />
          ) : null}
          {patches.map((each, place) => (
            <One
              // biome-ignore lint/suspicious/noArrayIndexKey: patches have no other name than their place
              key={`${place} ${each.kind}`}
              patch={each}
              outline={`${outline(each.points as [number, number][])}Z`}
              at={middle(each.points as [number, number][], px)}
              wide={width}
              chosen={chosen === place}
              choose={props.choose && (() => props.choose?.(place))}
            />
          ))}
          {drawing && drawing.length > 1 ? (
            <path
              d={outline(drawing)}
              className="fill-none stroke-copper-deep"
              strokeWidth={3}
              strokeDasharray="9 6"
            />
          ) : null}
        </svg>
      ) : null}
    </div>
  );
}

const round = (value: number) => Math.round(value * 10) / 10;

const told = (patches: Patch[]) =>
  patches.length === 0
    ? "Wipe map: nothing painted, wipe evenly"
    : `Wipe map: ${patches.map((each) => `${each.name || "a patch"}, ${KIND_WORDS[each.kind]}`).join("; ")}`;

function middle(points: [number, number][], px: (at: [number, number]) => [number, number]) {
  const all = points.map(px);
  const of = (i: 0 | 1) => {
    const rows = all.map((each) => each[i]);
    return (Math.min(...rows) + Math.max(...rows)) / 2;
  };
  return [of(0), of(1)] as [number, number];
}

function Patterns() {
  return (
    <defs>
      <pattern id="film" width="22" height="7" patternUnits="userSpaceOnUse">
        <rect width="22" height="7" className="fill-asphalt" opacity={0.66} />
        <path d="M0 5q5-5 11 0t11 0" className="fill-none stroke-ink" strokeWidth={2} />
      </pattern>
    </defs>
  );
}

const LOOKS: Record<Patch["kind"], { fill?: string; className: string; dash?: string }> = {
  leave: { fill: "url(#film)", className: "stroke-paper-lift" },
  bright: { className: "fill-white [fill-opacity:0.62] stroke-copper-deep", dash: "11 6" },
  whiting: { className: "fill-white [fill-opacity:0.9] stroke-ink", dash: "2 5" },
};

type OneProps = {
  patch: Patch;
  outline: string;
  at: [number, number];
  wide: number;
  chosen: boolean;
  choose?: () => void;
};

function One({ patch, outline, at, wide, chosen, choose }: OneProps) {
  const look = LOOKS[patch.kind];
  const word =
    patch.kind === "bright" ? "wipe bright" : patch.kind === "leave" ? "leave a film" : "whiting";
  const half = word.length * 5.4 + 12;
  const x = Math.min(Math.max(at[0], half + 4), wide - half - 4);
  return (
    <g
      onPointerDown={
        choose &&
        ((event) => {
          event.stopPropagation();
          choose();
        })
      }
    >
      <path
        d={outline}
        fill={look.fill}
        className={look.className}
        strokeWidth={chosen ? 6 : 3.5}
        strokeDasharray={look.dash}
      />
      {patch.kind === "bright" ? <Sun x={at[0]} y={at[1] - 26} /> : null}
      <rect
        x={x - half}
        y={at[1] - 15}
        width={2 * half}
        height={30}
        rx={3}
        className="fill-paper-lift"
      />
      <text
        x={x}
        y={at[1] + 6.5}
        textAnchor="middle"
        className={`text-h3 font-bold ${patch.kind === "bright" ? "fill-copper-deep" : ""}`}
      >
        {word}
      </text>
    </g>
  );
}

/** Rays: bright. */
function Sun({ x, y }: { x: number; y: number }) {
  const rays = Array.from({ length: 8 }, (_, i) => {
    const [s, c] = [Math.sin((i * Math.PI) / 4), Math.cos((i * Math.PI) / 4)];
    return `M${round(x + 10 * s)} ${round(y + 10 * c)}L${round(x + 15 * s)} ${round(y + 15 * c)}`;
  });
  return (
    <g className="fill-none stroke-copper-deep" strokeWidth={3}>
      <circle cx={x} cy={y} r={6} />
      <path d={rays.join("")} />
    </g>
  );
}

/** What the wiping hand is told: what to leave, what to clean, what to lift out. */
export function wipeWords(patches: Patch[], passes: string[]): [string, string] {
  const names = (kind: Patch["kind"]) =>
    listed(
      patches.filter((each) => each.kind === kind).map((each) => each.name || "the marked patch"),
    );
  const [leave, bright, out] = [names("leave"), names("bright"), names("whiting")];
  if (!leave && !bright && !out)
    return [
      passes.length > 0 ? `${capital(passes.join(", then "))}.` : "Evenly all over, edges last.",
      "",
    ];
  const after = [bright && `Clean ${bright}.`, out && `Whiting on ${out}.`]
    .filter(Boolean)
    .join(" ");
  return [leave ? `Leave ${leave}.` : "", after];
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
