import { defineNuxtPlugin } from '#imports'
import { useInstalled } from '~/shell/useInstalled'
import { beginReading, openRoom } from '~/shell/useOpening'

const reading = beginReading()

/** The room is read while the screen is still being put up: neither waits for the other. */
export default defineNuxtPlugin(app => {
  void openRoom(reading)
  app.hook('app:mounted', () => useInstalled().cameUp())
})
