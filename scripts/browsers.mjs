// The main job in other browsers than the journeys': `npm run test:browsers`, or with the names of some (webkit, firefox, chromium).
import { build, bundled, chromium, must, otherBrowsers, setup } from './lib.mjs'

otherBrowsers()
setup()
build()
must('The main job in each browser', process.execPath, [await bundled('tests/browsers/main.ts'), ...process.argv.slice(2)], {
  CHROMIUM_PATH: chromium(),
})
