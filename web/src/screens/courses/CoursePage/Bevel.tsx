import type { Shapes } from "../../../api/client";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { shownLength } from "../../../ui/units";

/** The bevel of this plate, drawn at its own proportions. */
export function Bevel({ plate, bevel }: { plate: Plate; bevel: Shapes["BevelOutput"] }) {
  const { me } = useHere();
  const scale = 40 / plate.thickness_mm;
  const [run, height] = [bevel.run_mm * scale, bevel.height_mm * scale];
  const fill = { zinc: "#84939E", copper: "#B4673A", plastic: "#CADCD9", polymer: "#6A5A8B" }[
    plate.metal as "zinc"
  ];
  return (
    <section className="section bevel">
      <svg
        viewBox="-6 -8 190 62"
        width="190"
        height="62"
        role="img"
        aria-label="Section of the edge"
      >
        <path
          d={`M0 ${height}L${run} 0H176V40H0Z`}
          fill={fill}
          stroke="#1B1714"
          strokeWidth="1.5"
        />
        <path d={`M0 ${height}L${run} 0`} stroke="#1B1714" strokeWidth="3" />
      </svg>
      <p className="m-0">
        <b>{bevel.needed === "needed" ? "Bevel it." : "A bevel is optional here."}</b>{" "}
        {bevel.reason} At 45° it runs <b className="n">{shownLength(bevel.run_mm, me)}</b>{" "}
        {me.length_unit} in. <b className="n">{bevel.edge_cm}</b> cm of edge, about{" "}
        <b className="n">{bevel.minutes}</b> min (
        <span className="n">
          {bevel.minutes_low} to {bevel.minutes_high}
        </span>
        ).
      </p>
    </section>
  );
}
