import type { Strip } from "../../../api/strips";
import { pictureUrl } from "../../../api/proofs";
import { isOut } from "../../../figures/ToneCurve";
import { useHere } from "../../../frame/useHere";
import type { Quad } from "../../../scan/Marked";
import { boxOf } from "../../../scan/marks";

type Props = { strip: Strip; chosen: number | null; choose: (place: number) => void };

/** The scan the strip was read from: its row, each patch to be chosen. */
export function Slip({ strip, chosen, choose }: Props) {
  const { room } = useHere();
  const marks = strip.marks as Quad[];
  if (!strip.picture || !strip.picture_px || marks.length === 0) return null;
  const [width, height] = strip.picture_px;
  const box = boxOf(marks);
  return (
    <svg
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      className="block max-h-36 w-full border border-hair bg-paper-lift"
      role="img"
      aria-label={`Scan of ${strip.name}: ${marks.length} patches`}
    >
      <image href={pictureUrl(room, strip.picture)} width={width} height={height} />
      {marks.map((quad, place) => (
        <Corners
          key={quad.join()}
          quad={quad}
          out={isOut(strip, place)}
          chosen={chosen === place}
          choose={() => choose(place)}
        />
      ))}
    </svg>
  );
}

type CornersProps = { quad: Quad; out: boolean; chosen: boolean; choose: () => void };
const ARM = 0.22;

/** Four corner marks of a patch; amber and dashed where it is left out. */
function Corners({ quad, out, chosen, choose }: CornersProps) {
  const path = quad
    .map((at, i) => {
      const before = quad[(i + 3) % 4] ?? at;
      const after = quad[(i + 1) % 4] ?? at;
      return `M${towards(at, before)}L${inset(at, quad)}L${towards(at, after)}`;
    })
    .join("");
  const lines = { fill: "none", vectorEffect: "non-scaling-stroke" as const };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: as above
    <g onClick={choose}>
      <polygon points={quad.map((at) => at.join()).join(" ")} fill="transparent" />
      <path d={path} className="stroke-paper-lift" strokeWidth="5" {...lines} />
      <path
        d={path}
        className={out ? "stroke-ferric-deep" : "stroke-ink"}
        strokeWidth={chosen ? 4 : 2}
        strokeDasharray={out ? "5 3" : undefined}
        {...lines}
      />
    </g>
  );

  function towards(at: Quad[number], other: Quad[number]) {
    const from = insetAt(at, quad);
    return `${from[0] + (other[0] - at[0]) * ARM} ${from[1] + (other[1] - at[1]) * ARM}`;
  }
}

const INSET = 0.12;
const middleOf = (quad: Quad) => [
  quad.reduce((sum, [x]) => sum + x, 0) / quad.length,
  quad.reduce((sum, [, y]) => sum + y, 0) / quad.length,
];
function insetAt([x, y]: Quad[number], quad: Quad): Quad[number] {
  const [mx = 0, my = 0] = middleOf(quad);
  return [x + (mx - x) * INSET, y + (my - y) * INSET];
}
const inset = (at: Quad[number], quad: Quad) => insetAt(at, quad).join(" ");
