import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema.gen";

export type Shapes = components["schemas"];
export type Fault = Shapes["ErrorBody"];

/** An answer that is not the one asked for, with its field, value, limit and unit. */
export class ApiError extends Error {
  /** All that was wrong with what was sent; the first is `fault`. */
  readonly faults: Fault[];

  constructor(
    readonly status: number,
    readonly fault: Fault,
    faults: Fault[] = [],
  ) {
    super(fault.text);
    this.faults = faults.length > 0 ? faults : [fault];
  }
}

const NO_LINE: Fault = {
  code: "no-line",
  field: "",
  value: null,
  allowed: "",
  unit: "",
  text: "No line to the print room's server. What you typed stays here.",
};

const COULD_NOT: Fault = { ...NO_LINE, code: "server", text: "The server could not answer." };

export function cookie(name: string): string {
  const found = document.cookie.split("; ").find((part) => part.startsWith(`${name}=`));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : "";
}

const token: Middleware = {
  onRequest({ request }) {
    request.headers.set("X-CSRFToken", cookie("keen_csrf"));
    return request;
  },
};

export const http = createClient<paths>({
  baseUrl: location.origin,
  credentials: "same-origin",
  fetch: send,
});
http.use(token);

/** Send once more with a new token where the old one had run out. */
async function send(request: Request): Promise<Response> {
  const again = request.clone();
  const reply = await globalThis.fetch(request).catch(() => {
    throw new ApiError(0, NO_LINE);
  });
  if (reply.status !== 403 || (await faultOf(reply.clone())).code !== "csrf") return reply;
  await globalThis.fetch("/api/session", { credentials: "same-origin" });
  again.headers.set("X-CSRFToken", cookie("keen_csrf"));
  return globalThis.fetch(again);
}

async function faultOf(reply: Response): Promise<Fault> {
  const body = await reply.json().catch(() => null);
  return body?.error ?? COULD_NOT;
}

/** An answer's body as an error. */
export function errorOf(status: number, body: unknown): ApiError {
  const { error, faults } = (body ?? {}) as { error?: Fault; faults?: Fault[] };
  return new ApiError(status, error ?? COULD_NOT, faults);
}

type Reply<T> = { data?: T; error?: unknown; response: Response };

/** Return the data of a call, or throw its error. */
export async function data<T>(call: Promise<Reply<T>>): Promise<T> {
  const { data: value, error, response } = await call;
  if (response.ok) return value as T;
  throw errorOf(response.status, error);
}

/**
 * Return the data of a call as a shape of the schema: the client's own types turn pairs into lists,
 * which the schema knows better.
 */
export const dataAs = <T>(call: Promise<Reply<unknown>>): Promise<T> => data(call) as Promise<T>;

export function faultText(error: unknown): string {
  return error instanceof ApiError ? error.fault.text : "Something went wrong. Try again.";
}
