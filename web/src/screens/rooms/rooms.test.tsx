import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, fault, refuse, told } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

type Member = { user: string; name: string };
const members = told<Member[]>("/members");
const printer = members.find((each) => each.name === "Printer") as Member;
const row = () => screen.findByRole("row", { name: /Printer/ });

test("a keeper changes a role, lets a member go, and hands over links", async () => {
  const server = fakeServer({
    [`PUT /members/${printer.user}`]: { body: {} },
    [`DELETE /members/${printer.user}`]: { body: {} },
    "POST /links": { body: { path: "/link/abc" } },
  });
  openAt("/members");
  const role = within(await row()).getByRole("group", { name: "Role of Printer" });
  await userEvent.click(within(role).getByRole("button", { name: "keeper" }));
  await waitFor(() => expect(server.last().body).toEqual({ role: "keeper" }));
  await press("Invite a printer");
  expect(await screen.findByText(/\/link\/abc$/)).toBeVisible();
  await userEvent.click(within(await row()).getByRole("button", { name: "New password" }));
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ kind: "reset", user: printer.user }),
  );
  await userEvent.click(within(await row()).getByRole("button", { name: "Let go" }));
  await waitFor(() => expect(server.last().call).toBe(`DELETE /members/${printer.user}`));
});

test("the last keeper cannot go, and the page says so", async () => {
  fakeServer({ "POST /links": refuse(409, fault("", "A room needs a keeper.")) });
  openAt("/members");
  await press("Invite a keeper");
  await waitFor(() => expect(alerts()).toEqual(["A room needs a keeper."]));
});

test("a printer sees who is there and changes nothing but their own units", async () => {
  const server = fakeServer({ "PUT /api/session/units": { body: {} } });
  openAt("/members", { role: "printer" });
  expect((await screen.findAllByText("keeper@lantern-quay"))[0]).toBeVisible();
  expect(screen.queryByRole("button", { name: "Let go" })).toBeNull();
  await press("inches");
  await waitFor(() =>
    expect(server.last().body).toEqual({ length_unit: "in", temperature_unit: "C" }),
  );
  await press("°F");
  await waitFor(() =>
    expect(server.last().body).toEqual({ length_unit: "mm", temperature_unit: "F" }),
  );
});

test("links that can still be used are seen, and taken back", async () => {
  let left = [
    { id: "a", kind: "invite", role: "keeper", name: "", made_by: "Keeper" },
    { id: "b", kind: "reset", role: "", name: "Printer", made_by: "Keeper" },
  ].map((each) => ({ ...each, expires_at: "2026-11-28T10:00:00Z" }));
  const server = fakeServer({
    "GET /links": () => ({ body: left }),
    "DELETE /links/a": () => {
      left = left.filter((each) => each.id !== "a");
      return { body: {} };
    },
  });
  openAt("/members");
  expect(await screen.findByText("A new password for Printer")).toBeVisible();
  await press("Take back: An invitation of a keeper");
  await waitFor(() => expect(screen.queryByText("An invitation of a keeper")).toBeNull());
  expect(server.sent.some((each) => each.call === "DELETE /links/a")).toBe(true);
});

test("a link that cannot be taken back any more says so", async () => {
  const link = { id: "a", kind: "reset", role: "", name: "Printer", made_by: "Keeper" };
  fakeServer({
    "GET /links": { body: [{ ...link, expires_at: "2026-11-28T10:00:00Z" }] },
    "DELETE /links/a": refuse(404, fault("", "That link is not here.")),
  });
  openAt("/members");
  await press("Take back: A new password for Printer");
  await waitFor(() => expect(alerts()).toEqual(["That link is not here."]));
});

const LINK = "/api/links/tok";
const invite = { kind: "invite", room: "Lantern Quay", role: "printer", name: "" };

async function linked(link: object) {
  const server = fakeServer({ [`GET ${LINK}`]: { body: link }, [`POST ${LINK}`]: { body: {} } });
  const { router } = openAt("/nowhere");
  await router.navigate("/link/tok");
  return { server, router };
}

test("an invited person gives a name and a password; what is missing is told at each", async () => {
  const { server, router } = await linked(invite);
  expect(await screen.findByRole("heading", { name: "Join Lantern Quay" })).toBeVisible();
  await press("Join");
  expect(alerts()).toEqual([
    "Your name, as others see it: nothing is written yet.",
    "Sign-in name: nothing is written yet.",
    "Password: nothing is written yet.",
  ]);
  await type("Your name, as others see it", "Student");
  await type("Sign-in name", "student@quay");
  await type("Password", "a-long-password");
  await press("Join");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.last().body).toEqual({
    name: "Student",
    sign_in: "student@quay",
    password: "a-long-password",
  });
  await waitFor(() => expect(router.state.location.pathname).not.toBe("/link/tok"));
});

test("a new password that is too common is told at the field, and is never kept here", async () => {
  const { server } = await linked({ ...invite, kind: "reset", name: "Printer" });
  server.answer(`POST ${LINK}`, refuse(422, fault("password", "This password is too common.")));
  await type("Password", "password123");
  await press("Set it");
  await waitFor(() => expect(alerts()).toEqual(["Password: This password is too common."]));
  expect(JSON.stringify({ ...localStorage })).not.toContain("password123");
});

test("a link that was used says so", async () => {
  fakeServer({ [`GET ${LINK}`]: refuse(404, fault("", "This link was used, or is too old.")) });
  const { router } = openAt("/nowhere");
  await router.navigate("/link/tok");
  await waitFor(() => expect(alerts()).toEqual(["This link was used, or is too old."]));
});
