import { spawn } from 'node:child_process'
import { Hands } from './hands'
import { leaveInTheMiddle, MAIN_JOB } from './jobs'
import { answers, builtIn, freePort, type Tab, webkit } from './tab'

const ROUNDS = 24
const SEED = 20_261_202

const BROWSERS: Readonly<Record<string, () => Promise<Tab>>> = {
  webkit,
  firefox: () => builtIn('firefox', process.env.FIREFOX_PATH ?? '/usr/bin/firefox-esr'),
  chromium: () => builtIn('chrome', process.env.CHROMIUM_PATH ?? '/usr/bin/chromium'),
}

const port = await freePort()
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), NUXT_DEMO: 'true' },
  stdio: 'ignore',
})
let failed = 0
/** One line: what was done, in what time, or what was wrong. */
async function told(what: string, work: () => Promise<unknown>): Promise<boolean> {
  const start = performance.now()
  try {
    await work()
    console.log(`  ${what.padEnd(60)} ${Math.round(performance.now() - start)} ms`)
    return true
  } catch (reason) {
    failed += 1
    console.log(`  ${what.padEnd(60)} FAILED: ${String(reason)} ${reason instanceof Error && reason.cause ? String(reason.cause) : ''}`)
    return false
  }
}
try {
  await answers(port, '/api/start')
  const wanted = process.argv.slice(2)
  for (const [name, start] of Object.entries(BROWSERS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue
    const tab = await start()
    console.log(`\n${tab.version}`)
    const hands = new Hands(tab, `http://127.0.0.1:${port}`)
    try {
      for (const [job, work] of MAIN_JOB) if (!(await told(job, () => work(hands)))) break
      await told(`work left ${ROUNDS} times in the middle (seed ${SEED})`, () => leaveInTheMiddle(hands, ROUNDS, SEED))
    } finally {
      await tab.end()
    }
  }
} finally {
  server.kill()
}
console.log(`\n${failed === 0 ? 'All went well' : `${failed} failed`}`)
process.exit(failed === 0 ? 0 : 1)
