import { defineNuxtPlugin } from '#imports'
import { shellWords } from '~/messages'
import { useNotices } from '~/stores/notices'

/** What went wrong in a command nobody waits for is said, and not only written to the console: nothing of it was kept. */
export default defineNuxtPlugin((app) => {
  app.hook('vue:error', () => useNotices().tell(shellWords.notKept, 'care'))
  addEventListener('unhandledrejection', () => useNotices().tell(shellWords.notKept, 'care'))
})
