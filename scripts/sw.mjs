// The service worker: keeps every file of this build, and answers with the shell at every address of a page.
import { cacheNames, clientsClaim } from 'workbox-core'
import { PrecacheController, PrecacheRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

const files = FILES_OF_THIS_BUILD
/** Where this worker lies: at the root of a host, or below it. */
const { href: SHELL, pathname: SHELL_PATH } = new URL('./', self.location.href)
/** A page that has not come up by then is taken for one that never will. A slow phone needs three seconds. */
const COMES_UP_MS = 10_000

/**
 * A version is whole or it is not taken. The browser checks each file against its digest; the shell is made by the server, and is the right
 * one if it loads what this build begins with. A page that says, with a 200, that a file is missing is neither.
 */
async function isRight(url, response) {
  if (response.status !== 200) return false
  if (new URL(url).pathname !== SHELL_PATH) return true
  const isPage = (response.headers.get('content-type') ?? '').includes('text/html')
  return isPage && (await response.clone().text()).includes(ENTRY_OF_THIS_BUILD)
}

const precache = new PrecacheController({
  plugins: [{ cacheWillUpdate: async ({ request, response }) => ((await isRight(request.url, response)) ? response : null) }],
})
precache.addToCacheList(files)
const OWN_SHELL = precache.getCacheKeyForURL(SHELL)

/** Fetches what is missing: a browser may clear what it keeps for a page, and leave the worker. */
async function fetchMissing() {
  const cache = await caches.open(cacheNames.precache)
  const kept = new Set((await cache.keys()).map(({ url }) => url))
  for (const { url, integrity } of files) {
    const key = precache.getCacheKeyForURL(url)
    if (!key || kept.has(key)) continue
    const response = await fetch(url, { cache: 'reload', ...(integrity ? { integrity } : {}) })
    if (await isRight(response.url, response)) await cache.put(key, response)
  }
}

/** Which versions came up, and which were left because they did not: by the address of their shell in the cache. */
const marks = () => caches.open('versions')
const markOf = async shell => (await (await marks()).match(shell))?.text()
const mark = async (shell, what) => (await marks()).put(shell, new Response(what))

/** The shell of the version that came up last, if that is not this one. */
async function earlierShell() {
  const shells = (await (await marks()).keys()).map(({ url }) => url).filter(url => url !== OWN_SHELL)
  for (const shell of shells) if ((await markOf(shell)) === 'up') return (await caches.open(cacheNames.precache)).match(shell)
  return undefined
}

/** Leaves this version for the one before it, if the page that was given it has not come up. */
async function leaveIfDown(clientId) {
  await new Promise(resolve => setTimeout(resolve, COMES_UP_MS))
  const page = await self.clients.get(clientId)
  // Closed by whoever opened it: that tells nothing.
  if (!page || (await markOf(OWN_SHELL)) === 'up' || !(await earlierShell())) return
  await mark(OWN_SHELL, 'left')
  await page.navigate(page.url)
}

const ownShell = precache.createHandlerBoundToURL(SHELL)
async function shellFor(options) {
  const state = await markOf(OWN_SHELL)
  const earlier = state === 'up' ? undefined : await earlierShell()
  if (earlier && state === 'left') return earlier
  if (earlier) options.event.waitUntil(leaveIfDown(options.event.resultingClientId))
  return ownShell(options)
}
/**
 * The shell as it was kept, and a page that is left is not put by for the way back: WebKit would leave open what it was reading, and with
 * it the storage of every page after it (see app/db/leaving.ts).
 */
async function notPutBy(options) {
  const { body, status, headers } = await shellFor(options)
  return new Response(body, { status, headers: { ...Object.fromEntries(headers), 'cache-control': 'no-store' } })
}
/** A file of an earlier version: its name has its content in it. */
async function earlierFile({ request }) {
  const cache = await caches.open(cacheNames.precache)
  return (await cache.match(request)) ?? fetch(request)
}

/** A page has come up. If it is of this version, what only earlier ones needed goes; if not, it is told that it is an earlier one. */
async function cameUp(event) {
  if (!event.data.entry?.endsWith(ENTRY_OF_THIS_BUILD)) {
    if ((await markOf(OWN_SHELL)) === 'left') event.source.postMessage({ type: 'LEFT' })
    return
  }
  if ((await markOf(OWN_SHELL)) === 'up') return
  await mark(OWN_SHELL, 'up')
  await precache.activate(event)
  const kept = await marks()
  for (const { url } of await kept.keys()) if (url !== OWN_SHELL) await kept.delete(url)
}
/** A version that was left is tried once more. */
async function tryAgain({ source }) {
  await (await marks()).delete(OWN_SHELL)
  await source.navigate(source.url)
}
const MESSAGES = {
  SKIP_WAITING: () => self.skipWaiting(),
  // With no network there will be another start.
  FETCH_MISSING: () => fetchMissing().catch(() => undefined),
  CAME_UP: cameUp,
  TRY_AGAIN: tryAgain,
}
self.addEventListener('message', event => event.waitUntil(MESSAGES[event.data?.type]?.(event)))
self.addEventListener('install', event => precache.install(event))
clientsClaim()
registerRoute(new NavigationRoute(notPutBy, { denylist: [/^\/api\//] }))
registerRoute(new PrecacheRoute(precache))
registerRoute(({ sameOrigin, url }) => sameOrigin && url.pathname.includes('/_nuxt/'), earlierFile)
