import { computed, shallowRef, watch } from 'vue'
import { databaseExists, type DatabaseTrouble, loadToChange, onTrouble, type Snapshot } from '~/db'
import { readRoom, useCatalogue } from '~/data/useCatalogue'
import { useCopies } from '~/subjects/copies/useCopies'
import { readIndex, useFind } from '~/subjects/ask/useFind'
import { useInstalled } from './useInstalled'

const isRead = shallowRef(false)
const trouble = shallowRef<DatabaseTrouble | null>(null)

/**
 * Begins to read the room, as early as the application's code runs. Null where this browser never held one: there is nothing
 * to wait for then, and nothing is made.
 */
export function beginReading(): Promise<Snapshot | null> {
  onTrouble(found => (trouble.value = found))
  const reading = databaseExists().then(exists => {
    if (!exists) return null
    readIndex().catch(() => undefined)
    return readRoom()
  })
  reading.catch(() => undefined)
  return reading
}

/**
 * Opens the room that was read. A browser that holds nothing yet asks the server what a first start is: the demo room, or
 * the welcome bench with its four ways to begin.
 */
export async function openRoom(reading: Promise<Snapshot | null>): Promise<void> {
  await openRead(reading).catch(() => (trouble.value ??= 'refused'))
}

async function openRead(reading: Promise<Snapshot | null>): Promise<void> {
  const [catalogue, copies, find, installed] = [useCatalogue(), useCopies(), useFind(), useInstalled()]
  const snapshot = await reading
  // One that did hold a room, and is empty by now, has steps that can be done again: the demo room would take their place.
  const isFirst = snapshot === null
  const isEmpty = (): boolean => catalogue.isEmpty
  if (isFirst) watch(isEmpty, () => void find.catchUp(), { once: true })
  else void find.catchUp()
  await Promise.all([catalogue.open(snapshot), isFirst && copies.loadDemo(copies.isDemoStart())])
  if (!isFirst && isEmpty() && catalogue.steps.length === 0) await copies.loadDemo(copies.isDemoStart())
  isRead.value = true
  // What checks every write is fetched once the first answer is there: nothing on the first screen waits for it.
  watch(
    () => find.isReady,
    isReady => {
      if (!isReady) return
      loadToChange().catch(() => undefined)
      // It keeps what it can: a browser that allows none of it works as before.
      installed.begin().catch(() => undefined)
    },
    { immediate: true },
  )
}

/** What the bench shows: the room being opened, the welcome, or the work. */
export function useOpening() {
  const catalogue = useCatalogue()
  const copies = useCopies()
  const state = computed(() => {
    if (!isRead.value && catalogue.isEmpty) return 'opening'
    return catalogue.isEmpty ? 'welcome' : 'open'
  })
  return { state, trouble, progress: computed(() => copies.progress) }
}
