import type { Sheets } from "../../api/editions";

const MOST = 300;

/** A sheet with its tears, and the plate on each piece. */
export function SheetTorn({ sheets, plate }: { sheets: Sheets; plate: [number, number] }) {
  const right = Math.max(...sheets.pieces.map((each) => each.x_mm + each.width_mm));
  const low = Math.max(...sheets.pieces.map((each) => each.y_mm + each.height_mm));
  const scale = MOST / Math.max(right, low);
  return (
    <svg
      width={right * scale + 4}
      height={low * scale + 4}
      viewBox={`-2 -2 ${right * scale + 4} ${low * scale + 4}`}
      role="img"
      aria-label={`${sheets.pieces_per_sheet} pieces of a sheet`}
      className="flex-none"
    >
      <rect
        width={right * scale}
        height={low * scale}
        className="fill-paper-lift stroke-ink"
        strokeWidth={2}
      />
      {sheets.pieces.map((each) => {
        const [w, h] = lying(plate, [each.width_mm, each.height_mm]);
        return (
          <g key={`${each.x_mm} ${each.y_mm}`}>
            <rect
              x={each.x_mm * scale}
              y={each.y_mm * scale}
              width={each.width_mm * scale}
              height={each.height_mm * scale}
              className={`stroke-copper-deep ${each.waste ? "fill-paper-sunk" : "fill-none"}`}
              strokeWidth={1.6}
              strokeDasharray="7 4"
            />
            {each.waste ? null : (
              <rect
                x={(each.x_mm + (each.width_mm - w) / 2) * scale}
                y={(each.y_mm + (each.height_mm - h) / 2) * scale}
                width={w * scale}
                height={h * scale}
                rx={2}
                className="fill-paper-edge stroke-ink"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** The plate as it lies on a piece: the way that leaves more margin. */
function lying([a, b]: [number, number], [w, h]: [number, number]): [number, number] {
  const room = (x: number, y: number) => Math.min(w - x, h - y);
  return room(a, b) >= room(b, a) ? [a, b] : [b, a];
}
