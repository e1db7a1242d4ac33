import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { startTransition } from "react";
import { RouterProvider } from "react-router";
import { measureOffset } from "./device/clock";
import { updateBetweenBites } from "./device/update";
import { firstAnswers, pause } from "./frame/first";
import { makeRouter } from "./frame/routes";
import "./styles/index.css";
import { Toasts } from "./ui/Toast";

const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

/** React makes errors as constants while it loads: for their stacks the browser reads all of it again. */
async function loadReactDom() {
  const kept = Error.stackTraceLimit;
  Error.stackTraceLimit = 0;
  try {
    return await import("react-dom/client");
  } finally {
    Error.stackTraceLimit = kept;
  }
}

/** The worker fetches all of the application's files: after the page, not before it. */
function keepShell(): void {
  if (!("serviceWorker" in navigator) || !import.meta.env.PROD) return;
  navigator.serviceWorker.register("/sw.js").then(updateBetweenBites, () => {});
}

/** Step by step, with a pause between: no step holds the page up for long, and the drawing goes in slices. */
async function start(): Promise<void> {
  measureOffset();
  await pause();
  const router = makeRouter();
  const answers = firstAnswers(client, router.state.matches);
  const { createRoot } = await loadReactDom();
  await pause();
  const root = createRoot(document.getElementById("root") as HTMLElement);
  await answers;
  startTransition(() =>
    root.render(
      <QueryClientProvider client={client}>
        <Toasts>
          <RouterProvider router={router} />
        </Toasts>
      </QueryClientProvider>,
    ),
  );
  keepShell();
}

start();
