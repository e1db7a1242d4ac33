import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import type { ComponentType } from "react";
import { useSearchParams } from "react-router";
import { Calculators } from "./Calculators";
import { Cleaning } from "./Cleaning";
import { CutSheet } from "./CutSheet";
import { Inks } from "./Inks";
import { Mix } from "./Mix";
import { Numbers } from "./Numbers";
import { Papers } from "./Papers";
import { Presses } from "./Presses";
import { Recipes } from "./Recipes";
import { Supplies } from "./Supplies";
import { Tables } from "./Tables";
import { Tools } from "./Tools";

/** The parts of the shop book: what the address says, the name, and what is in it. */
const TABS: [key: string, name: string, Part: ComponentType][] = [
  ["tables", "Tables", Tables],
  ["numbers", "Numbers", Numbers],
  ["cut", "Cut a sheet", CutSheet],
  ["mix", "Mix", Mix],
  ["cleaning", "Clean a plate", Cleaning],
  ["recipes", "Recipes", Recipes],
  ["tools", "Tools", Tools],
  ["supplies", "Names and wipes", Supplies],
  ["papers", "Papers", Papers],
  ["inks", "Inks", Inks],
  ["presses", "Presses", Presses],
  ["calculators", "Calculators", Calculators],
];

/** The shop book: tables, the room's own numbers, recipes and tools, and every calculator. */
export function ShopBook() {
  const [asked, ask] = useSearchParams();
  const at = TABS.findIndex(([key]) => key === asked.get("tab"));
  return (
    <TabGroup
      selectedIndex={Math.max(0, at)}
      onChange={(i) => ask({ tab: TABS[i]?.[0] ?? "tables" })}
    >
      <h1 className="print:hidden">Shop book</h1>
      <TabList className="mt-1 mb-4 flex flex-wrap gap-x-4.5 print:hidden">
        {TABS.map(([key, name]) => (
          <Tab
            key={key}
            className="min-h-8.5 border-b-3 border-transparent text-ink-2 data-selected:border-ink data-selected:font-bold data-selected:text-ink pointer-coarse:min-h-12"
          >
            {name}
          </Tab>
        ))}
      </TabList>
      <TabPanels>
        {TABS.map(([key, , Part]) => (
          <TabPanel key={key} tabIndex={-1}>
            <Part />
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  );
}
