import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { putInQuery } from "../../api/calc";
import { type Read as Found, readTyped } from "../../ui/form/read";
import type { Form } from "../../ui/form/useForm";
import { materialOf } from "../../ui/materials";
import { type Metal, type Read, type Route, SHAPE } from "./shape";

export type Told = ReturnType<typeof usePutIn>;
const USUAL_MM = 1.2;

/** What is known of a plate while it is typed: what can be read of it, and what follows. */
export function usePutIn(form: Form) {
  const typed = form.hook.watch();
  const found = readTyped(SHAPE, typed, form.units);
  const size = (name: "width_mm" | "height_mm" | "thickness_mm") => good(found, name);
  const { material } = materialOf<Metal>(String(typed.metal));
  const routes = typed.routes as Route[];
  const wide = size("width_mm");
  const high = size("height_mm");
  const thick = size("thickness_mm") ?? USUAL_MM;
  const { data } = useQuery({
    ...putInQuery({
      material,
      thickness_mm: thick,
      width_mm: wide,
      height_mm: high,
      routes,
      history_unknown: (found.body as unknown as Read).facts?.history_unknown === true,
    }),
    placeholderData: keepPreviousData,
  });
  return { told: data, material, metal: String(typed.metal), routes, wide, high, thick };
}

function good({ body, faults }: Found, name: string): number | null {
  const value = body[name];
  return faults.has(name) || typeof value !== "number" ? null : value;
}
