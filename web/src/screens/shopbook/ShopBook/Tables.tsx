import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { shopBookQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { Beside } from "../../../ui/Section";
import { SideList } from "../../../ui/SideList";
import { PlainTable } from "../../../ui/Table";
import { Asking } from "../../../ui/Asking";

/** The tables of the trade. */
export function Tables() {
  const { room } = useHere();
  const [asked, ask] = useSearchParams();
  const { data, error } = useQuery(shopBookQuery(room));
  if (!data) return <Asking error={error} />;
  const tables = data.tables;
  const shown = tables.find((table) => table.key === asked.get("table")) ?? tables[0];
  return (
    <Beside side="list">
      <SideList
        label="Tables"
        rows={tables.map(({ key, title }) => ({ key, text: title }))}
        chosen={shown?.key}
        choose={(key) => ask({ tab: "tables", table: key })}
      />
      {shown ? (
        <section className="min-w-0">
          <h2>{shown.title}</h2>
          <p className="note mt-0.5 mb-2">
            {shown.about} Starting guesses from the trade, tables {data.version}.
          </p>
          <PlainTable columns={shown.columns} rows={shown.rows} />
        </section>
      ) : null}
    </Beside>
  );
}
