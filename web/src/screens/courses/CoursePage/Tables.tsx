import { useQuery } from "@tanstack/react-query";
import { shopBookQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { Section } from "../../../ui/Section";
import { PlainTable } from "../../../ui/Table";

/** Tables of the shop book that a step needs, where it needs them. */
export function Tables({ tables }: { tables: string[] }) {
  const { room } = useHere();
  const { data } = useQuery(shopBookQuery(room));
  const found = (data?.tables ?? []).filter((table) => tables.includes(table.key));
  return (
    <>
      {found.map((table) => (
        <Section key={table.key}>
          <h3>{table.title}</h3>
          <PlainTable columns={table.columns} rows={table.rows} />
        </Section>
      ))}
    </>
  );
}
