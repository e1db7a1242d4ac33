import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Fault } from "../api/client";
import { fakeServer, listed } from "./server";
import { openAt } from "./show";

type Reading = { call: string; of: string; result?: object; fault?: Fault };

const PICTURE = { id: "scan", width_px: 1000, height_px: 800 };

/** Send a scan on a page that reads one; its task is done, or failed, at once. */
export async function readFrom(path: string, button: string, { call, of, result, fault }: Reading) {
  const task = {
    id: "task",
    kind: "",
    about: "",
    given: {},
    state: fault ? "failed" : "done",
    progress: 1,
    turn: 1,
    result: result ?? null,
    fault: fault ?? null,
    created_at: new Date().toISOString(),
    ended_at: null,
  };
  const server = fakeServer({
    "POST /files": { body: PICTURE },
    [call]: { body: task },
    [`GET /tasks?${of}`]: { body: listed([task]) },
    "POST /proofs": { body: {} },
    "POST /strips": { body: { id: "made" } },
  });
  const page = openAt(path);
  await screen.findByRole("button", { name: button });
  const file = new File(["x"], "scan.jpg", { type: "image/jpeg" });
  await userEvent.upload(screen.getByLabelText(button, { selector: "input" }), file);
  return { server, ...page };
}
