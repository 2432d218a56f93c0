import { runTogether, setup, TYPES } from './lib.mjs'

setup()
if (!(await runTogether(TYPES))) process.exit(1)
