import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import { listed } from "../testing/server";
import { Pages } from "./Pages";

test("a row that cannot be shown is named, also where one page holds all", () => {
  const broken = [{ id: "r", text: "This run cannot be reckoned, and is kept as it is." }];
  render(<Pages list={{ ...listed([1, 2]), broken }} go={vi.fn()} />);
  expect(screen.getByText(/This run cannot be reckoned/)).toBeVisible();
  expect(screen.queryByRole("button")).toBeNull();
});

test("nothing is said of a short list; a long one says which part it shows", async () => {
  const go = vi.fn();
  const { rerender, container } = render(<Pages list={listed([1])} go={go} />);
  expect(container).toBeEmptyDOMElement();
  rerender(<Pages list={listed([1], 201, 2)} go={go} />);
  expect(screen.getByRole("status")).toHaveTextContent("101 to 101 of 201");
  await userEvent.click(screen.getByRole("button", { name: "Older" }));
  await userEvent.click(screen.getByRole("button", { name: "Newer" }));
  expect(go.mock.calls).toEqual([[3], [1]]);
});
