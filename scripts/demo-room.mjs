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
  logLevel: 'warning',
})
await import(pathToFileURL('.demo/build.mjs').href)
