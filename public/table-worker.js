// Keeps the page at the table on the device, so that it opens without a connection. Everything else goes to the server as always.

const STORE = 'zl-table-1';
const PAGE = /^\/(racks\/\d+\/table|drills\/[a-z0-9-]+\/go)$/;
const PART = /^\/(v\/[^/]+\/)?(app|vendor)\//;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil((async () => {
    for (const name of await caches.keys()) if (name.startsWith('zl-table-') && name !== STORE) await caches.delete(name);
    await self.clients.claim();
})()));

async function fromServer(request) {
    const answer = await fetch(request);
    if (answer.ok) (await caches.open(STORE)).put(request, answer.clone());
    return answer;
}

async function kept(request) {
    return (await caches.open(STORE)).match(request, { ignoreVary: true });
}

self.addEventListener('fetch', (event) => {
    const { request } = event;
    const url = new URL(request.url);
    if (request.method !== 'GET' || url.origin !== self.location.origin) return;
    if (PAGE.test(url.pathname)) {
        event.respondWith(fromServer(request).catch(async () => (await kept(request)) ?? Response.error()));
    } else if (PART.test(url.pathname)) {
        event.respondWith(kept(request).then((known) => (known && url.pathname.startsWith('/v/') ? known : fromServer(request).catch(() => known ?? Response.error()))));
    }
});
