import { computed } from 'vue'
import { useHead } from '#imports'
import { useSlip } from './useSlip'
import { PRODUCT_NAME } from '~/kit/words'

/** The title of a page in the window and its tab, and what is said aloud when it opens: the slip that is open comes first. */
export function useTitle(page: string | (() => string)): void {
  const slip = useSlip()
  const parts = (): readonly (string | undefined)[] => [slip.opened.value?.name, typeof page === 'string' ? page : page(), PRODUCT_NAME]
  useHead({ title: computed(() => parts().filter(Boolean).join(' - ')) })
}
