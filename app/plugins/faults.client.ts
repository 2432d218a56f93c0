import { defineNuxtPlugin } from '#imports'
import { shellWords } from '~/shell/words'
import { useNotices } from '~/shell/useNotices'

/**
 * What went wrong where nobody waits for it is said, and not only written to the console. Of a command that fails nothing is
 * kept; whether it was one, the error does not tell.
 */
export default defineNuxtPlugin(app => {
  app.hook('vue:error', () => useNotices().tell(shellWords.notKept, 'care'))
  addEventListener('unhandledrejection', () => useNotices().tell(shellWords.notKept, 'care'))
})
