import type { Pair } from "../../api/exposures";
import { clock } from "../../ui/times";
import { BOX, type Field, outlinePath } from "./field";

const BAR = 12;
const TAG = { wide: 74, high: 30 };

/** Where both ends hold, the chosen pair on it, and how far it may lie off. */
export function Target({ pair, field, id }: { pair: Pair; field: Field; id: string }) {
  const [x, y] = [field.image.at(pair.image_seconds), field.screen.at(pair.screen_seconds)];
  const bottom = field.height - BOX.bottom;
  const held = pair.highlight_held && pair.shadow_open;
  const { likely, surely, perhaps } = pair.field;
  return (
    <g className="pointer-events-none">
      <pattern id={`${id}-ring`} width="4" height="4" patternUnits="userSpaceOnUse">
        <path d="M1 0V4" className="stroke-ink" strokeWidth="1" />
      </pattern>
      <path
        d={outlinePath([...perhaps, ...surely], field)}
        fill={`url(#${id}-ring)`}
        fillRule="evenodd"
        fillOpacity=".8"
      />
      <path d={outlinePath(perhaps, field)} className="fill-none stroke-ink" strokeWidth="1.2" />
      <path
        d={outlinePath(likely, field)}
        className="fill-none stroke-paper-lift"
        strokeWidth="6"
      />
      <path
        d={outlinePath(likely, field)}
        className="fill-none stroke-copper-deep"
        strokeWidth="3"
      />
      <rect
        x={BOX.left - BAR}
        y={field.screen.at(pair.low.screen_seconds)}
        width={BAR}
        height={Math.max(
          2,
          field.screen.at(pair.high.screen_seconds) - field.screen.at(pair.low.screen_seconds),
        )}
        className="fill-copper"
      />
      <rect
        x={field.image.at(pair.low.image_seconds)}
        y={bottom}
        width={Math.max(
          2,
          field.image.at(pair.high.image_seconds) - field.image.at(pair.low.image_seconds),
        )}
        height={BAR}
        className="fill-copper"
      />
      <path
        d={`M${BOX.left} ${y}H${x}V${bottom}`}
        className="fill-none stroke-paper-lift"
        strokeWidth="6"
      />
      <path
        d={`M${BOX.left} ${y}H${x}V${bottom}`}
        className="fill-none stroke-copper-deep"
        strokeWidth="2.5"
      />
      <circle
        cx={x}
        cy={y}
        r="10"
        className={held ? "fill-paper-lift stroke-copper-deep" : "fill-none stroke-copper-deep"}
        strokeWidth="3"
        strokeDasharray={held ? undefined : "4 3"}
      />
      {held ? <circle cx={x} cy={y} r="3.5" className="fill-copper-deep" /> : null}
      <Tag x={BOX.left - BAR - TAG.wide} y={y - TAG.high / 2} seconds={pair.screen_seconds} />
      <Tag x={x - TAG.wide / 2} y={bottom + BAR + 22} seconds={pair.image_seconds} />
    </g>
  );
}

function Tag({ x, y, seconds }: { x: number; y: number; seconds: number }) {
  return (
    <g>
      <rect x={x} y={y} width={TAG.wide} height={TAG.high} className="fill-copper-deep" />
      <text
        x={x + TAG.wide / 2}
        y={y + TAG.high - 8}
        textAnchor="middle"
        className="num fill-white text-h3 font-bold"
      >
        {clock(seconds)}
      </text>
    </g>
  );
}
