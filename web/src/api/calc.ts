import { queryOptions } from "@tanstack/react-query";
import { cookie, data, errorOf, http, type Shapes } from "./client";

/** A node of a calculator's JSON Schema, as far as the forms read it. */
export type SchemaNode = {
  type?: string;
  title?: string;
  description?: string;
  enum?: string[];
  const?: unknown;
  default?: unknown;
  unit?: string;
  $ref?: string;
  anyOf?: SchemaNode[];
  items?: SchemaNode;
  properties?: Record<string, SchemaNode>;
  additionalProperties?: SchemaNode | boolean;
  required?: string[];
  $defs?: Record<string, SchemaNode>;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  exclusiveMaximum?: number;
  maxLength?: number;
};
export type CalculatorSchema = { name: string; input: SchemaNode; output: SchemaNode };

export type CalculatorRow = Shapes["CalculatorOut"];

export const calculatorsQuery = queryOptions({
  queryKey: ["calc"],
  queryFn: () => data(http.GET("/api/calc")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const calculatorQuery = (name: string) =>
  queryOptions({
    queryKey: ["calc", name],
    queryFn: async () =>
      (await data(
        http.GET("/api/calc/{name}/schema", { params: { path: { name } } }),
      )) as unknown as CalculatorSchema,
    staleTime: Number.POSITIVE_INFINITY,
    enabled: name !== "",
  });

/** Run any calculator of the registry on plain JSON. */
export async function calculate(name: string, input: unknown): Promise<unknown> {
  const reply = await fetch(`/api/calc/${name}`, {
    method: "POST",
    credentials: "same-origin",
    headers: { "Content-Type": "application/json", "X-CSRFToken": cookie("keen_csrf") },
    body: JSON.stringify(input),
  });
  const body = await reply.json();
  if (!reply.ok) throw errorOf(reply.status, body);
  return body;
}

/** The readings in the text of a CSV or a CGATS file. */
export const readTable = (text: string) =>
  data(http.POST("/api/calc/read-table", { body: { text, paper_lstar: null } }));

/** Readings as the text of a file. */
export const writeTable = (body: Shapes["WriteTableInput"]) =>
  data(http.POST("/api/calc/write-table", { body }));

export const cutSheet = (body: Shapes["CutSheetInput"]) =>
  data(http.POST("/api/calc/cut-sheet", { body }));
export const repairRoutes = (body: Shapes["RepairRoutesInput"]) =>
  data(http.POST("/api/calc/repair-routes", { body }));
export const cleaningOrder = (body: Shapes["CleaningOrderInput"]) =>
  data(http.POST("/api/calc/cleaning-order", { body }));
export const readMinutes = (text: string) =>
  data(http.POST("/api/calc/minutes", { body: { text } }));
/** Times as they are typed, read by the server; nothing is asked while nothing is typed. */
export const minutesQuery = (text: string) =>
  queryOptions({
    queryKey: ["calc", "minutes", text],
    queryFn: () => readMinutes(text),
    enabled: text !== "",
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
export const dilute = (body: Shapes["DiluteInput"]) =>
  data(http.POST("/api/calc/dilute", { body }));

type Guess = Pick<Shapes["CurveBath"], "temperature_c"> &
  Pick<Shapes["ReadCurveInput"], "lstar" | "seconds"> & { mordant: string };

/** What tones and times may be as long as there is no strip. */
export const readGuessQuery = ({ mordant, temperature_c, lstar, seconds }: Guess) =>
  queryOptions({
    queryKey: ["calc", "guess", mordant, temperature_c, lstar, seconds],
    queryFn: () =>
      data(
        http.POST("/api/calc/read-curve", {
          body: { bath: { mordant, temperature_c } as Shapes["CurveBath"], lstar, seconds },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What a plate that is put in takes, its bevel, and its way to the first proof. */
export const putInQuery = (body: Shapes["PutInInput"]) =>
  queryOptions({
    queryKey: ["calc", "put-in", body],
    queryFn: () => data(http.POST("/api/calc/put-in", { body })),
    staleTime: Number.POSITIVE_INFINITY,
  });
