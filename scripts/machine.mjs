// What the journeys need of the machine: a browser, and the reader that printed pages are checked by.
import { chromium, poppler } from './lib.mjs'

chromium()
poppler()
