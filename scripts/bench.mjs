// Builds what is to be measured, bundles the benchmarks for Node, and runs them. Nothing here passes or fails.
import { mkdirSync } from 'node:fs'
import { build, chromium, must, root, setup } from './lib.mjs'

setup()
build()
const { build: bundle } = await import('esbuild')
mkdirSync(`${root}/.demo`, { recursive: true })
await bundle({
  entryPoints: [`${root}/bench/main.ts`],
  outfile: `${root}/.demo/bench.mjs`,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '~': `${root}/app` },
  logLevel: 'warning',
})
must('Benchmarks', process.execPath, [`${root}/.demo/bench.mjs`, ...process.argv.slice(2)], { CHROMIUM_PATH: chromium() })
