// Bundles the demo generator (TypeScript) for Node and runs it: draws the letter room into .demo/letter-room.zip.
import { mkdirSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'

mkdirSync('.demo', { recursive: true })
await build({
  entryPoints: ['demo/build.ts'],
  outfile: '.demo/build.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '~': './app' },
  logLevel: 'warning',
})
// The stand-in camera, whole in one file: the server runs it in a thread of its own.
await build({
  entryPoints: ['demo/cameraWorker.ts'],
  outfile: '.demo/camera.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
})
await import(pathToFileURL('.demo/build.mjs').href)
