import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const digest = content => createHash('sha256').update(content).digest('hex')
/** As browsers check what they fetch (Subresource Integrity). */
const integrityOf = content => `sha384-${createHash('sha384').update(content).digest('base64')}`
/**
 * Every file that is served, with its digest and what tells one version of it from another; the names in `_nuxt` have their content in
 * them.
 */
function filesOf(publicDir, isKept) {
  const urls = readdirSync(publicDir, { recursive: true, withFileTypes: true })
    .filter(entry => entry.isFile())
    .map(entry => relative(publicDir, join(entry.parentPath, entry.name)).replaceAll(sep, '/'))
    .filter(url => url !== 'sw.js' && isKept(url))
    .sort()
  const shell = { url: './', revision: digest(urls.filter(url => url.startsWith('_nuxt/')).join('\n')) }
  return [
    ...urls.map(url => {
      const content = readFileSync(join(publicDir, url))
      return { url, revision: url.startsWith('_nuxt/') ? null : digest(content), integrity: integrityOf(content) }
    }),
    // It names the files, and nothing else of it changes.
    shell,
  ]
}

/**
 * Writes the service worker into what is served: it keeps every file of this build in the browser, and the shell, so that all of it
 * works with no network. A newer one waits until it is asked to take over. `entry`: the file that the shell loads first. `isKept`: which
 * files are kept; the shell always is.
 */
export async function writeServiceWorker(publicDir, entry, isKept = () => true) {
  // Without a name every page would be taken for the shell.
  if (!entry) throw new Error('the build names no file that the shell begins with')
  await build({
    entryPoints: [fileURLToPath(new URL('sw.mjs', import.meta.url))],
    outfile: join(publicDir, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    define: {
      FILES_OF_THIS_BUILD: JSON.stringify(filesOf(publicDir, isKept)),
      ENTRY_OF_THIS_BUILD: JSON.stringify(entry),
      'process.env.NODE_ENV': '"production"',
    },
    logLevel: 'warning',
  })
}
