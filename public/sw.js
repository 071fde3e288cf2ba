/* Keeps the whole app at hand: with no server every screen still opens. Jobs are not here; they live in the store. Written here and not with a kit: the parts of workbox that do this weigh 5.7 kB gzip to this file's 0.9, and know no page kept under its path whatever its job. */
const PREFIX = "tastatura-";

async function precache() {
  const answer = await fetch("/precache.json", { cache: "no-store" });
  if (!answer.ok) throw new Error(`precache.json: ${answer.status}`);
  const { build, files, pages } = await answer.json();
  const cache = await caches.open(PREFIX + build);
  await cache.addAll(files);
  await Promise.all(pages.map(async (page) => cache.put(page, await fetch(`${page}?job=any`, { cache: "no-store" }))));
  return build;
}

self.addEventListener("install", (event) => event.waitUntil(precache()));

self.addEventListener("activate", (event) =>
  event.waitUntil(
    (async () => {
      const { build } = await (await fetch("/precache.json", { cache: "no-store" })).json();
      for (const name of await caches.keys())
        if (name.startsWith(PREFIX) && name !== PREFIX + build) await caches.delete(name);
      await self.clients.claim();
    })(),
  ),
);

self.addEventListener("message", (event) => event.data === "take over" && self.skipWaiting());

/* A kept answer carries the address it was kept under; a worker started from it would lose the fragment of its own. */
function unnamed(kept) {
  return new Response(kept.body, { status: kept.status, headers: kept.headers });
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const address = new URL(request.url);
  if (request.method !== "GET" || address.origin !== self.location.origin) return;
  if (address.pathname.startsWith("/api/") || address.pathname === "/precache.json") return;
  if (address.pathname.startsWith("/_next/static/") || address.pathname.startsWith("/demo/"))
    return event.respondWith(
      caches.match(request, { ignoreSearch: true }).then((kept) => (kept ? unnamed(kept) : fetch(request))),
    );
  if (request.mode === "navigate")
    event.respondWith(fetch(request).catch(async () => (await caches.match(address.pathname)) ?? Response.error()));
  else event.respondWith(fetch(request).catch(async () => (await caches.match(request)) ?? Response.error()));
});
