import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import {
  type CalculatorSchema,
  calculate,
  calculatorQuery,
  calculatorsQuery,
} from "../../../api/calc";
import { elsewhere } from "../../../ui/faults";
import { Trouble } from "../../../ui/Trouble";
import { SchemaForm } from "./SchemaForm";
import { firstValue } from "./schema";

const FROM_PICTURES = "dust-coverage";

/** Every calculator of the registry, with a form made from its schema. */
export function Calculators() {
  const [asked, ask] = useSearchParams();
  const { data: all, error } = useQuery(calculatorsQuery);
  const name = asked.get("name") ?? "bevel";
  const { data: schema } = useQuery(calculatorQuery(name));
  if (error) return <Trouble error={error} />;
  return (
    <div className="book">
      <nav aria-label="Calculators">
        {(all ?? []).map((each) => (
          <button
            key={each.name}
            type="button"
            aria-pressed={each.name === name}
            onClick={() => ask({ tab: "calculators", name: String(each.name) })}
          >
            {each.name}
          </button>
        ))}
      </nav>
      {schema ? (
        <One
          key={name}
          schema={schema}
          about={String(all?.find((each) => each.name === name)?.summary ?? "")}
        />
      ) : null}
    </div>
  );
}

function One({ schema, about }: { schema: CalculatorSchema; about: string }) {
  const [value, setValue] = useState<unknown>(() => firstValue(schema.input, schema.input));
  const run = useMutation({ mutationFn: () => calculate(schema.name, value) });
  if (schema.name === FROM_PICTURES) {
    return (
      <section>
        <h2>{schema.name}</h2>
        <p>{about}</p>
        <p className="note">It counts a photograph: use it at the step “Dust with rosin”.</p>
      </section>
    );
  }
  return (
    <section>
      <h2>{schema.name}</h2>
      <p style={{ margin: "2px 0 10px" }}>{about}</p>
      <SchemaForm
        root={schema.input}
        node={schema.input}
        value={value}
        onChange={setValue}
        name=""
        error={run.error}
      />
      <div className="flex flex-wrap gap-3" style={{ margin: "12px 0" }}>
        <button type="button" className="btn strong" onClick={() => run.mutate()}>
          Compute
        </button>
        <Trouble error={elsewhere(run.error, Object.keys(schema.input.properties ?? {}))} />
      </div>
      {run.data ? (
        <pre className="answer">{JSON.stringify(run.data, null, 1).slice(0, 6000)}</pre>
      ) : null}
    </section>
  );
}
