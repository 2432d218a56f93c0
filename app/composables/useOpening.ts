import { computed, onMounted, shallowRef, watch } from 'vue'
import { useCatalogue } from '~/stores/catalogue'
import { useCopies } from '~/stores/copies'
import { useFind } from '~/stores/find'

/**
 * Opens the room. A browser that holds nothing yet asks the server what a first start is: the demo room, or the
 * welcome bench with its four ways to begin.
 */
export function useOpening() {
  const catalogue = useCatalogue()
  const copies = useCopies()
  const isRead = shallowRef(false)

  onMounted(async () => {
    await catalogue.open()
    if (catalogue.isEmpty && await copies.isDemoStart()) await copies.loadDemo()
    isRead.value = true
  })
  watch(() => catalogue.isEmpty, (isEmpty) => { if (!isEmpty) void useFind().open() }, { once: true })

  const state = computed(() => !isRead.value && catalogue.isEmpty ? 'opening' : catalogue.isEmpty ? 'welcome' : 'open')
  return { state, progress: computed(() => copies.progress) }
}
