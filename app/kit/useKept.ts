import { type RemovableRef, useLocalStorage } from '@vueuse/core'
import { ref } from 'vue'

/** `false` begins a switch that may become true. */
type Wide<T> = T extends boolean ? boolean : T extends number ? number : T

/** A habit of this browser, kept from one time to the next. Where the browser keeps nothing it lasts as long as the page. */
export function useKept<T extends string | number | boolean>(key: string, start: T): RemovableRef<Wide<T>> {
  try {
    return useLocalStorage(key, start as Wide<T>)
  } catch {
    return ref(start) as unknown as RemovableRef<Wide<T>>
  }
}
