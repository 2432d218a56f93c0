import { defineNuxtPlugin } from '#imports'
import { beginReading, openRoom } from '~/shell/useOpening'

const reading = beginReading()

/** The room is read while the screen is still being put up: neither waits for the other. */
export default defineNuxtPlugin(() => {
  void openRoom(reading)
})
