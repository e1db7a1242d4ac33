import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { measureOffset } from "./device/clock";
import { updateBetweenBites } from "./device/update";
import { makeRouter } from "./frame/routes";
import "./styles/index.css";
import { Toasts } from "./ui/Toast";

const router = makeRouter();
const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

measureOffset();
if ("serviceWorker" in navigator && import.meta.env.PROD) {
  navigator.serviceWorker.register("/sw.js").then(updateBetweenBites, () => {});
}

createRoot(document.getElementById("root") as HTMLElement).render(
  <QueryClientProvider client={client}>
    <Toasts>
      <RouterProvider router={router} />
    </Toasts>
  </QueryClientProvider>,
);
