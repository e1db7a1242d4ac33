import type { Hatch } from "../../../api/marks";
import { HatchStrips } from "../../../figures/hatch/HatchStrips";
import { useHere } from "../../../frame/useHere";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import type { Asked } from "./asked";

const PRESSURES = ["1", "2", "3", "4", "5"].map((n) => [n, n] as const);

type Props = {
  hatch: Hatch | null;
  asked: Asked;
  setPressure: (pressure: number) => void;
  setLayers: (layers: number) => void;
};

/** The figure: all three ways, so that the choice is seen. */
export function HowClose({ hatch, asked, setPressure, setLayers }: Props) {
  const { me } = useHere();
  return (
    <Section>
      <div className="flex flex-wrap items-center gap-x-3.5 gap-y-1">
        <h2 className="mr-auto text-h3">
          How close for L* <span className="num">{asked.lstar}</span>?
        </h2>
        <span className="note">Pressure</span>
        <Segments
          label="Pressure of the needle"
          value={String(asked.pressure)}
          options={PRESSURES}
          onChange={(next) => setPressure(Number(next))}
        />
      </div>
      <p className="note mb-2 flex flex-wrap justify-between gap-x-4">
        <span>Printed L* under each strip. Drawn 4 times as large.</span>
        <span className="text-ferric-deep">right of the dots: burrs touch, one grey</span>
      </p>
      {hatch ? (
        <HatchStrips hatch={hatch} chosen={asked.layers} choose={setLayers} units={me} />
      ) : null}
    </Section>
  );
}
