import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Proof } from "../../api/proofs";
import { fakeServer, fault, listed, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, rowsOf, type } from "../../testing/show";

const LANTERN = plateId("Lantern Row");
const RAIN = plateId("Rain on Awnings");
const proof = told<{ items: Proof[] }>(`/proofs?plate=${RAIN}`).items[0] as Proof;

async function hanging(plate = LANTERN) {
  const server = fakeServer({ "POST /proofs": { body: proof }, "POST /files": { body: {} } });
  const page = openAt(`/plates/${plate}/proofs/new`);
  await screen.findByRole("heading", { name: "Hang a proof" });
  return { server, ...page };
}

test("a proof is logged with how it was printed and the tones that were read", async () => {
  const { server, at } = await hanging();
  await type("Paper", "rag 250");
  await type("Soak", "30,5");
  await type("Tone 1, L* read", "85");
  await type("Tone 3, L* read", "52,5");
  await pick("Foul bite on it?", "yes, unwanted pits");
  await userEvent.click(screen.getByLabelText("OK to print"));
  await press("Log State II");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}/proofs`));
  expect(server.last().body).toMatchObject({
    plate: LANTERN,
    paper: "rag 250",
    soak_minutes: 30.5,
    passes: 1,
    foul_bite: true,
    ok_to_print: true,
    same_state: false,
    picture: null,
    tones: [
      { area: "Tone 1", read_lstar: 85 },
      { area: "Tone 3", read_lstar: 52.5 },
    ],
  });
});

test("every fault stands at its field, the tones' too, never as a path", async () => {
  const { server } = await hanging();
  await type("Soak", "9999");
  await type("Passes through the press", "");
  await type("Tone 2, L* read", "180");
  await press("Log State II");
  const said = alerts().join(" ");
  expect(said).toContain("Soak: 9999 is not between 0 and 2880 min.");
  expect(said).toContain("Passes through the press: nothing is written yet.");
  expect(said).toContain("L* read: 180 is not between 0 and 105 L*.");
  expect(said).not.toMatch(/tones\.|_lstar/);
  expect(screen.getByLabelText("Tone 2, L* read")).toBeInvalid();
  expect(server.sent).toEqual([]);
});

test("what the server refuses of a tone stands at that tone, unread ones between or not", async () => {
  const { server } = await hanging();
  await type("Tone 2, L* read", "80");
  await type("Tone 4, L* read", "70");
  server.answer(
    "POST /proofs",
    refuse(422, fault("tones.1.read_lstar", "tones.1.read_lstar: lighter than the tone before.")),
  );
  await press("Log State II");
  await waitFor(() => expect(screen.getByLabelText("Tone 4, L* read")).toBeInvalid());
  expect(alerts().join()).not.toContain("tones.1");
});

test("a picture goes first; one that is refused says so, and nothing typed is lost", async () => {
  const { server } = await hanging();
  await type("Paper", "rag 250");
  const input = screen.getByLabelText("Picture of the proof");
  await userEvent.upload(input, new File(["x"], "proof.png", { type: "image/png" }));
  expect(screen.getByAltText("The proof you chose")).toBeInTheDocument();
  server.answer("POST /files", refuse(422, fault("file", "This is not a picture.")));
  await press("Log State II");
  await waitFor(() => expect(alerts().join()).toContain("This is not a picture."));
  expect(input).toBeInvalid();
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
  server.answer("POST /files", { body: {} });
  await press("Log State II");
  await waitFor(() => expect(server.last().call).toBe("POST /proofs"));
  expect(server.last().body.picture).toMatch(/^[0-9a-f-]{36}$/);
});

test("a line that drops while one writes leaves the form and its picture where they are", async () => {
  const { server } = await hanging();
  await type("Paper", "rag 250");
  const input = screen.getByLabelText("Picture of the proof") as HTMLInputElement;
  await userEvent.upload(input, new File(["x"], "proof.png", { type: "image/png" }));
  server.cutLine(true);
  window.dispatchEvent(new Event("visibilitychange"));
  await press("Log State II");
  await waitFor(() => expect(alerts().join()).toMatch(/No line|went wrong/));
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
  expect(screen.getByAltText("The proof you chose")).toBeInTheDocument();
});

test("a plate that cannot be asked for again keeps what is written on its page", async () => {
  const { server, client } = await hanging();
  await type("Paper", "rag 250");
  server.answer(`GET /plates/${LANTERN}`, { status: 500 });
  await client.refetchQueries();
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
});

test("a part planned elsewhere meanwhile leaves the form and its picture where they are", async () => {
  const { server, client } = await hanging();
  await type("Paper", "rag 250");
  const input = screen.getByLabelText("Picture of the proof") as HTMLInputElement;
  await userEvent.upload(input, new File(["x"], "proof.png", { type: "image/png" }));
  const plate = told<{ planned: string[] }>(`/plates/${LANTERN}`);
  let asked = false;
  server.answer(`GET /plates/${LANTERN}`, {
    body: { ...plate, planned: [...plate.planned, "textures"] },
  });
  server.answer(`GET /plates/${LANTERN}/plan?part=textures`, () => {
    asked = true;
    return new Promise(() => {});
  });
  void client.refetchQueries();
  await waitFor(() => expect(asked).toBe(true));
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
  expect(screen.getByAltText("The proof you chose")).toBeInTheDocument();
});

test("pulled again from the same state, the state does not move on", async () => {
  await hanging();
  expect(screen.getByRole("button", { name: "Log State II" })).toBeVisible();
  await userEvent.click(screen.getByLabelText("Pulled again from the same state"));
  expect(screen.getByRole("button", { name: "Log State I" })).toBeVisible();
});

test("a plate of lines has no tones to read, and says so", async () => {
  await hanging(RAIN);
  expect(screen.getByText(/No tones were planned on this plate/)).toBeVisible();
});

test("proofs hang on their line; the chosen one says what its tones ask for", async () => {
  fakeServer();
  openAt(`/plates/${LANTERN}/proofs`);
  expect(await screen.findByRole("heading", { name: /^State I/ })).toBeVisible();
  const shown = told<{ items: Proof[] }>(`/proofs?plate=${LANTERN}`).items[0] as Proof;
  if (shown.tones.length > 0) {
    const rows = rowsOf(within(screen.getByRole("main")).getByRole("table"));
    expect(rows).toHaveLength(shown.tones.length + 1);
  } else expect(screen.getByText("No tones were read off this proof.")).toBeVisible();
});

const tone = (area: string, wanted: number | null, read: number) => ({
  area,
  parts: "",
  wanted_lstar: wanted,
  expected_lstar: wanted,
  read_lstar: read,
});

test("each area says how far off it is and what to do next, in a word", async () => {
  const advice = {
    first: "All a little light: more ink first.",
    areas: [
      { name: "Far", act: "bite", text: "Bite 1:40 more" },
      { name: "Near", act: "leave", text: "Leave it" },
    ],
  };
  const tones = [tone("Far", 50, 62), tone("Near", 30, 29), tone("Paper", null, 94)];
  const older = { ...proof, id: "older", state_number: 1, picture: null };
  const items = [{ ...proof, id: "newer", state_number: 2, tones, advice }, older];
  fakeServer({ [`GET /proofs?plate=${RAIN}`]: { body: listed(items) } });
  openAt(`/plates/${RAIN}/proofs`);
  expect(await screen.findByText("Bite 1:40 more")).toBeVisible();
  expect(screen.getByText("All a little light: more ink first.")).toBeVisible();
  const [, far, , paper] = rowsOf(within(screen.getByRole("main")).getByRole("table"));
  expect(far?.slice(1, 4)).toEqual(["50", "50", "62"]);
  expect(paper?.[1]).toBe("white");
  await userEvent.click(screen.getByRole("button", { name: /State I,/ }));
  expect(await screen.findByRole("heading", { name: /^State I(,|$)/ })).toBeVisible();
});

test("the advice to bite makes its plan; where it cannot, it says why", async () => {
  const advice = { first: null, areas: [{ name: "Far", act: "bite", text: "Bite 1:40 more" }] };
  const items = [{ ...proof, id: "newer", tones: [tone("Far", 50, 62)], advice }];
  const call = `POST /plates/${RAIN}/plan/bite-on`;
  const server = fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed(items) },
    [call]: refuse(422, fault("plate", "Its bites are not all made.")),
  });
  const { at } = openAt(`/plates/${RAIN}/proofs`);
  await press(/^Plan this bite/);
  await waitFor(() => expect(alerts()).toEqual(["Its bites are not all made."]));
  server.answer(call, { body: { part: "lines" } });
  await press(/^Plan this bite/);
  await waitFor(() => expect(at()).toBe(`/plates/${RAIN}/plan/lines`));
  expect(server.sent.find((each) => each.call === call)?.body).toEqual({
    proof: "newer",
    area: "Far",
  });
});

test("no proof yet: what one would show", async () => {
  fakeServer();
  openAt(`/plates/${plateId("Steam Stall")}/proofs`);
  expect(await screen.findByRole("heading", { name: "No proof yet" })).toBeVisible();
});
