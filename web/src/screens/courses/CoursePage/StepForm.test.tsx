import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { afterEach, beforeEach, vi } from "vitest";
import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { sessionQuery } from "../../../api/session";
import { StepForm } from "./StepForm";

const step: CourseStep = {
  id: "bevel",
  key: "bevel",
  title: "Bevel edges",
  group: "prepare",
  status: "todo",
  waits_for: [],
  by_itself: false,
  instead: [],
  reason: "",
  measured: {},
  tries: 0,
  measures: [
    { key: "angle", label: "Angle", kind: "number", unit: "°", options: [], low: 20, high: 70 },
    { key: "corners", label: "Corners", kind: "yes-no", unit: "", options: [], low: 0, high: 0 },
    { key: "film", label: "Film", kind: "choice", unit: "", options: ["left on"], low: 0, high: 0 },
  ],
} as unknown as CourseStep;
const after = { ...step, id: "polish", key: "polish", title: "Polish" };
const course = { version: 3, steps: [step, after], can_add: {} } as unknown as Course;
const plate = { id: "p", processes: [{ key: "lines", many: "the lines" }] } as Plate;

const sent: { url: string; body: Record<string, unknown> }[] = [];
let reply: { status: number; body: unknown };

beforeEach(() => {
  sent.length = 0;
  vi.stubGlobal("fetch", async (request: Request) => {
    const body = await request.clone().text();
    if (request.method === "POST") sent.push({ url: request.url, body: JSON.parse(body) });
    return new Response(JSON.stringify(reply.body), { status: reply.status });
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function show(part: Partial<CourseStep> = {}, next = vi.fn()) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const me = { id: "u", rooms: [{ id: "r", name: "Room", time_zone: "UTC", role: "keeper" }] };
  client.setQueryData(sessionQuery.queryKey, { me } as never);
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={["/r/r/x"]}>
        <Routes>
          <Route
            path="/r/:room/x"
            element={
              <StepForm plate={plate} course={course} step={{ ...step, ...part }} next={next} />
            }
          />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return next;
}

const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));

test("numbers go as numbers, yes as true, and what is empty does not go", async () => {
  reply = { status: 200, body: { ...course, steps: [{ ...step, status: "done" }, after] } };
  const next = show();
  await userEvent.type(screen.getByLabelText("Angle"), "45,5");
  await userEvent.selectOptions(screen.getByLabelText("Corners"), "yes");
  await press("Done");
  await waitFor(() => expect(next).toHaveBeenCalledWith("polish"));
  expect(sent[0]?.body).toMatchObject({
    act: "done",
    step: "bevel",
    version: 3,
    measures: { angle: 45.5, corners: true },
  });
});

test("a refused measure shows its limit at the field, and what was typed stays", async () => {
  const error = {
    code: "out-of-limits",
    field: "measures.angle",
    value: 95,
    allowed: "20 to 70",
    unit: "°",
    text: "Angle: 95 is not allowed.",
  };
  reply = { status: 422, body: { error } };
  const next = show();
  await userEvent.type(screen.getByLabelText("Angle"), "95");
  await userEvent.type(screen.getByLabelText(/Remark/), "by eye");
  await press("Done");
  expect(await screen.findByRole("alert")).toHaveTextContent("Allowed: 20 to 70 °.");
  expect(screen.getByLabelText("Angle")).toHaveValue("95");
  expect(screen.getByLabelText(/Remark/)).toHaveValue("by eye");
  expect(next).not.toHaveBeenCalled();
});

test("a step before what it needs says what, and asks why", () => {
  show({ waits_for: ["Cut the plate to size"] });
  expect(screen.getByText(/Comes after: Cut the plate to size/)).toBeVisible();
  expect(screen.getByLabelText("Why now, or why skipped")).toHaveValue("");
});

test("a failed try keeps the step open and does not go on", async () => {
  reply = { status: 200, body: { ...course, steps: [{ ...step, tries: 1 }, after] } };
  const next = show();
  await press("Done");
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(next).not.toHaveBeenCalled();
});

test("a done step is shown as it was noted, and can be reopened", async () => {
  reply = { status: 200, body: course };
  show({ status: "done", measured: { angle: 45, corners: false } });
  expect(screen.getByLabelText("Angle")).toHaveValue("45");
  expect(screen.getByLabelText("Corners")).toHaveValue("no");
  await press("Not done after all");
  await waitFor(() => expect(sent[0]?.body.act).toBe("reopen"));
});

test("what follows by itself leads where it is done", () => {
  show({ key: "plan-lines", by_itself: true, plans: "lines" });
  expect(screen.getByRole("button", { name: "Plan the lines" })).toBeVisible();
  expect(screen.queryByRole("button", { name: "Done" })).toBeNull();
});
