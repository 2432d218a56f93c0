import { defineNuxtPlugin } from '#imports'
import { keepingWords } from '~/data/words'
import { troubleOf } from '~/data/storageTrouble'
import { useNotices } from '~/kit/useNotices'

/**
 * What went wrong where nobody waits for it is said, and not only written to the console. Of a command that fails nothing is
 * kept; whether it was one, the error does not tell.
 */
export default defineNuxtPlugin(app => {
  const say = (reason: unknown): void =>
    useNotices().tell(troubleOf(reason) === 'full' ? keepingWords.storageFull : keepingWords.notKept, 'care')
  app.hook('vue:error', say)
  addEventListener('unhandledrejection', event => say(event.reason))
})
