import { useMediaQuery } from '@vueuse/core'
import type { Ref } from 'vue'

/** The page is being printed: what is else drawn only where it is in view is then drawn whole. */
export const useOnPaper = (): Readonly<Ref<boolean>> => useMediaQuery('print')
