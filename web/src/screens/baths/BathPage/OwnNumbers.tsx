import { useUser } from "../../../ui/useUser";
import { inUnits } from "../../../ui/inUnits";
import type { BathPage } from "../../../api/baths";

type Own = BathPage["own"]["energy_kj_per_mol"];
const WIDE = 250;
const HIGH = 46;
const POINTS = 60;
const REACH = 3;

/** What this bath's own measurements make of the table's numbers: guess dashed, own solid. */
export function OwnNumbers({ page }: { page: BathPage }) {
  const { units } = useUser();
  const { own, own_from: from } = page;
  return (
    <>
      <h2>Its own numbers</h2>
      <p className="note mt-1">
        {from < 3
          ? `${from === 1 ? "1 coupon or strip" : `${from} coupons and strips`} so far: from three on, these stand in plans.`
          : `From ${from} coupons and strips, and its check patches. They stand in plans of this bath.`}{" "}
        Dashed: the table's guess.
      </p>
      <Curve
        name={inUnits("Rate, fresh at 20 °C", units)}
        unit="µm/min"
        digits={2}
        of={asNumbers(own.rate_um_per_min)}
      />
      <Curve name="Activation energy" unit="kJ/mol" digits={0} of={own.energy_kj_per_mol} />
      <Curve name="Spent at" unit="g/L" digits={0} of={own.end_g_per_l} />
    </>
  );
}

/** The rate's spreads are of its logarithm: near enough a share of it. */
const asNumbers = (rate: Own): Own => ({
  ...rate,
  guess_spread: rate.guess_spread * rate.guess,
  spread: rate.spread * rate.value,
});

const bell = (x: number, middle: number, spread: number) =>
  Math.exp(-0.5 * ((x - middle) / spread) ** 2) / spread;

type Props = { name: string; unit: string; digits: number; of: Own };

function Curve({ name, unit, digits, of }: Props) {
  const low = of.guess - REACH * of.guess_spread;
  const high = of.guess + REACH * of.guess_spread;
  const xs = Array.from({ length: POINTS }, (_, i) => low + ((high - low) * i) / (POINTS - 1));
  const most = Math.max(1 / of.spread, 1 / of.guess_spread);
  const path = (middle: number, spread: number) =>
    xs
      .map((x, i) => {
        const px = (i / (POINTS - 1)) * WIDE;
        return `${i ? "L" : "M"}${px.toFixed(1)} ${(HIGH - 2 - (bell(x, middle, spread) / most) * (HIGH - 6)).toFixed(1)}`;
      })
      .join("");
  const told = `${of.low.toFixed(digits)} to ${of.high.toFixed(digits)}`;
  return (
    <figure className="mt-3">
      <figcaption className="flex justify-between gap-3 text-note">
        <b>{name}</b>
        <span>
          <b className="num">{of.value.toFixed(digits)}</b> {unit}{" "}
          <span className="text-ink-2">({told})</span>
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        width={WIDE}
        height={HIGH}
        role="img"
        aria-label={`${name}: ${told} ${unit}; the table's guess was ${of.guess.toFixed(digits)}`}
        className="block max-w-full"
      >
        <path d={`M0 ${HIGH - 1}H${WIDE}`} className="stroke-ink-3" />
        <path
          d={path(of.guess, of.guess_spread)}
          className="fill-none stroke-ink-3"
          strokeDasharray="4 3"
        />
        <path
          d={path(of.value, of.spread)}
          className="fill-none stroke-copper-deep"
          strokeWidth="2.2"
        />
      </svg>
    </figure>
  );
}
