// The browser is killed again and again in the middle of commands: `npm run soak -- 200`.
import { build, bundled, chromium, must, setup } from './lib.mjs'

setup()
build()
must('Kills in the middle of commands', process.execPath, [await bundled('tests/browsers/soak.ts'), ...process.argv.slice(2)], {
  CHROMIUM_PATH: chromium(),
})
