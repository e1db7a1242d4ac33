import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import { ApiError } from "../../api/client";
import { fakeServer, fault } from "../../testing/server";
import { alerts, press, rowsOf, show, type } from "../../testing/show";
import { NumberField, TextField, TickField } from "./Fields";
import { FormFoot } from "./FormFoot";
import { number, shapeOf, temperature, text, yes } from "./shape";
import { useForm } from "./useForm";
import type { Theirs } from "./useSending";

const SHAPE = shapeOf("BathIn", {
  name: text("Name"),
  volume_l: number("Volume"),
  temperature_c: temperature("Temperature"),
  fumes_known: yes("Extraction is on"),
});
const START = { name: "", volume_l: "", temperature_c: "20", fumes_known: false };

type Given = {
  send?: (body: unknown, sent: { id: string; version: number }) => Promise<unknown>;
  theirs?: () => Promise<Theirs>;
  keepAs?: string;
};
const sent = vi.fn(async (_body: unknown, _sent: { id: string; version: number }) => ({}));

function Trial({ send = sent, theirs, keepAs }: Given) {
  const form = useForm(SHAPE, { start: START, version: 3, send, theirs, keepAs });
  return (
    <form noValidate onSubmit={form.submit}>
      <TextField form={form} name="name" />
      <NumberField form={form} name="volume_l" step={0.5} />
      <NumberField form={form} name="temperature_c" />
      <TickField form={form} name="fumes_known" />
      <FormFoot form={form} submit="Keep" />
    </form>
  );
}

beforeEach(() => {
  fakeServer();
  sent.mockClear();
});

test("several faults stand each at its field, and nothing is sent until all are mended", async () => {
  show(<Trial />);
  await type("Volume", "9999");
  await type("Temperature", "180");
  await press("Keep");
  expect(alerts()).toEqual([
    "Name: nothing is written yet.",
    "Volume: 9999 is not between 0.01 and 2000 L.",
    "Temperature: 180 is not between 0 and 60 °C.",
  ]);
  expect(screen.getByLabelText("Volume")).toBeInvalid();
  await type("Name", "Amber");
  await type("Volume", "4,5");
  await type("Temperature", "18.5");
  await waitFor(() => expect(alerts()).toEqual([]));
  await press("Keep");
  await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
  expect(sent.mock.calls[0]?.[0]).toEqual({
    name: "Amber",
    volume_l: 4.5,
    temperature_c: 18.5,
    fumes_known: false,
  });
});

test("in °F the limits are told in °F and what is sent is in °C", async () => {
  show(<Trial />, { temperature_unit: "F" });
  await type("Name", "Amber");
  await type("Volume", "4");
  await type("Temperature", "150");
  await press("Keep");
  expect(alerts()).toEqual(["Temperature: 150 is not between 32 and 140 °F."]);
  await type("Temperature", "68");
  await press("Keep");
  await waitFor(() => expect(sent).toHaveBeenCalled());
  expect(sent.mock.calls[0]?.[0]).toMatchObject({ temperature_c: 20 });
});

test("arrow keys step a figure, Shift ten times", async () => {
  show(<Trial />);
  await type("Volume", "4,5");
  await userEvent.keyboard("{ArrowUp}{ArrowUp}{Shift>}{ArrowDown}{/Shift}");
  expect(screen.getByLabelText("Volume")).toHaveValue("0.5");
});

test("faults of the server stand at their fields; the rest is told below; typing clears one", async () => {
  const send = async () => {
    throw new ApiError(422, fault("volume_l", "volume_l: too much for this tray."), [
      fault("volume_l", "volume_l: too much for this tray."),
      fault("", "The room is full."),
    ]);
  };
  show(<Trial send={send} />);
  await type("Name", "Amber");
  await type("Volume", "40");
  await press("Keep");
  await waitFor(() =>
    expect(alerts()).toEqual(["Volume: too much for this tray.", "The room is full."]),
  );
  expect(screen.getByLabelText("Name")).toHaveValue("Amber");
  await type("Volume", "4");
  expect(alerts()).toEqual(["The room is full."]);
});

test("pressed twice is sent once", async () => {
  let finish = (_: unknown) => {};
  const send = vi.fn(
    () =>
      new Promise((resolve) => {
        finish = resolve;
      }),
  );
  show(<Trial send={send} />);
  await type("Name", "Amber");
  await type("Volume", "4");
  await userEvent.keyboard("{Enter}{Enter}");
  expect(screen.getByRole("button", { name: "Keep" })).toBeDisabled();
  finish({});
  await waitFor(() => expect(screen.getByRole("button", { name: "Keep" })).toBeEnabled());
  expect(send).toHaveBeenCalledTimes(1);
});

const stale = (version: number) =>
  new ApiError(409, fault("version", "It was changed meanwhile.", { allowed: String(version) }));
const THEIRS = {
  version: 7,
  values: { name: "Amber", volume_l: "6", temperature_c: "20", fumes_known: false },
};

async function collide(send: Given["send"]) {
  show(<Trial send={send} theirs={async () => THEIRS} />);
  await type("Name", "Amber");
  await type("Volume", "4");
  await press("Keep");
  return screen.findByRole("region", { name: "Changed meanwhile" });
}

test("where somebody else was first, mine and theirs stand side by side; mine goes over theirs", async () => {
  const send = vi.fn(async (_: unknown, { version }: { version: number }) => {
    if (version < 7) throw stale(7);
    return {};
  });
  const both = await collide(send);
  expect(rowsOf(within(both).getByRole("table"))).toEqual([
    ["What", "Yours", "Theirs"],
    ["Volume", "4", "6"],
  ]);
  await press("Keep mine");
  await waitFor(() => expect(send).toHaveBeenCalledTimes(2));
  expect(send.mock.calls[1]).toMatchObject([{ volume_l: 4 }, { version: 7 }]);
  expect(screen.queryByRole("region", { name: "Changed meanwhile" })).toBeNull();
});

test("or theirs is taken, and stands in the form", async () => {
  await collide(async () => {
    throw stale(7);
  });
  await press("Take theirs");
  expect(screen.getByLabelText("Volume")).toHaveValue("6");
});

const KEPT_AFTER_MS = 400;
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

test("what is typed is there again when one comes back, under the same id, until it is sent", async () => {
  const first = vi.fn(async (_: unknown, _sent: { id: string; version: number }) => {
    throw new Error("no line");
  });
  show(<Trial keepAs="trial" send={first} />);
  await type("Name", "Amber");
  await type("Volume", "4");
  await press("Keep");
  await wait(KEPT_AFTER_MS);
  cleanup();
  show(<Trial keepAs="trial" />);
  expect(screen.getByLabelText("Volume")).toHaveValue("4");
  expect(screen.getByText(/typed before stands here again/)).toBeInTheDocument();
  await press("Keep");
  await waitFor(() => expect(sent).toHaveBeenCalled());
  expect(sent.mock.calls[0]?.[1].id).toBe(first.mock.calls[0]?.[1].id);
  cleanup();
  show(<Trial keepAs="trial" />);
  expect(screen.getByLabelText("Volume")).toHaveValue("");
});

test("leaving at once keeps it too; starting afresh lets it go", async () => {
  show(<Trial keepAs="trial" />);
  await type("Name", "Amber");
  cleanup();
  show(<Trial keepAs="trial" />);
  expect(screen.getByLabelText("Name")).toHaveValue("Amber");
  await press("Start afresh");
  expect(screen.getByLabelText("Name")).toHaveValue("");
  cleanup();
  show(<Trial keepAs="trial" />);
  expect(screen.getByLabelText("Name")).toHaveValue("");
});

test("what was kept cannot be read: the form starts afresh", () => {
  localStorage.setItem("keen-typed::trial", "{");
  show(<Trial keepAs="trial" />);
  expect(screen.getByLabelText("Name")).toHaveValue("");
});
