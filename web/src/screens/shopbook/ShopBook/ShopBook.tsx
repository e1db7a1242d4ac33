import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { shopBookQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { PlainTable } from "../../../ui/PlainTable";
import { Trouble } from "../../../ui/Trouble";
import { Calculators } from "./Calculators";
import { Cleaning } from "./Cleaning";
import { CutSheet } from "./CutSheet";
import { Numbers } from "./Numbers";
import { Recipes } from "./Recipes";
import { Tools } from "./Tools";

const TABS = [
  ["tables", "Tables"],
  ["numbers", "Numbers"],
  ["cut", "Cut a sheet"],
  ["cleaning", "Clean a plate"],
  ["recipes", "Recipes"],
  ["tools", "Tools"],
  ["calculators", "Calculators"],
] as const;

/** The shop book: tables, the room's own numbers, recipes and tools, and every calculator. */
export function ShopBook() {
  const [asked] = useSearchParams();
  const tab = asked.get("tab") ?? "tables";
  return (
    <>
      <h1>Shop book</h1>
      <nav className="tabs" aria-label="Parts of the shop book">
        {TABS.map(([key, name]) => (
          <Link key={key} to={`?tab=${key}`} aria-current={key === tab ? "page" : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      {tab === "numbers" ? (
        <Numbers />
      ) : tab === "cut" ? (
        <CutSheet />
      ) : tab === "cleaning" ? (
        <Cleaning />
      ) : tab === "recipes" ? (
        <Recipes />
      ) : tab === "tools" ? (
        <Tools />
      ) : tab === "calculators" ? (
        <Calculators />
      ) : (
        <Tables />
      )}
    </>
  );
}

function Tables() {
  const { room } = useHere();
  const [asked, ask] = useSearchParams();
  const { data, error } = useQuery(shopBookQuery(room));
  if (error) return <Trouble error={error} />;
  const tables = data?.tables ?? [];
  const shown = tables.find((table) => table.key === asked.get("table")) ?? tables[0];
  return (
    <div className="book">
      <nav aria-label="Tables">
        {tables.map((table) => (
          <button
            key={table.key}
            type="button"
            aria-pressed={table.key === shown?.key}
            onClick={() => ask({ tab: "tables", table: table.key })}
          >
            {table.title}
          </button>
        ))}
      </nav>
      {shown ? (
        <section>
          <h2>{shown.title}</h2>
          <p className="note" style={{ margin: "2px 0 8px" }}>
            {shown.about} Starting guesses from the trade, tables {data?.version}.
          </p>
          <PlainTable columns={shown.columns} rows={shown.rows} />
        </section>
      ) : null}
    </div>
  );
}
