import { type ChildProcess, spawn } from 'node:child_process'
import { createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import puppeteer, { type Page } from 'puppeteer-core'
import { Builder, Capabilities } from 'selenium-webdriver'

/** What the jobs need of any browser: to go to an address, to read the page anew, and to do something in it. */
export interface Tab {
  readonly version: string
  open(url: string): Promise<void>
  reload(): Promise<void>
  /** The answer of a script in the page: the body of an asynchronous function, with `given`. It ends in `return`, or gives nothing. */
  run<R>(script: string, given?: unknown): Promise<R>
  end(): Promise<void>
}

const SLOW_MS = 60_000
const WINDOW = { width: 1280, height: 800 }
const bodyOf = (script: string): string => `const given = arguments[0]; const done = arguments[arguments.length - 1];
  (async () => { ${script} })().then(answer => done({ answer }), reason => done({ reason: String(reason) }))`

/** WebKitGTK, driven over WebDriver; its windows are drawn on a screen that nobody sees. */
export async function webkit(): Promise<Tab> {
  const screen = spawn('Xvfb', ['-displayfd', '1', '-screen', '0', '1280x900x24'], { stdio: ['ignore', 'pipe', 'ignore'] })
  const display = await new Promise<string>(resolve => screen.stdout.once('data', (said: Buffer) => resolve(String(said).trim())))
  const port = await freePort()
  const env = { ...process.env, DISPLAY: `:${display}`, LIBGL_ALWAYS_SOFTWARE: '1', WEBKIT_DISABLE_COMPOSITING_MODE: '1' }
  const driverProcess = spawn('WebKitWebDriver', [`--port=${port}`], { stdio: 'ignore', env })
  const endAll = (): void => [driverProcess, screen].forEach((each: ChildProcess) => each.kill())
  try {
    await answers(port)
    const driver = await new Builder()
      .usingServer(`http://127.0.0.1:${port}`)
      .withCapabilities(new Capabilities({ browserName: 'MiniBrowser' }))
      .build()
    await driver.manage().setTimeouts({ script: SLOW_MS, pageLoad: SLOW_MS })
    const capabilities = await driver.getCapabilities()
    return {
      version: `WebKitGTK ${String(capabilities.get('browserVersion'))}`,
      open: url => driver.get(url),
      reload: () => driver.navigate().refresh(),
      async run<R>(script: string, given?: unknown) {
        const { answer, reason } = await driver.executeAsyncScript<{ answer?: R; reason?: string }>(bodyOf(script), given ?? null)
        if (reason !== undefined) throw new Error(reason)
        return answer as R
      },
      async end() {
        await driver.quit().catch(() => undefined)
        endAll()
      },
    }
  } catch (reason) {
    endAll()
    throw reason
  }
}

/** Firefox or Chromium, over the protocol that each has built in. */
export async function builtIn(browser: 'firefox' | 'chrome', executablePath: string): Promise<Tab> {
  const args = browser === 'chrome' ? ['--no-sandbox', '--disable-gpu'] : []
  const started = await puppeteer.launch({ browser, executablePath, headless: true, args })
  return { ...tabOf(await started.newPage()), version: await started.version(), end: () => started.close() }
}
/** What is done in a page, over the protocol that a browser has built in. */
function tabOf(page: Page): Omit<Tab, 'version' | 'end'> {
  page.setDefaultTimeout(SLOW_MS)
  return {
    open: url => untilGone(() => page.goto(url)),
    reload: () => untilGone(() => page.reload()),
    // As a text: the policy of the pages lets none of them make code of one.
    run: <R>(script: string, given?: unknown) =>
      page.evaluate(`(async given => { ${script} })(${JSON.stringify(given ?? null)})`) as Promise<R>,
  }
}

/** Chromium on a folder of its own, which is there again for the next: it can be killed. */
export interface Life {
  tab(): Promise<Tab>
  /** From now on the disk is full for pages of this origin, but for so many bytes. */
  fill(origin: string, left: number): Promise<void>
  /** At once, with all its processes, as by a power cut. */
  kill(): Promise<void>
}
export async function liveOn(folder: string, executablePath: string): Promise<Life> {
  const args = ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking']
  const started = await puppeteer.launch({
    browser: 'chrome',
    executablePath,
    headless: true,
    args,
    userDataDir: folder,
    defaultViewport: WINDOW,
  })
  const running = started.process()
  const version = await started.version()
  return {
    tab: async () => ({ ...tabOf(await started.newPage()), version, end: () => started.close() }),
    async fill(origin, left) {
      const page = (await started.pages()).at(-1)
      const session = await page?.createCDPSession()
      const { usage = 0 } = (await session?.send('Storage.getUsageAndQuota', { origin })) ?? {}
      await session?.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: usage + left })
    },
    async kill() {
      if (!running?.pid || running.exitCode !== null || running.signalCode !== null) return
      const isGone = new Promise(resolve => running.once('exit', resolve))
      process.kill(-running.pid, 'SIGKILL')
      await isGone
    },
  }
}

/**
 * Goes on trying to leave a page that notes its own address in the same moment: Firefox's remote end takes that for a navigation which
 * ends the other.
 */
async function untilGone(leave: () => Promise<unknown>): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    const reason = await leave().then(
      () => null,
      (why: unknown) => why as Error,
    )
    if (reason === null) return
    if (tries === 4 || !/NS_BINDING_ABORTED|interrupted an unfinished navigation/.test(String(reason))) throw reason
  }
}

export function freePort(): Promise<number> {
  return new Promise(resolve => {
    const probe = createServer()
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo
      probe.close(() => resolve(port))
    })
  })
}
/** Until something answers at a port of this machine. */
export async function answers(port: number, path = '/status'): Promise<void> {
  for (let tries = 0; tries < 200; tries += 1) {
    const isThere = await fetch(`http://127.0.0.1:${port}${path}`).then(
      () => true,
      () => false,
    )
    if (isThere) return
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  throw new Error(`nothing answers at ${port}${path}`)
}
