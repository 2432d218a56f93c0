import { computed, shallowRef, watch } from 'vue'
import { databaseExists, type DatabaseTrouble, loadChecks, onTrouble } from '~/db'
import { useCatalogue } from '~/data/useCatalogue'
import { useCopies } from '~/areas/copies/useCopies'
import { useFind } from '~/areas/find/ask/useFind'

const isRead = shallowRef(false)
const trouble = shallowRef<DatabaseTrouble | null>(null)

/**
 * Opens the room, as early as the application runs. A browser that holds nothing yet asks the server what a first
 * start is: the demo room, or the welcome bench with its four ways to begin.
 */
export async function openRoom(): Promise<void> {
  onTrouble(found => (trouble.value = found))
  await readRoom().catch(() => (trouble.value ??= 'refused'))
}

async function readRoom(): Promise<void> {
  const exists = databaseExists()
  exists.catch(() => undefined)
  const catalogue = useCatalogue()
  const copies = useCopies()
  const isDemo = copies.isDemoStart()
  // A browser that never held anything need not wait to be read before the demo room is fetched. One that did, and is empty
  // by now, has steps that can be done again: the demo room would take their place.
  const isFirst = !(await exists)
  // The worker reads the room for asking while the screen reads it for showing.
  if (isFirst)
    watch(
      () => catalogue.isEmpty,
      () => void useFind().open(),
      { once: true },
    )
  else void useFind().open()
  await Promise.all([catalogue.open(), isFirst && copies.loadDemo(isDemo)])
  if (!isFirst && catalogue.isEmpty && catalogue.steps.length === 0) await copies.loadDemo(isDemo)
  isRead.value = true
  await loadChecks()
}

/** What the bench shows: the room being opened, the welcome, or the work. */
export function useOpening() {
  const catalogue = useCatalogue()
  const copies = useCopies()
  const state = computed(() => (!isRead.value && catalogue.isEmpty ? 'opening' : catalogue.isEmpty ? 'welcome' : 'open'))
  return { state, trouble, progress: computed(() => copies.progress) }
}
