// Writes the application as plain files that any host can send: `npm run site`, or `npm run site -- /rooms/` for a folder of a host.
// A third word is the folder to write to. What the pages are told to allow is asked of the server itself, so that both say the same.
import { spawn } from 'node:child_process'
import { copyFileSync, cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { build, freePort, root, setup } from './lib.mjs'

/** No folder but one of this script has it. */
const MARK = 'letter-room.zip'
const [base = '/', folder = join(root, 'site')] = process.argv.slice(2)
if (!/^\/([\w.~-]+\/)*$/.test(base)) {
  console.error(`The folder of the host begins and ends with a slash, as in /rooms/: ${base} does not.`)
  process.exit(1)
}
// What is there is taken away first: only what this script has written, or nothing.
if (existsSync(folder) && readdirSync(folder).length > 0 && !existsSync(join(folder, MARK))) {
  console.error(`${folder} holds other files, which would be lost. Name a folder that is empty, or is not there.`)
  process.exit(1)
}
setup()
build()
const { writeServiceWorker } = await import('./serviceWorker.mjs')
const out = join(root, '.output')
const { pages, entry } = JSON.parse(readFileSync(join(out, 'pages.json'), 'utf8'))

/** The shell as the server sends it below that folder, with its headers. */
async function askServer() {
  const port = await freePort('127.0.0.1', 0)
  const server = spawn(process.execPath, [join(out, 'server/index.mjs')], {
    env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), NUXT_APP_BASE_URL: base, NUXT_PUBLIC_IS_SITE: 'true' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  try {
    // It says where it listens.
    await new Promise((resolve, reject) => {
      server.stdout.once('data', resolve)
      server.once('exit', code => reject(new Error(`the server ended with ${code}`)))
    })
    const answer = await fetch(`http://127.0.0.1:${port}${base}`)
    return { html: await answer.text(), headers: answer.headers }
  } finally {
    server.kill()
  }
}

const { html, headers } = await askServer()
const policy = headers.get('content-security-policy')
// A page cannot say of itself who may frame it: the file of headers says that.
const inPage = policy.replace(/;? *frame-ancestors [^;]*/, '')
const shell = html
  .replace('<meta charset="utf-8">', `$&<meta http-equiv="content-security-policy" content="${inPage}">`)
  .replace(/href="\/(favicon\.svg|room\.webmanifest|icon-192\.png)"/g, `href="${base}$1"`)
if (!shell.includes(inPage) || !shell.includes(`href="${base}favicon.svg"`)) throw new Error('the shell is not as it was')

rmSync(folder, { recursive: true, force: true })
cpSync(join(out, 'public'), folder, { recursive: true })
copyFileSync(join(root, '.demo', MARK), join(folder, MARK))
// Before the pages are there: offline the shell stands for all of them, and the demo room is fetched by who wants it.
await writeServiceWorker(folder, entry, url => url !== MARK)
const plain = pages.filter(each => !each.includes(':'))
for (const path of plain) {
  mkdirSync(join(folder, path), { recursive: true })
  writeFileSync(join(folder, path, 'index.html'), shell)
}
writeFileSync(join(folder, '404.html'), shell)

const NAMES = [
  'x-content-type-options',
  'referrer-policy',
  'x-frame-options',
  'cross-origin-opener-policy',
  'cross-origin-resource-policy',
  'permissions-policy',
  'content-security-policy',
]
const block = (path, lines) => [`${base}${path}`, ...lines.map(line => `  ${line}`)].join('\n')
writeFileSync(
  join(folder, '_headers'),
  `${[
    block(
      '*',
      NAMES.map(name => `${name}: ${headers.get(name)}`),
    ),
    block('_nuxt/*', ['cache-control: public, max-age=31536000, immutable']),
    block('sw.js', ['cache-control: no-cache']),
    ...plain.map(path => block(path.replace(/^\//, ''), [`cache-control: ${headers.get('cache-control')}`])),
  ].join('\n\n')}\n`,
)
console.log(`\nWritten to ${folder}, for the folder ${base} of a host.`)
