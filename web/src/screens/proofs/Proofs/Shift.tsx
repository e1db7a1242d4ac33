import type { Change, Proof } from "../../../api/proofs";
import { AreaName } from "../../../figures/AreaName";
import { Digits, Table } from "../../../ui/Table";
import { roman } from "../../../ui/times";
import { By, toneOf } from "./Changes";

const [WIDTH, HEIGHT, LSTAR_PX, FAR_LSTAR, ALLOWED, HALF] = [250, 40, 9, 13, 3, 5];

/** As wide as the figure is drawn; half as wide on a phone. */
const SIZE = "w-62.5 max-phone:w-32";

type Props = { change: Change; left: Proof; right: Proof };

/** Each area's way from the left proof to the right one, about what was wanted. */
export function Shifts({ change, left, right }: Props) {
  const names = `${roman(left.state_number)} to ${roman(right.state_number)}`;
  return (
    <Table
      columns={[
        { head: "Area" },
        { head: <ShiftHead /> },
        { head: `from ${names}, L*`, right: true },
      ]}
    >
      {change.areas.map((area, i) => {
        const [then, now] = [toneOf(left, area.name), toneOf(right, area.name)];
        return (
          <tr key={area.name} className="[&>td]:align-middle">
            <td>
              <AreaName name={area.name} parts={now?.parts ?? ""} place={i} />
            </td>
            <td>
              <Shift area={area.name} then={offOf(then)} now={offOf(now)} />
            </td>
            <Digits>
              <By change={area.change_lstar} />
              <span className="note block">
                {then?.read_lstar.toFixed(0)} to {now?.read_lstar.toFixed(0)}
              </span>
            </Digits>
          </tr>
        );
      })}
    </Table>
  );
}

/** How much too light a tone is; null where nothing was meant. */
function offOf(tone: Proof["tones"][number] | undefined): number | null {
  const meant = tone?.wanted_lstar ?? tone?.expected_lstar ?? null;
  return tone && meant !== null ? tone.read_lstar - meant : null;
}

/** Too light stands left of what was wanted, too dark right. */
const xOf = (off: number) => WIDTH / 2 - LSTAR_PX * Math.max(-FAR_LSTAR, Math.min(FAR_LSTAR, off));

const ShiftHead = () => (
  <span className={`flex justify-between font-normal ${SIZE}`}>
    <span>too light</span>
    <span className="max-phone:hidden">wanted</span>
    <span>too dark</span>
  </span>
);

function Shift({ area, then, now }: { area: string; then: number | null; now: number | null }) {
  if (then === null || now === null) return <span className="note">nothing was meant</span>;
  const [from, to] = [xOf(then), xOf(now)];
  const lighter = now > then;
  const said = `${area}: ${then.toFixed(0)} before, ${now.toFixed(0)} now; above nought is too light`;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={`-my-2 block ${SIZE}`}
      role="img"
      aria-label={said}
    >
      {Array.from({ length: Math.ceil((2 * ALLOWED * LSTAR_PX) / 4) }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: strokes of a hatch are all alike
        <path key={i} d={`M${xOf(ALLOWED) + i * 4} 0V${HEIGHT}`} className="stroke-line/45" />
      ))}
      <path d={`M${WIDTH / 2} 0V${HEIGHT}`} className="stroke-ink" strokeWidth="1.6" />
      <Arrow from={from} to={to} lighter={lighter} />
      <Square x={from} className="fill-paper" />
      <Square x={to} className="fill-ink" />
    </svg>
  );
}

/** From one square to the other, where there is room to see it. */
function Arrow({ from, to, lighter }: { from: number; to: number; lighter: boolean }) {
  const way = Math.sign(to - from);
  const tip = to - way * (HALF + 2);
  if (Math.abs(to - from) < 4 * HALF) return null;
  const y = HEIGHT / 2;
  return (
    <g className={lighter ? "fill-copper-deep stroke-copper-deep" : "fill-ink stroke-ink"}>
      <path d={`M${from} ${y}H${tip}`} strokeWidth="2.4" />
      <path d={`M${tip} ${y}l${-way * 7} -4v8Z`} strokeWidth="1" />
    </g>
  );
}

const Square = ({ x, className }: { x: number; className: string }) => (
  <rect
    x={x - HALF}
    y={HEIGHT / 2 - HALF}
    width={2 * HALF}
    height={2 * HALF}
    className={`stroke-ink ${className}`}
    strokeWidth="2"
  />
);
