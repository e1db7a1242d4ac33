import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { calculatorQuery, cleaningOrder } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { Choice } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";

type Layer = Shapes["CleaningOrderInput"]["layers"][number];
const FIRST: Layer[] = ["asphalt-varnish", "crayon", "rosin"];
const row = (layer: Layer) => ({ key: newId(), layer });
const MATERIALS: [string, string][] = [
  ["copper", "Copper"],
  ["zinc", "Zinc"],
  ["plastic", "Plastic"],
  ["polymer", "Photopolymer"],
];

/** What comes off in which order, with the fewest changes of solvent, sparing the plate. */
export function Cleaning() {
  const [material, setMaterial] = useState("copper");
  const [layers, setLayers] = useState(() => FIRST.map(row));
  const schema = useQuery(calculatorQuery("cleaning-order")).data;
  const all = (schema?.input.properties?.layers?.items?.enum ?? []) as Layer[];
  const ask = useMutation({
    mutationFn: () =>
      cleaningOrder({ material: material as "copper", layers: layers.map((each) => each.layer) }),
  });
  return (
    <div className="two">
      <div>
        {ask.data ? (
          <>
            <p style={{ margin: "0 0 8px" }}>
              {ask.data.changes === 0
                ? "One solvent takes all of it off."
                : `${ask.data.changes} change${ask.data.changes > 1 ? "s" : ""} of solvent.`}
            </p>
            <ol className="orders">
              {ask.data.steps.map((step) => (
                <li key={step.takes_off.join()}>
                  <b>{step.label}</b> takes off {step.takes_off.join(", then ")}. {step.how}
                  {step.cautions.map((caution) => (
                    <p key={caution} className="care" style={{ margin: "4px 0" }}>
                      <Mark name="care" />
                      <span>{caution}</span>
                    </p>
                  ))}
                </li>
              ))}
            </ol>
            {ask.data.spared.map((each) => (
              <p key={each} className="note" style={{ margin: "4px 0" }}>
                Left aside: {each}.
              </p>
            ))}
          </>
        ) : (
          <div className="empty">
            <h2>No order yet</h2>
            <p>Say what lies on the plate, the uppermost first.</p>
          </div>
        )}
        <Trouble error={ask.error} />
      </div>
      <aside>
        <Choice label="Plate of" value={material} options={MATERIALS} onChange={setMaterial} />
        <p className="label" style={{ marginTop: 12 }}>
          On it, uppermost first
        </p>
        {layers.map(({ key, layer }, i) => (
          <div key={key} className="flex items-end gap-2" style={{ marginBottom: 6 }}>
            <div style={{ flex: 1 }}>
              <Choice
                label={`Layer ${i + 1}`}
                value={layer}
                options={all.map((each) => [each, each.replaceAll("-", " ")])}
                onChange={(next) =>
                  setLayers(layers.map((l) => (l.key === key ? { key, layer: next } : l)))
                }
              />
            </div>
            <button
              type="button"
              className="link"
              style={{ minHeight: 44, padding: "0 8px" }}
              aria-label={`Take out layer ${i + 1}`}
              onClick={() => setLayers(layers.filter((l) => l.key !== key))}
            >
              ×
            </button>
          </div>
        ))}
        <div className="flex flex-wrap gap-3" style={{ marginTop: 10 }}>
          <button type="button" className="btn strong" onClick={() => ask.mutate()}>
            Find the order
          </button>
          <button
            type="button"
            className="btn quiet"
            onClick={() => setLayers([...layers, row("oil-ink")])}
          >
            Add a layer below
          </button>
        </div>
      </aside>
    </div>
  );
}
