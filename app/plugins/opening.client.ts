import { defineNuxtPlugin } from '#imports'
import { openRoom } from '~/shell/useOpening'

/** The room is opened while the screen is still being put up: neither waits for the other. */
export default defineNuxtPlugin(() => {
  void openRoom()
})
