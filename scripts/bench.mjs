// Builds what is to be measured, bundles the benchmarks for Node, and runs them. Nothing here passes or fails.
import { build, bundled, chromium, must, setup } from './lib.mjs'

setup()
build()
must('Benchmarks', process.execPath, [await bundled('bench/main.ts'), ...process.argv.slice(2)], { CHROMIUM_PATH: chromium() })
