import { vi } from "vitest";
import kept from "./room.gen.json";

/** The demo room as the server told it, and a server that answers what a test says. */

const KEPT = kept as Record<string, unknown>;
const here = (path: string) => Object.keys(KEPT).find((each) => each.endsWith(path)) ?? "";

export const ROOM = here("/bench").split("/")[3] as string;
export const API = `/api/rooms/${ROOM}`;
export const NOW_MS = (KEPT["/api/clock"] as { now_ms: number }).now_ms;

/** What the server says at an address of the room. */
export const told = <T>(path: string): T =>
  structuredClone(KEPT[`${API}${path}`] ?? KEPT[path]) as T;

type Named = { id: string; name: string };
const idOf = (list: string, name: string) =>
  told<{ items: Named[] }>(list).items.find((each) => each.name === name)?.id as string;
export const plateId = (name: string) => idOf("/plates", name);
export const bathId = (name: string) => idOf("/baths", name);
export const workId = (name: string) => idOf("/works", name);
export const testId = (name: string) => idOf("/exposure-tests", name);
export const stripId = (name: string) => idOf("/strips", name);

/** A page of a list as the server answers it. */
export const listed = <Item>(items: Item[], total = items.length, page = 1) => ({
  items,
  total,
  page,
  page_size: 100,
  broken: [] as { id: string; text: string }[],
});

export type Body = Record<string, unknown>;
export type Sent = { call: string; body: Body };
type Reply = { status?: number; body?: unknown };
export type Answer = Reply | ((body: Body) => Reply | Promise<Reply>);

/** A fault as the server words it. */
export const fault = (field: string, text: string, more: Partial<Body> = {}) => ({
  code: "out-of-limits",
  field,
  value: null,
  allowed: "",
  unit: "",
  text,
  ...more,
});

/** Refuse, with every fault. */
export const refuse = (status: number, ...faults: ReturnType<typeof fault>[]): Reply => ({
  status,
  body: { error: faults[0], faults },
});

/** A server in place of the network; what it is told stands in `sent`. */
export function fakeServer(first: Record<string, Answer> = {}) {
  const answers = { ...first };
  const sent: Sent[] = [];
  let line = true;
  vi.stubGlobal("fetch", async (input: Request | string, init: RequestInit = {}) => {
    if (!line) throw new TypeError("no line");
    const request =
      typeof input === "string" ? new Request(new URL(input, location.href), init) : input;
    const url = new URL(request.url);
    const path = url.pathname + url.search;
    const call = `${request.method} ${path.replace(API, "")}`;
    const body = await bodyOf(request);
    if (request.method !== "GET") sent.push({ call, body });
    const answer = answers[call];
    const reply = typeof answer === "function" ? await answer(body) : answer;
    if (reply) return json(reply.status ?? 200, reply.body ?? null);
    const known = request.method === "GET" ? KEPT[path] : undefined;
    return known === undefined
      ? json(404, { error: fault("", "That is not here.", { code: "not-found" }) })
      : json(200, known);
  });
  return {
    sent,
    answer: (call: string, reply: Answer) => {
      answers[call] = reply;
    },
    cutLine: (cut: boolean) => {
      line = !cut;
    },
    last: () => sent.at(-1) as Sent,
  };
}

async function bodyOf(request: Request): Promise<Body> {
  if (request.headers.get("content-type")?.startsWith("application/json") !== true) return {};
  const text = await request.text();
  return text ? (JSON.parse(text) as Body) : {};
}

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { "content-type": "application/json" },
  });
