import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import "fake-indexeddb/auto";
import type { ReactNode } from "react";
import { vi } from "vitest";
import { fakeServer } from "../testing/server";
import { allWaiting, dropEvents, waitingEvents } from "./store";
import * as store from "./store";
import { useWaiting } from "./useWaiting";

const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);
const ME = "me";

beforeEach(async () => {
  vi.restoreAllMocks();
  await dropEvents((await waitingEvents(ME)).map((each) => each.id));
});

test("what is logged while the store is being read does not vanish under the hand", async () => {
  const server = fakeServer();
  server.cutLine(true);
  // a slow store: what was read before the press is handed over after it
  let handOver = () => {};
  vi.spyOn(store, "waitingEvents").mockImplementationOnce(
    () =>
      new Promise((resolve) => {
        handOver = () => resolve([]);
      }),
  );
  const { result } = renderHook(() => useWaiting(ME, "room", { kind: "pull", id: "plate" }), {
    wrapper,
  });
  let id = "";
  act(() => {
    id = result.current.log({ kind: "plate-cleaned", data: {} });
  });
  await waitFor(async () => expect(await allWaiting()).toHaveLength(1));
  await act(async () => handOver());
  expect(result.current.waiting.map((each) => each.id)).toEqual([id]);
});

test("what waits from an earlier visit is there", async () => {
  const server = fakeServer();
  server.cutLine(true);
  const first = renderHook(() => useWaiting(ME, "room", { kind: "pull", id: "plate" }), {
    wrapper,
  });
  await act(async () => {});
  act(() => {
    first.result.current.log({ kind: "plate-cleaned", data: {} });
  });
  await waitFor(async () => expect(await waitingEvents(ME)).toHaveLength(1));
  first.unmount();
  const again = renderHook(() => useWaiting(ME, "room", { kind: "pull", id: "plate" }), {
    wrapper,
  });
  await waitFor(() => expect(again.result.current.waiting).toHaveLength(1));
});
