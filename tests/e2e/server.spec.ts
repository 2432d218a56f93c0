import { spawn } from 'node:child_process'
import { mkdtemp, readdir, rm } from 'node:fs/promises'
import { connect, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test as journey } from '@playwright/test'

interface OwnServer {
  readonly url: string
  /** Where it keeps what it makes for a while. */
  readonly folder: string
  readonly stop: () => Promise<unknown>
}

/** Each of these journeys has a server of its own: what floods it keeps no other journey waiting. */
const test = journey.extend<{ readonly own: OwnServer; readonly baseURL: string }>({
  own: async ({ browserName: _any }, use, { parallelIndex }) => {
    const folder = await mkdtemp(join(tmpdir(), 'yondercrest-server-'))
    const port = 4600 + parallelIndex
    const env = { ...process.env, TMPDIR: folder, HOST: '127.0.0.1', PORT: String(port), NUXT_DEMO: 'true' }
    const server = spawn(process.execPath, ['.output/server/index.mjs'], { env, stdio: ['ignore', 'pipe', 'ignore'] })
    const ended = new Promise(resolve => server.once('exit', resolve))
    const stop = (): Promise<unknown> => {
      server.kill('SIGTERM')
      return ended
    }
    await new Promise(resolve => server.stdout.once('data', resolve))
    await use({ url: `http://127.0.0.1:${port}`, folder, stop })
    await stop()
    await rm(folder, { recursive: true })
  },
  baseURL: ({ own }, use) => use(own.url),
})

/** The routes of the server: bounded, validated, and nothing said of what is inside. */
test('the stand-in camera takes what it is asked, within bounds, and the same shot is the same photo', async ({ request }) => {
  const one = await request.get('/api/camera?seed=3&reference=card&megapixels=0.5')
  expect(one.status()).toBe(200)
  expect(one.headers()['content-type']).toBe('image/png')
  const first = await one.body()
  const again = await (await request.get('/api/camera?seed=3&reference=card&megapixels=0.5')).body()
  const other = await (await request.get('/api/camera?seed=4&reference=card&megapixels=0.5')).body()
  expect(first.equals(again)).toBe(true)
  expect(first.equals(other)).toBe(false)
  // Of its truth nothing goes out with the photo: a PNG of pixels alone.
  expect(first.subarray(1, 4).toString()).toBe('PNG')
  expect(first.toString('latin1')).not.toMatch(/widthMm|corners|pieces/)
  for (const query of [
    'megapixels=99',
    'megapixels=-1',
    'seed=1.5',
    'seed=x',
    'reference=map',
    'tilt=80',
    'trouble=fire',
    'seed=99999999999',
  ]) {
    const refused = await request.get(`/api/camera?${query}`)
    expect([query, refused.status()]).toEqual([query, 400])
    expect(await refused.text()).not.toMatch(/at .*\.(ts|mjs):\d+|node_modules/)
  }
})

test('many photos at once: the server goes on answering, tells when it is too much, and takes none for who has left', async ({
  request,
  baseURL,
}) => {
  const left = new AbortController()
  const large = (seed: number) =>
    fetch(`${baseURL}/api/camera?megapixels=12&seed=${seed}`, { signal: left.signal }).then(each => each.status)
  const photos = Array.from({ length: 30 }, (_, seed) => large(seed).catch(() => 0))
  // Something small is answered before the first of them is ready.
  const first = await Promise.race([
    ...photos.map(each => each.then(status => (status === 200 ? 'photo' : new Promise<never>(() => undefined)))),
    request.get('/api/start').then(() => 'start'),
  ])
  expect(first).toBe('start')
  const refused = photos.map(async photo => ((await photo) === 503 ? 503 : new Promise<never>(() => undefined)))
  expect(await Promise.race(refused)).toBe(503)
  left.abort()
  // All of them together would be minutes of work: it is free again, as nobody waits for them.
  await expect(async () => expect((await request.get('/api/camera?megapixels=0.5&seed=7')).status()).toBe(200)).toPass({ intervals: [50] })
  expect((await Promise.all(photos)).filter(status => status === 200).length).toBeLessThan(8)
})

test('a server asked for many photos at its start opens one camera, and leaves no folder behind when it ends', async ({ own }) => {
  const photos = Array.from({ length: 12 }, (_, seed) =>
    fetch(`${own.url}/api/camera?megapixels=0.5&seed=${seed}`).then(async each => [each.status, await each.arrayBuffer()]),
  )
  expect((await Promise.all(photos)).map(([status]) => status)).toContain(200)
  expect(await readdir(own.folder)).toHaveLength(1)
  await own.stop()
  expect(await readdir(own.folder)).toEqual([])
})

test('the demo room is a whole archive; nothing else is served, and nothing is taken in', async ({ request }) => {
  const room = await request.get('/api/demo-room')
  expect(room.status()).toBe(200)
  expect((await room.body()).subarray(0, 2).toString()).toBe('PK')
  expect(await (await request.get('/api/start')).json()).toMatchObject({ demo: true })
  for (const path of ['/api/demo-room', '/api/start', '/api/camera']) {
    for (const method of ['POST', 'PUT', 'DELETE'])
      expect([method, (await request.fetch(path, { method, data: 'x'.repeat(1000) })).status()]).toEqual([method, 405])
  }
  for (const path of ['/api/none', '/api', '/api/start/more']) expect([path, (await request.get(path)).status()]).toEqual([path, 404])
  for (const path of ['/api/none', '/api/../package.json', '/_nuxt/../../package.json'])
    expect(await (await request.get(path)).text()).not.toContain('"devDependencies"')
})

test('the practice machine takes a job and nothing else: bounded, checked, and kept by nobody', async ({ request }) => {
  const bytes = Buffer.alloc(200, 0xff).toString('base64')
  const job = {
    tapeWidthMm: 12,
    loadedWidthMm: 12,
    leftMm: 8000,
    beforeMm: 2,
    afterMm: 2,
    singlyAfterMm: 24,
    toCutterMm: 24,
    isChained: true,
    isFed: true,
    blankMm: 24,
    held: [],
    labels: [{ columns: 200, rows: 8, bytes, order: 1, lengthMm: (200 / 180) * 25.4 }],
  }
  const post = (data: unknown) => request.post('/api/label-printer', { data })
  const said = (await (await post(job)).json()) as { readonly strip: string }
  expect(said).toMatchObject({ ok: true, out: 1, held: 0, unprinted: 0 })
  expect(Buffer.from(said.strip, 'base64').subarray(1, 4).toString()).toBe('PNG')
  expect(await (await post({ ...job, loadedWidthMm: 9 })).json()).toMatchObject({ ok: false, fault: { code: 'otherTape' } })
  for (const wrong of [
    {},
    { ...job, tapeWidthMm: 13 },
    { ...job, leftMm: -1 },
    { ...job, labels: [{ ...job.labels[0], bytes: '<b>' }] },
    'x',
  ])
    expect([wrong, (await post(wrong)).status()]).toEqual([wrong, 400])
  expect((await post('x'.repeat(5_000_000))).status()).toBe(413)
  for (const method of ['GET', 'PUT', 'DELETE'])
    expect([method, (await request.fetch('/api/label-printer', { method })).status()]).toEqual([method, 405])
  // What is inside is checked like what is sent: 40 labels of 4000 x 400 dots in a few kilobytes are none.
  const held = Array.from({ length: 40 }, () => ({ columns: 4000, rows: 400, bytes: 'AAAA' }))
  expect([held.length, (await post({ ...job, held })).status()]).toEqual([40, 400])
  expect(await (await post({ ...job, held: held.slice(0, 2) })).json()).toMatchObject({ ok: false, fault: { code: 'notHeld' } })
})

test('many label jobs at once: the server goes on answering, and takes none for who has left', async ({ request, baseURL }) => {
  const labels = Array.from({ length: 280 }, (_, at) => ({
    columns: 200,
    rows: 80,
    bytes: Buffer.alloc(2000, at).toString('base64'),
    order: at + 1,
    lengthMm: (200 / 180) * 25.4,
  }))
  const mm = { beforeMm: 0, afterMm: 0, singlyAfterMm: 0, toCutterMm: 0, blankMm: 0, leftMm: 8000 }
  const body = JSON.stringify({ ...mm, tapeWidthMm: 24, loadedWidthMm: 24, isChained: true, isFed: true, held: [], labels })
  const left = new AbortController()
  const send = () =>
    fetch(`${baseURL}/api/label-printer`, { method: 'POST', body, headers: { 'content-type': 'application/json' }, signal: left.signal })
      .then(async each => [each.status, (await each.text()).length] as const)
      .catch(() => [0, 0] as const)
  const jobs = Array.from({ length: 100 }, send)
  const first = await Promise.race([...jobs.map(each => each.then(([status]) => status)), request.get('/api/start').then(() => 'start')])
  expect([503, 'start']).toContain(first)
  const some = await Promise.all(jobs)
  expect(some.filter(([status]) => status === 503).length).toBeGreaterThan(50)
  expect(some.filter(([status, length]) => status === 200 && length > 10_000).length).toBeGreaterThan(3)
  const others = Array.from({ length: 30 }, send)
  left.abort()
  await Promise.all(others)
  await expect(async () => expect((await request.post('/api/label-printer', { data: 'x' })).status()).toBe(400)).toPass({ intervals: [50] })
})

test('who begins to send and stops takes no more than there is, and gives it back by leaving', async ({ request, baseURL }) => {
  const { hostname, port } = new URL(baseURL ?? '')
  const half = (): Promise<Socket> =>
    new Promise((resolve, reject) => {
      const socket = connect(Number(port), hostname, () => {
        socket.write(`POST /api/label-printer HTTP/1.1\r\nHost: ${hostname}:${port}\r\nContent-Length: 4000000\r\n\r\n`)
        socket.write('x'.repeat(1000), () => resolve(socket))
      })
      socket.once('error', reject)
    })
  const sockets = await Promise.all(Array.from({ length: 40 }, half))
  // There is room for four of them.
  await expect(async () => expect((await request.post('/api/label-printer', { data: 'x'.repeat(2_000_000) })).status()).toBe(503)).toPass()
  expect((await request.get('/api/start')).status()).toBe(200)
  for (const socket of sockets) socket.destroy()
  await expect(async () => expect((await request.post('/api/label-printer', { data: 'x'.repeat(2_000_000) })).status()).toBe(400)).toPass()
})

test('a form of another site is refused, and nothing says what made the page', async ({ request, baseURL }) => {
  const from = async (headers: Record<string, string>) => (await request.post('/api/label-printer', { data: 'x', headers })).status()
  expect(await from({ origin: 'http://evil.example' })).toBe(403)
  expect(await from({ origin: 'null' })).toBe(403)
  expect(await from({ 'sec-fetch-site': 'cross-site' })).toBe(403)
  expect(await from({ origin: new URL(baseURL ?? '').origin })).toBe(400)
  for (const path of ['/', '/storeroom', '/api/start', '/nowhere'])
    expect([path, (await request.get(path)).headers()['x-powered-by']]).toEqual([path, undefined])
})

test('another name for this machine is refused: no page of elsewhere can ask through it', async ({ request }) => {
  for (const host of ['evil.example', 'evil.example:4173', '127.0.0.1.evil.example'])
    expect([host, (await request.get('/api/start', { headers: { host } })).status()]).toEqual([host, 421])
  expect((await request.get('/api/start', { headers: { host: 'localhost:4173' } })).status()).toBe(200)
})
