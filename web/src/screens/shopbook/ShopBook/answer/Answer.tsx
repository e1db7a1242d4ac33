import { Care } from "../../../../ui/Care";
import { Said } from "../../../../ui/Said";
import { Section } from "../../../../ui/Section";
import { Digits, Table } from "../../../../ui/Table";
import { useUser } from "../../../../ui/useUser";
import { named, written } from "./quantity";
import { RowsFigure } from "./RowsFigure";
import { columnsOf, factsOf, listsOf, partsOf, type Row, seriesOf } from "./rows";
import { leadOf } from "./saying";

const MOST_ROWS = 40;
const LONGEST_SHOWN = 6000;
const LED = ["title", "text"];

/** What a calculator answers: its sentence, the figures, the rows drawn and told; JSON in a fold. */
export function Answer({ says, answer }: { says: string; answer: Row }) {
  const { units } = useUser();
  const lead = leadOf(says, answer, units);
  return (
    <Section aria-live="polite">
      {lead.title ? <h2 className="text-h1 max-phone:text-h2">{lead.title}</h2> : null}
      {lead.text ? <p className="mt-1 text-lead whitespace-pre-line">{lead.text}</p> : null}
      <Parts answer={answer} />
      <details className="mt-4">
        <summary className="font-semibold">The same as JSON</summary>
        <pre className="mt-2 border border-hair bg-paper-lift p-3 font-mono whitespace-pre-wrap break-words">
          {JSON.stringify(answer, null, 1).slice(0, LONGEST_SHOWN)}
        </pre>
      </details>
    </Section>
  );
}

function Parts({ answer }: { answer: Row }) {
  const facts = factsOf(answer, LED);
  return (
    <>
      {facts.length > 0 ? <Facts facts={facts} /> : null}
      {listsOf(answer).map(([name, list]) => (
        <List key={name} name={name} list={list} />
      ))}
      {partsOf(answer).map(([name, part]) => (
        <div key={name} className="mt-3 border-l-3 border-hair pl-3">
          <h3>{named(name).label}</h3>
          <Parts answer={part} />
        </div>
      ))}
    </>
  );
}

function Facts({ facts }: { facts: [string, unknown][] }) {
  const { units } = useUser();
  return (
    <dl className="mt-2.5 flex flex-wrap gap-x-7 gap-y-2">
      {facts.map(([name, value]) => (
        <div key={name} className="max-w-85">
          <dt className="note">{named(name).label}</dt>
          <dd className="num font-bold">{written(name, value, units)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Warnings as cares, words and figures in a line, rows drawn and in a table. */
function List({ name, list }: { name: string; list: unknown[] }) {
  const rows = list.filter((each): each is Row => each !== null && typeof each === "object");
  if (name === "warnings" || name === "cautions") return <Cares list={list} />;
  if (rows.length < list.length || list.some(Array.isArray))
    return <Words name={name} list={list} />;
  const series = seriesOf(rows);
  return (
    <div className="mt-3">
      <h3>{named(name).label}</h3>
      {series ? <RowsFigure rows={rows} series={series} name={named(name).label} /> : null}
      <Told rows={rows} />
    </div>
  );
}

const Cares = ({ list }: { list: unknown[] }) => (
  <ul className="mt-2.5 grid gap-1">
    {list.map((each) => {
      const text = typeof each === "string" ? each : String((each as Row).text ?? "");
      return (
        <li key={text}>
          <Care>
            <Said>{text}</Said>
          </Care>
        </li>
      );
    })}
  </ul>
);

function Words({ name, list }: { name: string; list: unknown[] }) {
  const { units } = useUser();
  const plain = list.filter((each) => typeof each !== "object");
  if (plain.length === 0) return null;
  const sentences = plain.some((each) => String(each).includes(" "));
  return (
    <div className="mt-3">
      <h3>{named(name).label}</h3>
      {sentences ? (
        <ul className="list-disc pl-5">
          {plain.map((each) => (
            <li key={String(each)}>{written(name, each, units)}</li>
          ))}
        </ul>
      ) : (
        <p className="num">
          {plain
            .slice(0, MOST_ROWS)
            .map((each) => written(name, each, units))
            .join(", ")}
        </p>
      )}
    </div>
  );
}

function Told({ rows }: { rows: Row[] }) {
  const { units } = useUser();
  const columns = columnsOf(rows);
  if (columns.length === 0) return null;
  const digits = (name: string) => rows.some((row) => typeof row[name] === "number");
  return (
    <>
      <Table columns={columns.map((name) => ({ head: named(name).label, right: digits(name) }))}>
        {rows.slice(0, MOST_ROWS).map((row, place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: an answer's rows never move
          <tr key={place}>
            {columns.map((name) =>
              digits(name) ? (
                <Digits key={name}>{written(name, row[name], units)}</Digits>
              ) : (
                <td key={name}>{written(name, row[name], units)}</td>
              ),
            )}
          </tr>
        ))}
      </Table>
      {rows.length > MOST_ROWS ? (
        <p className="note">{rows.length - MOST_ROWS} more rows stand in the JSON.</p>
      ) : null}
    </>
  );
}
