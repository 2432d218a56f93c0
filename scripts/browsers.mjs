// The main job in other browsers than the journeys': `npm run test:browsers`, or with the names of some (webkit, firefox, chromium).
import { mkdirSync } from 'node:fs'
import { build, chromium, must, otherBrowsers, root, setup } from './lib.mjs'

otherBrowsers()
setup()
build()
const { build: bundle } = await import('esbuild')
mkdirSync(`${root}/.demo`, { recursive: true })
await bundle({
  entryPoints: [`${root}/tests/browsers/main.ts`],
  outfile: `${root}/.demo/browsers.mjs`,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'warning',
})
must('The main job in each browser', process.execPath, [`${root}/.demo/browsers.mjs`, ...process.argv.slice(2)], {
  CHROMIUM_PATH: chromium(),
})
