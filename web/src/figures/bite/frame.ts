import type { Section } from "./model";

/** Where things stand in the figure. */
export type Frame = {
  id: string;
  left: number;
  top: number;
  height: number;
  xs: number[];
  y: (seconds: number) => number;
  section: Section;
  size: "page" | "large" | "phone";
  metal: string;
};

export type Editing = {
  selected: number;
  onSelect: (place: number) => void;
  /** Move an area's floor to this many reference seconds. */
  onFloor: (place: number, seconds: number) => void;
};
