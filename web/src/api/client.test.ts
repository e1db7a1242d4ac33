import { vi } from "vitest";
import { fakeServer, fault, refuse } from "../testing/server";
import { calculate } from "./calc";
import { ApiError, data, faultText, http } from "./client";
import { planQuery } from "./plans";
import { sendPicture } from "./proofs";
import { sessionQuery, signOut } from "./session";

const session = () => data(http.GET("/api/session"));
const run = <T>(query: { queryFn?: unknown }, signal = new AbortController().signal) =>
  (query.queryFn as (asked: { signal: AbortSignal }) => Promise<T>)({ signal });
const caught = async (call: Promise<unknown>) => (await call.catch((error) => error)) as ApiError;

beforeEach(() => {
  localStorage.clear();
});
afterEach(() => {
  vi.unstubAllGlobals();
});

test("an answer that is not the one asked for carries every fault", async () => {
  fakeServer({
    "GET /api/session": refuse(422, fault("name", "Too long."), fault("kind", "None.")),
  });
  const error = await caught(session());
  expect([error.status, error.fault.text]).toEqual([422, "Too long."]);
  expect(error.faults.map((each) => each.field)).toEqual(["name", "kind"]);
});

test("an answer of an older server has its one fault", async () => {
  fakeServer({ "GET /api/session": { status: 409, body: { error: fault("version", "Stale.") } } });
  expect((await caught(session())).faults).toHaveLength(1);
});

test("no line, and an answer that is no answer, are told in words", async () => {
  const server = fakeServer({ "GET /api/session": { status: 502, body: "gone" } });
  expect((await caught(session())).fault.text).toBe("The server could not answer.");
  server.cutLine(true);
  expect((await caught(session())).status).toBe(0);
  expect(faultText(await caught(session()))).toMatch(/^No line/);
  expect(faultText(new Error("x"))).toBe("Something went wrong. Try again.");
});

test("a token that ran out is fetched anew, and the call sent again with it", async () => {
  const seen: string[] = [];
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie of the server is read so
  document.cookie = "keen_csrf=old";
  vi.stubGlobal("fetch", async (input: Request | string) => {
    const url = typeof input === "string" ? input : input.url;
    if (url.endsWith("/api/session") && typeof input === "string") {
      // biome-ignore lint/suspicious/noDocumentCookie: and is set so
      document.cookie = "keen_csrf=new";
      return new Response("{}");
    }
    const token = (input as Request).headers.get("X-CSRFToken") ?? "";
    seen.push(token);
    const refused = { error: fault("", "Too long open.", { code: "csrf" }) };
    return token === "new"
      ? new Response(JSON.stringify({ id: "x" }), {
          headers: { "content-type": "application/json" },
        })
      : new Response(JSON.stringify(refused), { status: 403 });
  });
  const made = await data(
    http.POST("/api/rooms/{room}/record", {
      params: { path: { room: "r" } },
      body: { id: "i", text: "note" } as never,
    }),
  );
  expect(made).toEqual({ id: "x" });
  expect(seen).toEqual(["old", "new"]);
});

test("a refusal that is not the token's is not sent twice", async () => {
  const server = fakeServer({ "DELETE /api/session": refuse(403, fault("", "Not yours.")) });
  expect((await caught(signOut())).fault.text).toBe("Not yours.");
  expect(server.sent).toHaveLength(1);
});

test("the session is kept on the device, and stands in where there is no line", async () => {
  const me = { me: { id: "u" }, demo: false };
  const server = fakeServer({ "GET /api/session": { body: me } });
  expect(await run(sessionQuery)).toEqual(me);
  server.cutLine(true);
  expect(await run(sessionQuery)).toEqual(me);
  localStorage.clear();
  await expect(run(sessionQuery)).rejects.toBeInstanceOf(ApiError);
});

test("who was signed in, told to a question that was given up, is not kept", async () => {
  fakeServer({ "GET /api/session": { body: { me: null, demo: true } } });
  localStorage.setItem("keen-me", JSON.stringify({ me: { id: "u" }, demo: true }));
  const asked = new AbortController();
  const late = run(sessionQuery, asked.signal).catch(() => null);
  asked.abort();
  await late;
  expect(JSON.parse(localStorage.getItem("keen-me") ?? "null")).toMatchObject({ me: { id: "u" } });
});

test("a part with no plan has none, which is no error; another error is", async () => {
  const server = fakeServer();
  expect(await run(planQuery("r", "p", "tones"))).toBeNull();
  server.answer("GET /api/rooms/r/plates/p/plan?part=tones", { status: 500 });
  await expect(run(planQuery("r", "p", "tones"))).rejects.toMatchObject({ status: 500 });
});

test("a picture and a calculation that are refused say why", async () => {
  fakeServer({
    "POST /api/rooms/r/files": refuse(413, fault("file", "Larger than 60 MB.")),
    "POST /api/calc/bevel": refuse(422, fault("width_mm", "Too wide.")),
  });
  const file = new File(["x"], "a.png");
  expect((await caught(sendPicture("r", "i", file))).fault.text).toBe("Larger than 60 MB.");
  expect((await caught(calculate("bevel", {}))).fault.text).toBe("Too wide.");
});
