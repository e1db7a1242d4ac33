type Layer = {
  name: string;
  note?: string;
  bold?: boolean;
  high: number;
  look: string;
  wide: number;
};

const WIDTH = 690;
const LEFT = 34;
const BED = 386;

/** What lies on the bed, in the order it is laid: plate, paper, tissue, blankets, roller. */
export function Stack({ blankets, side }: { blankets: string[]; side: string }) {
  const layers: Layer[] = [
    {
      name: "plate",
      note: "face up",
      bold: true,
      high: 24,
      look: "fill-plastic-pale stroke-plastic-line",
      wide: 250,
    },
    {
      name: "paper",
      note: side,
      bold: true,
      high: 17,
      look: "fill-paper-lift stroke-ink",
      wide: 320,
    },
    { name: "tissue", high: 5, look: "fill-white stroke-ink", wide: 320 },
    ...blankets.map((name) => ({
      name,
      high: thick(name),
      look: "fill-copper-pale stroke-ink",
      wide: 368,
    })),
  ];
  const tops = piled(layers.map((each) => each.high));
  const top = tops.at(-1) ?? BED;
  const names = spread(layers.map((each, i) => (tops[i] ?? 0) + each.high / 2));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 510`}
      className="block w-full max-desk:max-h-96"
      role="img"
      aria-label={told(layers)}
    >
      <circle
        cx={LEFT + 184}
        cy={top - 108}
        r={104}
        className="fill-zinc-pale stroke-ink"
        strokeWidth={2.5}
      />
      <circle cx={LEFT + 184} cy={top - 108} r={11} className="fill-ink" />
      <path
        d={`M${LEFT + 150} ${top - 178}a76 76 0 0 1 82 88`}
        className="fill-none stroke-ink"
        strokeWidth={5}
      />
      <path d={`M${LEFT + 222} ${top - 96}l22 4l-15 16z`} className="fill-ink" />
      {layers.map((each, i) => (
        <Slab key={each.name + String(i)} layer={each} y={tops[i] ?? 0} name={names[i] ?? 0} />
      ))}
      <rect
        x={LEFT - 6}
        y={BED + 88}
        width={384}
        height={22}
        className="fill-zinc stroke-ink"
        strokeWidth={2}
      />
    </svg>
  );
}

const thick = (name: string) => (/thin/.test(name) ? 20 : /soft|thick/.test(name) ? 44 : 36);

const told = (layers: Layer[]) =>
  `From the bed up: ${layers.map((each) => (each.note ? `${each.name}, ${each.note}` : each.name)).join("; ")}; roller`;

/** Where each lies, from the bed up. */
function piled(heights: number[]): number[] {
  let top = BED + 88;
  return heights.map((high) => {
    top -= high + 4;
    return top;
  });
}

/** Names stand at least a line apart, the lowest at its layer. */
function spread(at: number[]): number[] {
  let below = Number.POSITIVE_INFINITY;
  return at.map((y) => {
    below = Math.min(y, below - 34);
    return below;
  });
}

function Slab({ layer, y, name }: { layer: Layer; y: number; name: number }) {
  const x = LEFT + (368 - layer.wide) / 2;
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={layer.wide}
        height={layer.high}
        className={layer.look}
        strokeWidth={2}
      />
      {layer.name === "paper" ? (
        <path
          d={waves(x + 6, y + layer.high / 2, layer.wide - 12)}
          className="fill-none stroke-plastic-line"
          strokeWidth={1.5}
        />
      ) : null}
      <path
        d={`M${x + layer.wide + 3} ${y + layer.high / 2}h${LEFT + 378 - x - layer.wide}L${LEFT + 392} ${name}h8`}
        className="fill-none stroke-ink-2"
      />
      <text x={LEFT + 406} y={name + 7} className={`text-far ${layer.bold ? "font-bold" : ""}`}>
        {layer.name}
        {layer.note ? (
          <tspan dx="10" className="text-h3 font-normal">
            {layer.note}
          </tspan>
        ) : null}
      </text>
    </g>
  );
}

/** Damp. */
export const waves = (x: number, y: number, width: number) =>
  `M${x} ${y}${"q6-5 12 0t12 0".repeat(Math.max(1, Math.floor(width / 24)))}`;
