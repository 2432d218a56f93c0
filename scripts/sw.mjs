// The service worker: keeps every file of this build, and answers with the shell at every address of a page.
import { cacheNames, clientsClaim } from 'workbox-core'
import { addPlugins, cleanupOutdatedCaches, createHandlerBoundToURL, getCacheKeyForURL, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

const files = FILES_OF_THIS_BUILD
/** Where this worker lies: at the root of a host, or below it. */
const { pathname: SHELL } = new URL('./', self.location.href)

/**
 * A version is whole or it is not taken. The browser checks each file against its digest; the shell is made by the server, and is the right
 * one if it loads what this build begins with. A page that says, with a 200, that a file is missing is neither.
 */
async function isRight(url, response) {
  if (response.status !== 200) return false
  if (new URL(url).pathname !== SHELL) return true
  const isPage = (response.headers.get('content-type') ?? '').includes('text/html')
  return isPage && (await response.clone().text()).includes(ENTRY_OF_THIS_BUILD)
}

/** Fetches what is missing: a browser may clear what it keeps for a page, and leave the worker. */
async function fetchMissing() {
  const cache = await caches.open(cacheNames.precache)
  const kept = new Set((await cache.keys()).map(({ url }) => url))
  for (const { url, integrity } of files) {
    const key = getCacheKeyForURL(url)
    if (!key || kept.has(key)) continue
    const response = await fetch(url, { cache: 'reload', ...(integrity ? { integrity } : {}) })
    if (await isRight(response.url, response)) await cache.put(key, response)
  }
}

self.addEventListener('message', event => {
  if (event.data?.type === 'SKIP_WAITING') self.skipWaiting()
  // With no network there will be another start.
  if (event.data?.type === 'FETCH_MISSING') event.waitUntil(fetchMissing().catch(() => undefined))
})
clientsClaim()
addPlugins([{ cacheWillUpdate: async ({ request, response }) => ((await isRight(request.url, response)) ? response : null) }])
precacheAndRoute(files)
cleanupOutdatedCaches()

const shell = createHandlerBoundToURL(SHELL)
/**
 * The shell as it was kept, and a page that is left is not put by for the way back: WebKit would leave open what it was reading, and with
 * it the storage of every page after it (see app/db/leaving.ts).
 */
async function notPutBy(options) {
  const { body, status, headers } = await shell(options)
  return new Response(body, { status, headers: { ...Object.fromEntries(headers), 'cache-control': 'no-store' } })
}
registerRoute(new NavigationRoute(notPutBy, { denylist: [/^\/api\//] }))
