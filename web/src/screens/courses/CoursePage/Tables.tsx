import { useQuery } from "@tanstack/react-query";
import { shopBookQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { PlainTable } from "../../../ui/PlainTable";

/** Tables of the shop book that a step needs, where it needs them. */
export function Tables({ tables }: { tables: string[] }) {
  const { room } = useHere();
  const { data } = useQuery(shopBookQuery(room));
  const found = (data?.tables ?? []).filter((table) => tables.includes(table.key));
  return (
    <>
      {found.map((table) => (
        <section key={table.key} className="section">
          <h3 style={{ marginTop: 0 }}>{table.title}</h3>
          <PlainTable columns={table.columns} rows={table.rows} />
        </section>
      ))}
    </>
  );
}
