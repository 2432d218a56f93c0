import { defineNuxtPlugin } from '#imports'
import { keepingWords } from '~/data/words'
import { troubleOf } from '~/data/storageTrouble'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { useAside } from '~/subjects/copies/useAside'

/**
 * What went wrong where nobody waits for it is said, and not only written to the console. Of a command that fails nothing is
 * kept; whether it was one, the error does not tell. What cannot be shown may be a record that is spoilt: once a page, that is looked for.
 */
export default defineNuxtPlugin(app => {
  let isLookedFor = false
  async function lookForSpoilt(): Promise<void> {
    if (isLookedFor) return
    isLookedFor = true
    if (await useAside().sift()) await useCatalogue().readAnew()
  }
  function say(reason: unknown): void {
    useNotices().tell(troubleOf(reason) === 'full' ? keepingWords.storageFull : keepingWords.notKept, 'care')
  }
  app.hook('vue:error', reason => {
    say(reason)
    void lookForSpoilt()
  })
  addEventListener('unhandledrejection', event => say(event.reason))
})
