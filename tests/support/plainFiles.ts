import { readFile, stat } from 'node:fs/promises'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { extname, join, normalize } from 'node:path'

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.txt': 'text/plain; charset=utf-8',
  '.ttf': 'font/ttf',
  '.woff2': 'font/woff2',
  '.zip': 'application/zip',
  '.webmanifest': 'application/manifest+json',
}

/**
 * Sends the files of a folder below `base`, and knows nothing of what they are: a folder is sent as its index.html, at its address with a
 * slash behind it; what is none is 404.html. So do most hosts of plain files.
 */
export async function plainFiles(folder: string, base: string): Promise<{ readonly url: string; readonly server: Server }> {
  const server = createServer((request, response) => {
    void (async () => {
      const { pathname } = new URL(request.url ?? '/', 'http://host')
      const within = pathname.startsWith(base) ? normalize(decodeURIComponent(pathname.slice(base.length))) : '..'
      const path = join(folder, within)
      const found = within.startsWith('..') ? null : await stat(path).catch(() => null)
      if (found?.isDirectory() && !pathname.endsWith('/')) return response.writeHead(301, { location: `${pathname}/` }).end()
      const file = found?.isDirectory() ? join(path, 'index.html') : path
      const bytes = found && (await readFile(file).catch(() => null))
      if (bytes) return response.writeHead(200, { 'content-type': TYPES[extname(file)] ?? 'application/octet-stream' }).end(bytes)
      return response.writeHead(404, { 'content-type': TYPES['.html'] }).end(await readFile(join(folder, '404.html')))
    })()
  })
  await new Promise<void>(resolve => void server.listen(0, '127.0.0.1', resolve))
  return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}${base}`, server }
}
