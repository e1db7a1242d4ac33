import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { router } from "./frame/routes";
import { measureOffset } from "./run/clock";
import "./styles/index.css";
import { Toasts } from "./ui/Toast";

const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

measureOffset();
if ("serviceWorker" in navigator && import.meta.env.PROD) {
  navigator.serviceWorker.register("/sw.js").catch(() => {});
}

createRoot(document.getElementById("root") as HTMLElement).render(
  <QueryClientProvider client={client}>
    <Toasts>
      <RouterProvider router={router} />
    </Toasts>
  </QueryClientProvider>,
);
