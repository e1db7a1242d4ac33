// Keeps the application's own files, so that a page opens at the bath with no network. Data never
// pass through here: the application keeps runs and events itself.
//
// Each build has its own cache, named after its files. A new build is fetched beside the old one and
// waits; the page tells it to take over between bites, never in one. The build before stays, for
// pages that were opened with it.
const BUILD = "keen-shell-__BUILD__";
const KEPT_BUILDS = 2;

self.addEventListener("install", (event) => event.waitUntil(keepShell()));
self.addEventListener("activate", (event) => {
  event.waitUntil(dropOld().then(() => self.clients.claim()));
});
self.addEventListener("message", (event) => {
  if (event.data === "take-over") self.skipWaiting();
});

self.addEventListener("fetch", (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== "GET" || url.origin !== location.origin) return;
  if (url.pathname.startsWith("/api/")) return;
  if (event.request.mode === "navigate") event.respondWith(page(event.request));
  else if (url.pathname.startsWith("/assets/")) event.respondWith(asset(event.request));
});

async function keepShell() {
  const cache = await caches.open(BUILD);
  const files = await (await fetch("/shell.json", { cache: "no-store" })).json();
  await cache.addAll(["/", ...files]);
}

async function dropOld() {
  const names = (await caches.keys()).filter((name) => name.startsWith("keen-shell-"));
  const old = names.filter((name) => name !== BUILD).slice(0, -(KEPT_BUILDS - 1));
  await Promise.all(old.map((name) => caches.delete(name)));
}

async function page(request) {
  const kept = await (await caches.open(BUILD)).match("/");
  return kept ?? fetch(request);
}

async function asset(request) {
  const kept = await caches.match(request);
  if (kept) return kept;
  const fresh = await fetch(request);
  if (fresh.ok) await (await caches.open(BUILD)).put(request, fresh.clone());
  return fresh;
}
