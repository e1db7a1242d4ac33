import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import {
  type CalculatorSchema,
  calculate,
  calculatorQuery,
  calculatorsQuery,
} from "../../../api/calc";
import { FormFoot } from "../../../ui/form/FormFoot";
import { useForm, useShape } from "../../../ui/form/useForm";
import { Beside } from "../../../ui/Section";
import { SideList } from "../../../ui/SideList";
import { Asking } from "../../../ui/Asking";
import { SchemaFields } from "./SchemaFields";
import { useUser } from "../../../ui/useUser";
import { bodyOf, shapeOfSchema, typedFirst } from "./schema";

const FROM_PICTURES = "dust-coverage";
const LONGEST_SHOWN = 6000;

/** Every calculator of the registry, with a form made from its schema. */
export function Calculators() {
  const [asked, ask] = useSearchParams();
  const { data: all, error } = useQuery(calculatorsQuery);
  const name = asked.get("name") ?? "bevel";
  const { data: schema } = useQuery(calculatorQuery(name));
  if (!all) return <Asking error={error} />;
  const about = String(all.find((each) => each.name === name)?.summary ?? "");
  return (
    <Beside side="list">
      <SideList
        label="Calculators"
        rows={all.map((each) => ({ key: String(each.name), text: String(each.name) }))}
        chosen={name}
        choose={(key) => ask({ tab: "calculators", name: key })}
      />
      {schema ? (
        <section className="min-w-0">
          <h2>{schema.name}</h2>
          <p className="mt-0.5 mb-2.5">{about}</p>
          {schema.name === FROM_PICTURES ? (
            <p className="note">It counts a photograph: use it at the step “Dust with rosin”.</p>
          ) : (
            <One key={name} schema={schema} />
          )}
        </section>
      ) : null}
    </Beside>
  );
}

function One({ schema }: { schema: CalculatorSchema }) {
  const { units } = useUser();
  const [answer, setAnswer] = useState<unknown>(null);
  const shape = useShape(() => shapeOfSchema(schema.input), schema.name);
  const form = useForm<Record<string, unknown>, unknown>(shape, {
    start: typedFirst(schema.input, units),
    send: (read) => calculate(schema.name, bodyOf(schema.input, read)),
    done: setAnswer,
  });
  return (
    <form noValidate onSubmit={form.submit}>
      <SchemaFields form={form} root={schema.input} node={schema.input} at="" />
      <FormFoot form={form} submit="Compute" />
      {answer ? (
        <pre className="mt-3 border border-hair bg-paper-lift p-3 font-mono whitespace-pre-wrap break-words">
          {JSON.stringify(answer, null, 1).slice(0, LONGEST_SHOWN)}
        </pre>
      ) : null}
    </form>
  );
}
