// Bundles the demo generator (TypeScript) for Node and runs it: draws the letter room into .demo/letter-room.zip.
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { bundled } from './lib.mjs'

const draw = await bundled('demo/build.ts')
// The stand-ins, each whole in one file: the server runs them in threads of their own.
await build({
  entryPoints: { camera: 'demo/cameraWorker.ts', labelPrinter: 'demo/labelPrinterWorker.ts' },
  outdir: '.demo',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
})
await import(pathToFileURL(draw).href)
