import { screen, waitFor } from "@testing-library/react";
import { vi } from "vitest";
import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { fakeServer, fault, refuse } from "../../../testing/server";
import { alerts, pick, press, show, type } from "../../../testing/show";
import { StepForm } from "./StepForm";

const step = {
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
    { key: "needle", label: "Needle", kind: "text", unit: "", options: [], low: 0, high: 0 },
  ],
} as unknown as CourseStep;
const after = { ...step, id: "polish", key: "polish", title: "Polish" };
const course = { version: 3, steps: [step, after], can_add: { buff: "Buff" } } as unknown as Course;
const plate = { id: "p", processes: [{ key: "lines", many: "the lines" }] } as Plate;
const CALL = "POST /plates/p/course";
const now = (part: Partial<CourseStep>, more: CourseStep[] = []) => ({
  body: { ...course, steps: [{ ...step, ...part }, after, ...more] },
});

function open(part: Partial<CourseStep> = {}, answer = now({ status: "done" })) {
  const server = fakeServer({ [CALL]: answer });
  const next = vi.fn();
  show(<StepForm plate={plate} course={course} step={{ ...step, ...part }} next={next} />);
  return { server, next };
}

test("numbers go as numbers, yes as true, and what is empty does not go", async () => {
  const { server, next } = open();
  await type("Angle", "45,5");
  await pick("Corners", "yes");
  await press("Done");
  await waitFor(() => expect(next).toHaveBeenCalledWith("polish"));
  expect(server.last().body).toMatchObject({
    act: "done",
    step: "bevel",
    version: 3,
    measures: { angle: 45.5, corners: true },
  });
  expect(server.last().body.measures).not.toHaveProperty("film");
});

test("done with nothing noted is asked about once; then it is done", async () => {
  const { server, next } = open();
  await press("Done");
  expect(alerts().join()).toContain("Nothing is noted of angle, corners, film and needle.");
  expect(server.sent).toEqual([]);
  await press("Done all the same");
  await waitFor(() => expect(next).toHaveBeenCalledWith("polish"));
  expect(server.last().body).toMatchObject({ act: "done", measures: {} });
});

test("asked about it, what is noted then is sent with a plain Done", async () => {
  const { server } = open();
  await press("Done");
  await pick("Corners", "no");
  expect(alerts()).toEqual([]);
  await press("Done");
  await waitFor(() => expect(server.last().body).toMatchObject({ measures: { corners: false } }));
});

test("a step with nothing to note, or one done before, is not asked about", async () => {
  const { server } = open({ measures: [] });
  await press("Done");
  await waitFor(() => expect(server.last().body).toMatchObject({ act: "done" }));
});

test("a measure out of its limits is told at once, and what was typed stays", async () => {
  const { server, next } = open();
  await type("Angle", "95");
  await type(/Remark/, "by eye");
  await press("Done");
  expect(alerts()).toEqual(["Angle: 95 is not between 20 and 70 °."]);
  expect(screen.getByLabelText(/Remark/)).toHaveValue("by eye");
  expect([server.sent.length, next.mock.calls.length]).toEqual([0, 0]);
});

test("what the server refuses stands at its measure", async () => {
  const refused = refuse(422, fault("measures.needle", "That needle is not known here."));
  const { next } = open({}, refused as never);
  await type("Needle", "12");
  await press("Done");
  await waitFor(() => expect(alerts()).toEqual(["Needle: That needle is not known here."]));
  expect(next).not.toHaveBeenCalled();
});

test("a step before what it needs says what, and asks why", async () => {
  open({ waits_for: ["Cut the plate to size"] });
  expect(screen.getByText(/Comes after: Cut the plate to size/)).toBeVisible();
  expect(screen.getByLabelText("Why now, or why skipped")).toHaveValue("");
});

test("a failed try keeps the step open and does not go on", async () => {
  const { server, next } = open({}, now({ tries: 1 }));
  await pick("Corners", "no");
  await press("Done");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(await screen.findByText("Bevel edges: again.")).toBeVisible();
  expect(next).not.toHaveBeenCalled();
});

test("a done step is shown as it was noted, and can be reopened", async () => {
  const { server } = open({ status: "done", measured: { angle: 45, corners: false } });
  expect(screen.getByLabelText("Angle")).toHaveValue("45");
  expect(screen.getByLabelText("Corners")).toHaveTextContent("no");
  await press("Not done after all");
  await waitFor(() => expect(server.last().body.act).toBe("reopen"));
});

test.each([
  ["Skip it", { act: "skip", keys: [], reason: "no bevel on film" }],
  ["Once more", { act: "again", keys: [], reason: "no bevel on film" }],
  ["Buff instead", { act: "swap", keys: ["buff"], reason: "" }],
])("%s is sent as it is, whatever the measures say", async (button, body) => {
  const { server, next } = open({ instead: ["buff"] }, now({}, [{ ...after, id: "new" }]));
  await type("Angle", "95");
  await type(/Remark/, "no bevel on film");
  await press(button);
  await waitFor(() => expect(server.last()?.body).toMatchObject(body));
  await waitFor(() => expect(next).toHaveBeenCalledWith("new"));
});

test("somebody changed the course meanwhile: both stand, and mine may go over theirs", async () => {
  const stale = refuse(409, fault("version", "Someone changed this course."));
  const { server } = open({}, stale as never);
  server.answer("GET /plates/p/course", {
    body: { ...course, version: 9, steps: [{ ...step, measured: { angle: 30 } }, after] },
  });
  await type("Angle", "45");
  await press("Done");
  expect(await screen.findByRole("region", { name: "Changed meanwhile" })).toHaveTextContent(
    "Angle4530",
  );
  server.answer(CALL, now({ status: "done" }));
  await press("Keep mine");
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ version: 9, measures: { angle: 45 } }),
  );
});

test("what follows by itself leads where it is done", () => {
  open({ key: "plan-lines", by_itself: true, plans: "lines" });
  expect(screen.getByRole("button", { name: "Plan the lines" })).toBeVisible();
  expect(screen.queryByRole("button", { name: "Done" })).toBeNull();
});
