import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const digest = content => createHash('sha256').update(content).digest('hex')
/** Every file that is served, with what tells one version of it from another; the names in `_nuxt` have their content in them. */
function filesOf(publicDir) {
  const urls = readdirSync(publicDir, { recursive: true, withFileTypes: true })
    .filter(entry => entry.isFile())
    .map(entry => relative(publicDir, join(entry.parentPath, entry.name)).replaceAll(sep, '/'))
    .filter(url => url !== 'sw.js')
    .sort()
  const shell = { url: '/', revision: digest(urls.filter(url => url.startsWith('_nuxt/')).join('\n')) }
  return [
    ...urls.map(url => ({ url, revision: url.startsWith('_nuxt/') ? null : digest(readFileSync(join(publicDir, url))) })),
    // It names the files, and nothing else of it changes.
    shell,
  ]
}

/**
 * Writes the service worker into what is served: it keeps every file of this build in the browser, and the shell, so that all of it
 * works with no network. A newer one waits until it is asked to take over.
 */
export async function writeServiceWorker(publicDir) {
  await build({
    entryPoints: [fileURLToPath(new URL('sw.mjs', import.meta.url))],
    outfile: join(publicDir, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    define: { FILES_OF_THIS_BUILD: JSON.stringify(filesOf(publicDir)), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  })
}
