import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Faults } from "../../api/exposures";
import { type Body, fakeServer, fault, refuse } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

const cause = (key: string, label: string, chance: number, speaks_for: string[] = []) => ({
  key,
  label,
  chance,
  why: "",
  now: "Expose another.",
  test: "Expose a wedge.",
  speaks_for,
});
const FAULTS = {
  causes: [
    cause("image-long", "Image exposed too long", 0.62, ["lights-lost"]),
    cause("wash-long", "Washed out too long", 0.21),
    cause("contact", "The film did not lie close", 0.01),
  ],
  next_test: "Expose a wedge.",
  sure: true,
  text: "Image exposed too long, most likely (62 %).",
} as unknown as Faults;
const CALL = "POST /api/calc/plate-faults";

/** A server that keeps what it was asked. */
const asking = () => {
  const asked: Body[] = [];
  const server = fakeServer({
    [CALL]: (body) => {
      asked.push(body);
      return { body: FAULTS };
    },
  });
  openAt("/exposure/wrong");
  return { asked, server };
};

const sign = async (label: string, answer: "yes" | "no") => {
  const row = await screen.findByRole("group", { name: label });
  await userEvent.click(within(row).getByRole("button", { name: answer }));
};
const LOST = "The lightest tones print as bare paper";

test("what is seen is answered in the first line, ranked, with the next test", async () => {
  const { asked } = asking();
  expect(
    await screen.findByRole("heading", { name: "What went wrong with the plate?" }),
  ).toBeVisible();
  await sign(LOST, "yes");
  expect(await screen.findByRole("heading", { name: FAULTS.text })).toBeVisible();
  expect(asked.at(-1)).toMatchObject({ seen: ["lights-lost"], not_seen: [] });
  expect(screen.getByText("For it: the lightest tones print as bare paper.")).toBeVisible();
  expect(screen.getByText("Expose a wedge.")).toBeVisible();
  expect(screen.queryByText("The film did not lie close")).toBeNull(); // 1 %
});

test("a no tells something, too; pressed again it is taken back", async () => {
  const { asked } = asking();
  await sign(LOST, "yes");
  await sign("Rings or drops, like dried water", "no");
  await waitFor(() => expect(asked.at(-1)).toMatchObject({ not_seen: ["rings"] }));
  await sign("Rings or drops, like dried water", "no");
  await sign(LOST, "yes");
  expect(
    await screen.findByRole("heading", { name: "What went wrong with the plate?" }),
  ).toBeVisible();
});

test("tones that were read are held against the pair's", async () => {
  const { asked } = asking();
  await userEvent.click(await screen.findByText(/What the four tones printed/));
  for (const [label, tone] of [
    ["Clear film", "93,1"],
    ["5 %", "93"],
    ["95 %", "28"],
    ["Solid", "24,4"],
  ] as const)
    await type(label, tone);
  await press("Take them in");
  await waitFor(() => expect(asked.at(-1)?.printed).toMatchObject({ paper_lstar: 93.1 }));
  expect(asked.at(-1)?.wanted).toHaveProperty("solid_lstar");
});

test("what cannot be reckoned says why, and what was ticked stays", async () => {
  const { server } = asking();
  server.answer(CALL, refuse(422, fault("seen", "Say what is seen on the plate.")));
  await sign(LOST, "yes");
  await waitFor(() => expect(alerts().join()).toContain("Say what is seen"));
  const row = screen.getByRole("group", { name: LOST });
  expect(within(row).getByRole("button", { name: "yes" })).toHaveAttribute("aria-pressed", "true");
});
