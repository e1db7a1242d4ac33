import type { Shapes } from "../../api/client";
import type { Plate } from "../../api/plates";
import { length, pick, shapeOf, text, yes } from "../../ui/form/shape";
import { materialOf } from "../../ui/materials";
import { shownLength, type Units } from "../../ui/units";

export type Route = Shapes["PutInInput"]["routes"][number];
export type Metal = Shapes["PlateIn"]["metal"];

export const METALS: readonly (readonly [Metal, string])[] = [
  ["copper", "Copper"],
  ["zinc", "Zinc"],
  ["plastic", "Plastic"],
  ["polymer", "Photopolymer"],
];
export const MOST_ROUTES = 4;

export const SHAPE = shapeOf("PlateIn", {
  name: text("Name"),
  metal: pick("Material"),
  route: pick("How the image gets into it", { needed: true }),
  width_mm: length("Width"),
  height_mm: length("Height"),
  thickness_mm: length("Thickness"),
  "facts.history_unknown": yes("It is old, its past unknown"),
});

/** What is typed: `route` says "mixed" where `routes` holds several; a plastic stands for itself. */
export type Read = Omit<Shapes["PlateIn"], "id" | "metal"> & { metal: string };

const USUAL_MM = 1.2;

export const blank = (units: Units) => ({
  name: "",
  metal: "copper",
  route: "",
  routes: [] as Route[],
  width_mm: "",
  height_mm: "",
  thickness_mm: shownLength(USUAL_MM, units),
  facts: { face_marked: false, trimmed_again: false, history_unknown: false },
});

/** A plate as it stands, as it would be typed. */
export const typedOf = (plate: Plate, units: Units) => ({
  name: plate.name,
  metal: plate.metal === "plastic" ? (plate.facts.plastic ?? "plastic") : plate.metal,
  route: plate.route,
  routes: routesOf(plate),
  width_mm: shownLength(plate.width_mm, units),
  height_mm: shownLength(plate.height_mm, units),
  thickness_mm: shownLength(plate.thickness_mm, units),
  facts: { ...plate.facts },
});

const routesOf = (plate: Plate): Route[] =>
  plate.route === "mixed" ? (plate.routes as Route[]) : [plate.route as Route];

/** The body of what was read: a plastic by its name, one route or several. */
export function plateIn({ metal, routes, facts, ...read }: Read): Omit<Shapes["PlateIn"], "id"> {
  const { material, plastic } = materialOf<Metal>(metal);
  return {
    ...read,
    metal: material,
    routes: read.route === "mixed" ? routes : [],
    facts: { ...facts, plastic } as Shapes["PlateFacts"],
  };
}
