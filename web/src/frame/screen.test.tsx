import { act, render, screen as seen } from "@testing-library/react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { vi } from "vitest";
import { press } from "../testing/show";
import { screen } from "./screen";

const Page = () => <h1>The page</h1>;

test("a page that cannot be fetched says so, asks no more, and is tried again", async () => {
  vi.spyOn(console, "error").mockImplementation(() => {});
  const load = vi.fn(() => Promise.reject(new TypeError("no line")) as Promise<typeof Page>);
  const { element, errorElement } = screen(load);
  const home = { path: "/home", element: <h1>Home</h1> };
  const router = createMemoryRouter([{ path: "/", element, errorElement }, home], {
    initialEntries: ["/home"],
  });
  render(<RouterProvider router={router} />);
  await act(() => router.navigate("/"));
  expect(await seen.findByRole("alert")).toHaveTextContent("This page could not be opened");
  expect(load).toHaveBeenCalledTimes(1);
  load.mockResolvedValue(Page);
  await press("Try again");
  expect(await seen.findByRole("heading", { name: "The page" })).toBeVisible();
  expect(load).toHaveBeenCalledTimes(2);
});

test("a page whose code is there is drawn at once", async () => {
  const { element, fetched } = screen(() => Promise.resolve(Page));
  await fetched();
  render(element);
  expect(seen.getByRole("heading", { name: "The page" })).toBeVisible();
});
