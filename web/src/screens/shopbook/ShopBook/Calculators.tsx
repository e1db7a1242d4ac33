import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import {
  type CalculatorRow,
  type CalculatorSchema,
  calculate,
  calculatorQuery,
  calculatorsQuery,
} from "../../../api/calc";
import { FormFoot } from "../../../ui/form/FormFoot";
import { useForm, useShape } from "../../../ui/form/useForm";
import { Beside, Empty } from "../../../ui/Section";
import { SideList } from "../../../ui/SideList";
import { Asking } from "../../../ui/Asking";
import { Answer } from "./answer/Answer";
import { SchemaFields } from "./SchemaFields";
import { useUser } from "../../../ui/useUser";
import { bodyOf, shapeOfSchema, typedFirst } from "./schema";

const FROM_PICTURES = "dust-coverage";
const FIRST = "bevel";

/** Every calculator of the registry by its trade, with a form made from its schema. */
export function Calculators() {
  const [asked, ask] = useSearchParams();
  const { data: all, error } = useQuery(calculatorsQuery);
  const name = asked.get("name") ?? FIRST;
  const chosen = all?.find((each) => each.name === name);
  const [group, setGroup] = useState<string | null>(null);
  if (!all) return <Asking error={error} />;
  const open = group ?? chosen?.group;
  return (
    <Beside side="list">
      <nav aria-label="Calculators" className="grid grid-cols-[minmax(0,1fr)] content-start">
        {[...new Set(all.map((each) => each.group))].map((each) => (
          <details
            key={each}
            open={each === open}
            onToggle={(event) => event.currentTarget.open && setGroup(each)}
            className="border-b border-hair"
          >
            <summary className="min-h-11 cursor-pointer py-2.5 font-semibold">{each}</summary>
            <SideList
              label={each}
              rows={all
                .filter((row) => row.group === each)
                .map((row) => ({ key: row.name, text: row.title }))}
              chosen={name}
              choose={(key) => ask({ tab: "calculators", name: key })}
            />
          </details>
        ))}
      </nav>
      {chosen ? <Chosen key={chosen.name} row={chosen} /> : null}
    </Beside>
  );
}

function Chosen({ row }: { row: CalculatorRow }) {
  const asks = !row.reads_files;
  const { data: schema } = useQuery(calculatorQuery(asks ? row.name : ""));
  return (
    <section className="min-w-0">
      <h2>{row.title}</h2>
      <p className="mt-0.5 mb-2.5">{row.summary}</p>
      {asks ? (
        schema && <One schema={schema} says={row.says} />
      ) : (
        <Empty title="It works on pictures">
          <p>
            {row.name === FROM_PICTURES
              ? "It counts a photograph: use it at the step “Dust with rosin”."
              : "It reads or draws files, so it is asked where the picture is: on the plate's, the strip's, the lamp's or the work's own page."}
          </p>
          <p className="note">
            From the command line: <code>./keen calc {row.name}</code>
          </p>
        </Empty>
      )}
    </section>
  );
}

type Told = Record<string, unknown>;

function One({ schema, says }: { schema: CalculatorSchema; says: string }) {
  const { units } = useUser();
  const [answer, setAnswer] = useState<Told | null>(null);
  const shape = useShape(() => shapeOfSchema(schema.input), schema.name);
  const form = useForm<Told, Told>(shape, {
    start: typedFirst(schema.input, units),
    send: async (read) => (await calculate(schema.name, bodyOf(schema.input, read))) as Told,
    done: setAnswer,
  });
  return (
    <form noValidate onSubmit={form.submit}>
      <SchemaFields form={form} root={schema.input} node={schema.input} at="" />
      <FormFoot form={form} submit="Work it out" />
      {answer ? <Answer says={says} answer={answer} /> : null}
    </form>
  );
}
