import type { Shapes } from "../../../api/client";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { Section } from "../../../ui/Section";
import { shownLength } from "../../../ui/units";

const FILL: Record<string, string> = {
  zinc: "fill-zinc",
  copper: "fill-copper",
  plastic: "fill-plastic",
  polymer: "fill-polymer",
};
const THICK_PX = 40;

/** The bevel of this plate, drawn at its own proportions. */
export function Bevel({ plate, bevel }: { plate: Plate; bevel: Shapes["BevelOutput"] }) {
  const { me } = useHere();
  const scale = THICK_PX / plate.thickness_mm;
  const [run, height] = [bevel.run_mm * scale, bevel.height_mm * scale];
  return (
    <Section className="flex flex-wrap items-center gap-5">
      <svg
        viewBox="-6 -8 190 62"
        width="190"
        height="62"
        role="img"
        aria-label="Section of the edge"
        className="stroke-ink"
      >
        <path
          d={`M0 ${height}L${run} 0H176V${THICK_PX}H0Z`}
          className={FILL[plate.metal]}
          strokeWidth="1.5"
        />
        <path d={`M0 ${height}L${run} 0`} strokeWidth="3" />
      </svg>
      <p className="min-w-60 flex-1">
        <b>{bevel.needed === "needed" ? "Bevel it." : "A bevel is optional here."}</b>{" "}
        {bevel.reason} At 45° it runs <b className="num">{shownLength(bevel.run_mm, me)}</b>{" "}
        {me.length_unit} in. <b className="num">{bevel.edge_cm}</b> cm of edge, about{" "}
        <b className="num">{bevel.minutes}</b> min (
        <span className="num">
          {bevel.minutes_low} to {bevel.minutes_high}
        </span>
        ).
      </p>
    </Section>
  );
}
