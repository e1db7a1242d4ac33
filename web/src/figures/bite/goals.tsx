import type { ComponentType } from "react";
import type { Shapes } from "../../api/client";
import { grainTile } from "../grain";
import { type FootProps, Groove, Swatch } from "./feet";
import type { Frame } from "./frame";

type Kind = Shapes["Goal"]["kind"];
type GoalFigure = {
  /** What stands below an area. */
  Foot: ComponentType<FootProps>;
  /** The words at the left of it: drawn, expected, wanted. */
  words: (phone: boolean) => string[];
  says: (value: number) => string;
  /** The pattern of a surface that looks this light. */
  fill: (id: string, lstar: number) => string;
};

/** How each goal is drawn: grain for a tone, grooves for a depth. */
export const GOALS: Record<Kind, GoalFigure> = {
  tone: {
    Foot: Swatch,
    words: (phone) =>
      phone ? ["prints", "L*", "wanted"] : ["prints as", "L* expected", "L* wanted"],
    says: (value) => `prints L* ${value.toFixed(0)}`,
    fill: (id, lstar) => `url(#${id}-g${grainTile(lstar).key})`,
  },
  depth: {
    Foot: Groove,
    words: (phone) => ["wide", phone ? "µm" : "µm deep", "wanted"],
    says: (value) => `${value.toFixed(0)} µm deep`,
    fill: (id, lstar) => `url(#${id}-l${Math.round(lstar)})`,
  },
};

/** What a surface of this figure looks like in print. */
export const printFill = (frame: Frame, lstar: number): string =>
  GOALS[frame.section.goal.kind].fill(frame.id, lstar);
