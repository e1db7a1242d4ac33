import { cleanup, screen, waitFor } from "@testing-library/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { ROUTES } from "../../frame/routes";
import { type Answer, fakeServer, fault, refuse, ROOM, told } from "../../testing/server";
import { alerts, press, type } from "../../testing/show";

const session = told<object>("/api/session");
const OUT = { body: { me: null, demo: true } };

function gate(path = "/sign-in", asked: Answer = OUT) {
  const server = fakeServer({ "GET /api/session": asked, "POST /api/session": { body: session } });
  const router = createMemoryRouter(ROUTES, { initialEntries: [path] });
  render(
    <QueryClientProvider
      client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}
    >
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  return { server, router };
}

test("name and password are needed, each told at its field", async () => {
  const { server } = gate();
  await press("Sign in");
  expect(alerts()).toEqual([
    "Sign-in name: nothing is written yet.",
    "Password: nothing is written yet.",
  ]);
  expect(server.sent).toEqual([]);
});

test("who signs in comes back to the page they asked for", async () => {
  const { server, router } = gate(`/r/${ROOM}/record`);
  await type("Sign-in name", "keeper@lantern-quay");
  await type("Password", "lantern-quay");
  await press("Sign in");
  await waitFor(() => expect(router.state.location.pathname).toBe(`/r/${ROOM}/record`));
  expect(server.sent[0]?.body).toEqual({
    sign_in: "keeper@lantern-quay",
    password: "lantern-quay",
  });
  expect(JSON.parse(localStorage.getItem("keen-me") ?? "null")).toEqual(session);
});

test("an answer from before signing in that comes late does not sign out again", async () => {
  let tell = (_: typeof OUT) => {};
  const late = new Promise<typeof OUT>((resolve) => {
    tell = resolve;
  });
  const { router } = gate("/sign-in", () => late);
  await type("Sign-in name", "keeper@lantern-quay");
  await type("Password", "lantern-quay");
  await press("Sign in");
  await waitFor(() => expect(router.state.location.pathname).toBe(`/r/${ROOM}/bench`));
  tell(OUT);
  await screen.findByRole("link", { name: "Bench" });
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(router.state.location.pathname).toBe(`/r/${ROOM}/bench`);
  expect(JSON.parse(localStorage.getItem("keen-me") ?? "null")).toEqual(session);
});

test("a wrong password says so and stays; too many tries, too", async () => {
  const { server } = gate();
  const wrong = "That name and password do not belong together.";
  server.answer("POST /api/session", refuse(401, fault("", wrong)));
  await type("Sign-in name", "keeper");
  await type("Password", "no");
  await press("Sign in");
  await waitFor(() => expect(alerts()).toEqual([wrong]));
  expect(screen.getByLabelText("Sign-in name")).toHaveValue("keeper");
  server.answer("POST /api/session", refuse(429, fault("", "Too many tries. Wait a minute.")));
  await press("Sign in");
  await waitFor(() => expect(alerts()).toEqual(["Too many tries. Wait a minute."]));
});

test("the demo is one press away where it may be opened", async () => {
  const { router } = gate();
  await press("Open the demo print room");
  await waitFor(() => expect(router.state.location.pathname).toBe(`/r/${ROOM}/bench`));
});

test("no line at the gate is told as one", async () => {
  const { server } = gate();
  await screen.findByRole("button", { name: "Sign in" });
  server.cutLine(true);
  await type("Sign-in name", "keeper");
  await type("Password", "x");
  await press("Sign in");
  await waitFor(() => expect(alerts()[0]).toMatch(/^No line to the print room/));
});

const remembered = () => localStorage.setItem("keen-me", JSON.stringify(session));

test("a server that does not answer keeps nobody from the room they were in", async () => {
  remembered();
  const { server } = gate("/sign-in");
  server.answer("GET /api/session", () => new Promise(() => {}));
  cleanup();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <RouterProvider
        router={createMemoryRouter(ROUTES, { initialEntries: [`/r/${ROOM}/bench`] })}
      />
    </QueryClientProvider>,
  );
  expect(await screen.findByRole("navigation", { name: "Rack" })).toBeVisible();
});

test("who was signed out elsewhere stays at the gate, whatever this device remembers", async () => {
  remembered();
  const { router } = gate();
  expect(await screen.findByRole("button", { name: "Open the demo print room" })).toBeVisible();
  expect(router.state.location.pathname).toBe("/sign-in");
});
