// Keeps the application's own files, so that a page opens at the bath with no network. Data never
// pass through here: the application keeps runs and events itself.
const SHELL = "keen-shell-1";

self.addEventListener("install", (event) => {
  event.waitUntil(keepShell().then(() => self.skipWaiting()));
});

self.addEventListener("activate", (event) => {
  event.waitUntil(dropOld().then(() => self.clients.claim()));
});

self.addEventListener("fetch", (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== "GET" || url.origin !== location.origin) return;
  if (url.pathname.startsWith("/api/")) return;
  if (event.request.mode === "navigate") event.respondWith(page(event.request));
  else if (url.pathname.startsWith("/assets/")) event.respondWith(asset(event.request));
});

async function keepShell() {
  const cache = await caches.open(SHELL);
  const files = await (await fetch("/shell.json", { cache: "no-store" })).json();
  await cache.addAll(["/", ...files]);
}

async function dropOld() {
  const cache = await caches.open(SHELL);
  const reply = await fetch("/shell.json", { cache: "no-store" }).catch(() => null);
  if (!reply?.ok) return;
  const wanted = new Set(["/", ...(await reply.json())]);
  for (const request of await cache.keys()) {
    if (!wanted.has(new URL(request.url).pathname)) await cache.delete(request);
  }
}

async function page(request) {
  const cache = await caches.open(SHELL);
  try {
    const fresh = await fetch(request);
    if (fresh.ok) await cache.put("/", fresh.clone());
    return fresh;
  } catch {
    return (await cache.match("/")) ?? Response.error();
  }
}

async function asset(request) {
  const cache = await caches.open(SHELL);
  const kept = await cache.match(request);
  if (kept) return kept;
  const fresh = await fetch(request);
  if (fresh.ok) await cache.put(request, fresh.clone());
  return fresh;
}
