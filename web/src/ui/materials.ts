import type { Shapes } from "../api/client";

type Plastic = NonNullable<Shapes["PlateFacts"]["plastic"]>;

export const PLASTICS: readonly (readonly [Plastic, string])[] = [
  ["acrylic", "Acrylic"],
  ["petg", "PETG"],
  ["polystyrene", "Polystyrene"],
  ["packaging", "Food packaging"],
  ["milk-carton", "Milk carton"],
  ["disc", "Disc"],
];

/** What a plate may be of, each plastic by its name. */
export const MATERIALS = [
  ["copper", "Copper"],
  ["zinc", "Zinc"],
  ...PLASTICS,
  ["plastic", "Plastic, not known which"],
  ["polymer", "Photopolymer"],
] as const;

/** Grounds of a test strip, as they are usual. */
export const GROUNDS = ["rosin dust", "sprayed dots", "hard ground", "soft ground"];

/** A choice as the server takes it: the material, and which plastic. */
export function materialOf<Metal extends string>(chosen: string) {
  const named = PLASTICS.find(([key]) => key === chosen);
  return {
    material: (named ? "plastic" : chosen) as Metal,
    plastic: named ? named[0] : null,
  };
}

/** What a plastic is called in a sentence. */
export function plasticSaid(key: Plastic | null | undefined): string {
  return PLASTICS.find(([each]) => each === key)?.[1].replace(/^[AFP](?=[a-z])/, lower) ?? "";
}

const lower = (letter: string) => letter.toLowerCase();
