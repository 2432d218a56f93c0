// The service worker: keeps every file of this build, and answers with the shell at every address of a page.
import { clientsClaim } from 'workbox-core'
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

self.addEventListener('message', ({ data }) => {
  if (data?.type === 'SKIP_WAITING') self.skipWaiting()
})
clientsClaim()
precacheAndRoute(FILES_OF_THIS_BUILD)
cleanupOutdatedCaches()
registerRoute(new NavigationRoute(createHandlerBoundToURL('/'), { denylist: [/^\/api\//] }))
