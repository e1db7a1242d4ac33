import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import "fake-indexeddb/auto";
import type { ReactElement } from "react";
import { createMemoryRouter, MemoryRouter, Route, RouterProvider, Routes } from "react-router";
import { afterEach, beforeEach, vi } from "vitest";
import { sessionQuery } from "../api/session";
import { ROUTES } from "../frame/routes";
import { Toasts } from "../ui/Toast";
import { NOW_MS, ROOM, told } from "./server";

type Units = { length_unit?: string; temperature_unit?: string };
type As = Units & { role?: "keeper" | "printer" };

beforeEach(() => {
  vi.useFakeTimers({ now: NOW_MS, toFake: ["Date"] });
  localStorage.clear();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function clientOf({ role = "keeper", ...units }: As) {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false, staleTime: 5_000 } },
  });
  const session = told<{ me: { rooms: { role: string }[] } }>("/api/session");
  const rooms = session.me.rooms.map((room) => ({ ...room, role }));
  client.setQueryData(sessionQuery.queryKey, {
    ...session,
    me: { ...session.me, ...units, rooms },
  } as never);
  return client;
}

/** Open the application at a page of the demo room. */
export function openAt(path: string, as: As = {}) {
  const router = createMemoryRouter(ROUTES, { initialEntries: [`/r/${ROOM}${path}`] });
  const client = clientOf(as);
  render(
    <QueryClientProvider client={client}>
      <Toasts>
        <RouterProvider router={router} />
      </Toasts>
    </QueryClientProvider>,
  );
  return { router, client, at: () => router.state.location.pathname.replace(`/r/${ROOM}`, "") };
}

/** Show one part by itself, in the demo room. */
export function show(part: ReactElement, as: As = {}) {
  render(
    <QueryClientProvider client={clientOf(as)}>
      <Toasts>
        <MemoryRouter initialEntries={[`/r/${ROOM}/x`]}>
          <Routes>
            <Route path="/r/:room/x" element={part} />
            <Route path="*" element={<p>elsewhere</p>} />
          </Routes>
        </MemoryRouter>
      </Toasts>
    </QueryClientProvider>,
  );
}

/** Type over what stands in a field. */
export async function type(label: string | RegExp, text: string) {
  const field = await screen.findByLabelText(label);
  await userEvent.clear(field);
  if (text) await userEvent.paste(text);
}

export const press = async (name: string | RegExp) =>
  userEvent.click(await screen.findByRole("button", { name }));

/** Take one of a list. */
export async function pick(label: string | RegExp, option: string) {
  await userEvent.click(await screen.findByLabelText(label));
  await userEvent.click(await screen.findByRole("option", { name: option }));
}

/** What is said to be wrong, all of it. */
export const alerts = () => screen.queryAllByRole("alert").map((each) => each.textContent ?? "");

/** The rows of a table as texts. */
export const rowsOf = (table: HTMLElement) =>
  within(table)
    .getAllByRole("row")
    .map((row) => [...row.children].map((cell) => cell.textContent ?? ""));
