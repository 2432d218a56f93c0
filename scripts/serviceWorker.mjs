import { createHash } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { generateSW } from 'workbox-build'

/** The lexicon is the largest file there is. */
const MOST_BYTES = 10_000_000

/**
 * Writes the service worker into what is served: it keeps every file of this build in the browser, and the shell, so that all of it
 * works with no network. A newer one waits until it is asked to take over.
 */
export async function writeServiceWorker(publicDir) {
  const files = readdirSync(`${publicDir}/_nuxt`).sort().join('\n')
  const { warnings } = await generateSW({
    globDirectory: publicDir,
    globPatterns: ['**/*'],
    swDest: `${publicDir}/sw.js`,
    // The shell names the files, and nothing else of it changes.
    additionalManifestEntries: [{ url: '/', revision: createHash('sha256').update(files).digest('hex') }],
    navigateFallback: '/',
    navigateFallbackDenylist: [/^\/api\//],
    // Their names have their content in them.
    dontCacheBustURLsMatching: /^_nuxt\//,
    maximumFileSizeToCacheInBytes: MOST_BYTES,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    skipWaiting: false,
  })
  if (warnings.length > 0) throw new Error(warnings.join('\n'))
}
