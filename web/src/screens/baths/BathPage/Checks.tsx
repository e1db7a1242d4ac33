import { Said } from "../../../ui/Said";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { type BathPage, type Check, changeCheck, checksQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Button } from "../../../ui/Button";
import { saveText } from "../../../ui/saveText";
import { Pages } from "../../../ui/Pages";
import { Section } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import { momentOf } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { CHECK_NAMES } from "./names";
import { useSaved } from "./useSaved";

/** What was measured of the bath's speed, the newest first; what was none is taken back. */
export function Checks({ page }: { page: BathPage }) {
  const { room } = useHere();
  const [at, setAt] = useState(1);
  const { data, error } = useQuery(checksQuery(room, page.bath.id, at));
  if (!data) return <Asking error={error} />;
  return (
    <Section>
      <span className="flex flex-wrap items-baseline justify-between gap-3">
        <h2>Checks</h2>
        {data.total > 0 ? <SaveCsv page={page} checks={data.items} /> : null}
      </span>
      {data.items.length === 0 ? (
        <p className="note mt-1">
          None yet. A coupon is a scrap of known area, weighed before and after ten minutes; a check
          patch one patch of your strip's ground, bitten and read. Strips bitten in it come by
          themselves.
        </p>
      ) : (
        <Table
          columns={[
            { head: "When" },
            { head: "What" },
            { head: "It said" },
            { head: "Taken back", hidden: true },
          ]}
        >
          {data.items.map((check) => (
            <Row key={check.id} bath={page.bath.id} check={check} />
          ))}
        </Table>
      )}
      <Pages list={data} go={setAt} />
    </Section>
  );
}

function Row({ bath, check }: { bath: string; check: Check }) {
  const { room, me, zone } = useHere();
  const client = useQueryClient();
  const saved = useSaved();
  const change = async (taken_back: boolean) => {
    const next = await changeCheck(room, bath, check.id, { version: check.version, taken_back });
    await client.invalidateQueries({ queryKey: [room, "bath", bath] });
    await saved(next, taken_back ? "Taken back. Plans in this bath follow." : "It counts again.");
  };
  const struck = check.taken_back ? "line-through text-ink-3" : "";
  return (
    <tr>
      <td className="num whitespace-nowrap">{momentOf(check.at, zone)}</td>
      <td className={struck}>
        <Name check={check} />
      </td>
      <td className={struck}>
        <Said>{check.text}</Said>
        {check.temperature_c === null
          ? ""
          : `, at ${shownTemperature(check.temperature_c, me)} ${temperatureUnit(me)}`}{" "}
        <span className="note">{check.by}</span>
      </td>
      <td className="text-right">
        {check.run ? null : (
          <Button look="row" onClick={() => change(!check.taken_back)}>
            {check.taken_back ? "Put back" : "Take back"}
          </Button>
        )}
      </td>
    </tr>
  );
}

/** What was measured; what stands on a page of its own leads there. */
function Name({ check }: { check: Check }) {
  const { room } = useHere();
  const name = check.run ? "Companion scrap" : (CHECK_NAMES[check.kind] ?? check.kind);
  const own = check.strip && (check.kind === "strip" || check.kind === "lines");
  if (!own) return name;
  return (
    <Link className="font-semibold underline" to={`/r/${room}/strips/${check.strip}`}>
      {name}
    </Link>
  );
}

const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;

function SaveCsv({ page, checks }: { page: BathPage; checks: Check[] }) {
  const save = () => {
    const alone = new Map(page.checks.map((each) => [each.id, each]));
    const rows = checks.map((each) => {
      const said = alone.get(each.id);
      const speed = said
        ? [said.value, said.low, said.high].map((x) => x.toFixed(3))
        : ["", "", ""];
      return [
        each.at,
        each.kind,
        each.taken_back ? "taken back" : "",
        ...speed,
        quoted(each.text),
      ].join(",");
    });
    const head = "at,kind,state,speed,low,high,said";
    saveText(`${page.bath.name} checks.csv`, [head, ...rows].join("\n"));
  };
  return (
    <Button look="row" onClick={save}>
      Save as CSV
    </Button>
  );
}
