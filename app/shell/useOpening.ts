import { computed, shallowRef, watch } from 'vue'
import { databaseExists, loadToChange, onTrouble, SLOW_MS, type Snapshot } from '~/db'
import { type RoomTrouble, whatLacks } from '~/data/abilities'
import { readRoom, useCatalogue } from '~/data/useCatalogue'
import { troubleOf } from '~/data/storageTrouble'
import { useAside } from '~/subjects/copies/useAside'
import { useCopies } from '~/subjects/copies/useCopies'
import { readIndex, useFind } from '~/subjects/ask/useFind'
import { useInstalled } from './useInstalled'

/** So long after the first answer nobody waits for anything any more. */
const SWEPT_AFTER_MS = 60_000

const isRead = shallowRef(false)
/** It takes longer than it should. */
const isSlow = shallowRef(false)
const trouble = shallowRef<RoomTrouble | null>(null)
/** The browser lacks what the work needs: nothing is read, and no part of the screen that needs it is put up. */
const isShut = (): boolean => trouble.value === 'insecure' || trouble.value === 'old'

/**
 * Begins to read the room, as early as the application's code runs. Null where this browser never held one: there is nothing
 * to wait for then, and nothing is made. Where the browser lacks what the work needs, that is told, and nothing is read.
 */
export function beginReading(): Promise<Snapshot | null> {
  trouble.value = whatLacks()
  if (trouble.value) return Promise.resolve(null)
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
  if (isShut()) return
  const slow = setTimeout(() => (isSlow.value = true), SLOW_MS)
  await openRead(reading).catch((reason: unknown) => {
    const why = troubleOf(reason)
    trouble.value ??= why === 'other' ? 'spoilt' : why
  })
  clearTimeout(slow)
}

/** What fails on a record that is spoilt is done again once that record is set aside; before that, what else has read it reads anew. */
async function orSifted<R>(work: () => Promise<R>, before: () => Promise<void> = () => Promise.resolve()): Promise<R> {
  try {
    return await work()
  } catch (reason) {
    if (troubleOf(reason) !== 'other' || trouble.value !== null) throw reason
    const isRight = await useAside()
      .sift()
      .catch(() => false)
    if (!isRight) throw reason
    await before()
    return work()
  }
}

async function openRead(reading: Promise<Snapshot | null>): Promise<void> {
  const [catalogue, find, installed] = [useCatalogue(), useFind(), useInstalled()]
  const isEmpty = (): boolean => catalogue.isEmpty
  let early: Promise<Snapshot | null> | null = reading
  // One that did hold a room, and is empty by now, has steps that can be done again: the demo room would take their place.
  const isFirst = await orSifted(async () => {
    const first = early
    early = null
    const snapshot = await (first ?? readRoom())
    if (!snapshot) return true
    if (snapshot.records.settings.length === 0 && snapshot.records.holdings.length > 0) throw new Error('no settings')
    await catalogue.open(snapshot)
    return false
  })
  const catchUp = (): Promise<void> => orSifted(find.catchUp, catalogue.readAnew)
  if (isFirst) {
    watch(isEmpty, () => void catchUp(), { once: true })
    await Promise.all([catalogue.open(), beginWithDemo()])
  } else {
    void catchUp()
    if (isEmpty() && catalogue.steps.length === 0) await beginWithDemo()
  }
  isRead.value = true
  // What checks every write is fetched once the first answer is there: nothing on the first screen waits for it.
  watch(
    () => find.isReady,
    isReady => {
      if (!isReady) return
      loadToChange().catch(() => undefined)
      // It keeps what it can: a browser that allows none of it works as before.
      installed.begin().catch(() => undefined)
      setTimeout(() => void useCopies().sweepForgotten(), SWEPT_AFTER_MS)
    },
    { immediate: true },
  )
}

/** Where the demo room does not fit, that is said: an empty bench would say nothing. */
async function beginWithDemo(): Promise<void> {
  const copies = useCopies()
  const outcome = await copies.loadDemo(copies.isDemoStart())
  if (outcome === 'full') trouble.value = 'full'
}

/** What the bench shows: the room being opened, the welcome, or the work. */
export function useOpening() {
  const catalogue = useCatalogue()
  const copies = useCopies()
  const state = computed(() => {
    if (!isRead.value && catalogue.isEmpty) return 'opening'
    return catalogue.isEmpty ? 'welcome' : 'open'
  })
  return { state, trouble, isShut: computed(isShut), isSlow, progress: computed(() => copies.progress) }
}
