import type { Checked } from "../../../api/editions";

const PER = 7.5;
const MIDDLE = 90;
const MOST = 11;

/** Each area beside the OK: left is too light, right too dark; hatched is inside the tolerance. */
export function Offs({ areas }: { areas: Checked["areas"] }) {
  return (
    <table className="text-h3">
      <thead>
        <tr>
          <th>Area</th>
          <th className="text-right">L*</th>
          <th className="w-48">◂ too light · too dark ▸</th>
        </tr>
      </thead>
      <tbody>
        {areas.map((each) => (
          <tr key={each.name}>
            <td>{each.name}</td>
            <td className="num text-right font-bold">{Math.round(each.lstar)}</td>
            <td>
              <Bar off={each.off_lstar} within={each.within} name={each.name} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Bar({ off, within, name }: { off: number; within: boolean; name: string }) {
  const wide = Math.min(MOST, Math.abs(off)) * PER;
  return (
    <svg
      width={2 * MIDDLE}
      height={28}
      role="img"
      aria-label={`${name}: ${Math.abs(off).toFixed(1)} L* too ${off > 0 ? "light" : "dark"}`}
      className="block"
    >
      <path
        d={Array.from({ length: 13 }, (_, i) => `M${MIDDLE - 45 + i * 7.5} 1v26`).join("")}
        className="stroke-hair"
        strokeWidth={2}
      />
      <rect
        x={off > 0 ? MIDDLE - wide : MIDDLE}
        y={8}
        width={Math.max(2, wide)}
        height={12}
        className={within ? "fill-ink" : "fill-ferric-deep"}
      />
      <path d={`M${MIDDLE} 0v28`} className="stroke-ink" strokeWidth={3} />
    </svg>
  );
}
