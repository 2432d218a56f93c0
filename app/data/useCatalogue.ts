import { group } from 'd3-array'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch as watchValue } from 'vue'
import { type RecordOf, type RoomSettings, START_SETTINGS, TABLE_NAMES, type TableName } from '#core/catalog'
import { learnThickness, roomIn, type ThicknessTable } from '#core/capacity'
import type { Authority, RoomFacts } from '#core/filing'
import { arrangeRoom, containersInOrder, type Room } from '#core/room'
import { nowhereOf } from '#core/room/places'
import {
  database,
  followJournal,
  isOnScreen,
  type JournalEntry,
  nextNumbers as nextNumbersOf,
  readSnapshot,
  SCREEN_TABLES,
  type ScreenRecords,
  type ScreenTable,
  type Snapshot,
  type Touched,
  watch,
} from '~/db'

export type Tables = { readonly [T in ScreenTable]: ReadonlyMap<string, RecordOf<T>> }

function mapsOf(records: ScreenRecords): Tables {
  return Object.fromEntries(
    SCREEN_TABLES.map(name => [name, new Map((records[name] as { id: string }[]).map(record => [record.id, record]))]),
  ) as unknown as Tables
}

/** All that the screen keeps, and the steps it was read after. */
export const readRoom = (): Promise<Snapshot> => readSnapshot(database())

/** So long it may take to follow a step of 20,000 sets, and more. */
const FOLLOWED_MS = 30_000

/** Called after every change that came from the database: which holdings, and which tables. */
type Listener = (holdingIds: readonly string[] | 'all', tables: readonly TableName[]) => void

/**
 * The catalogue in memory, for the screen: plain maps, replaced when they change, never deeply reactive. It follows
 * the journal, and so holds what other tabs and the workers write too.
 */
export const useCatalogue = defineStore('catalogue', () => {
  const tables = shallowRef<Tables | null>(null)
  const room = shallowRef<Room>({ rows: new Map(), placements: new Map(), halves: new Map() })
  const steps = shallowRef<readonly JournalEntry[]>([])
  const nextNumbers = shallowRef<ReadonlyMap<string, number>>(new Map())
  const settings = shallowRef<Readonly<RoomSettings>>(START_SETTINGS)
  const listeners = new Set<Listener>()

  /** `early` is what was read of the room before this was called. */
  async function open(early: Snapshot | null = null): Promise<void> {
    const db = database()
    const snapshot = early ?? (await readRoom())
    take(mapsOf(snapshot.records), null)
    steps.value = snapshot.journal
    settings.value = snapshot.records.settings[0] ?? START_SETTINGS
    followJournal(db, snapshot.journal, follow)
    watch(
      () => db.records('settings').get('room'),
      found => {
        settings.value = found ?? START_SETTINGS
      },
    )
    watch(
      () => nextNumbersOf(db),
      numbers => {
        nextNumbers.value = numbers
      },
    )
  }

  function take(fresh: Tables, touchedContainers: ReadonlySet<string> | null): void {
    tables.value = fresh
    room.value = arrangeRoom(
      {
        containers: fresh.containers.values(),
        sections: fresh.sections.values(),
        holders: fresh.holders.values(),
      },
      touchedContainers ? room.value : null,
      touchedContainers,
    )
  }

  /** What this screen has of sets and holders, against what there is: where they differ, it could not follow. */
  async function isOutdated(): Promise<boolean> {
    const [holdings, holders] = await Promise.all([database().records('holdings').count(), database().records('holders').count()])
    return holdings !== tables.value?.holdings.size || holders !== tables.value.holders.size
  }

  async function follow(touched: Touched, journal: readonly JournalEntry[]): Promise<void> {
    if (touched === 'all' || !tables.value) {
      take(mapsOf((await readRoom()).records), null)
      listeners.forEach(tell => tell('all', TABLE_NAMES))
    } else if (touched.size > 0) {
      await patch(tables.value, touched)
      // Two tabs at once: between the journal and the records another step was done. What cannot follow reads anew.
      if (await isOutdated()) return follow('all', journal)
    }
    steps.value = journal
  }

  async function patch(before: Tables, touched: Exclude<Touched, 'all'>): Promise<void> {
    const fresh: Record<string, ReadonlyMap<string, unknown>> = { ...before }
    const containers = new Set<string>()
    for (const name of SCREEN_TABLES.filter(each => touched.has(each))) {
      const ids = [...(touched.get(name) ?? [])]
      const now = await database().anyRecords(name).bulkGet(ids)
      const map = new Map<string, { id: string }>(before[name])
      ids.forEach((id, index) => {
        const record = now[index]
        for (const side of [map.get(id), record]) if (side) noteContainer(name, side, containers)
        if (record && isOnScreen(record)) map.set(id, record)
        else map.delete(id)
      })
      fresh[name] = map
    }
    take(fresh as unknown as Tables, containers)
    const changed = TABLE_NAMES.filter(name => touched.has(name))
    listeners.forEach(tell => tell([...(touched.get('holdings') ?? [])], changed))
  }

  const authority = computed((): Authority => ({
    brands: tables.value?.brands ?? new Map(),
    themes: tables.value?.themes ?? new Map(),
    categories: tables.value?.categories ?? new Map(),
    kinds: tables.value?.kinds ?? new Map(),
  }))
  /** Which stamp a die belongs to, where the owner has said so. */
  const stampOf = computed(
    (): ReadonlyMap<string, string> =>
      new Map(
        [...(tables.value?.relations.values() ?? [])].flatMap(each =>
          each.kind === 'dieForStamp' ? [[each.fromId, each.toId] as const] : [],
        ),
      ),
  )
  /** The open loan of each set that is out of its place. */
  const loanOf = computed(
    (): ReadonlyMap<string, RecordOf<'loans'>> => new Map([...(tables.value?.loans.values() ?? [])].map(loan => [loan.holdingId, loan])),
  )
  /** How deep a filled holder is, by what was measured of lanes. */
  const learnt = computed((): ThicknessTable =>
    learnThickness([...(tables.value?.measuredLengths.values() ?? [])], id => tables.value?.kinds.get(id)),
  )
  const facts = computed((): RoomFacts => ({
    fixtures: tables.value?.fixtures ?? new Map(),
    zones: [...(tables.value?.zones.values() ?? [])],
    rows: room.value.rows,
    holdings: tables.value?.holdings ?? new Map(),
    authority: authority.value,
    stampOf: stampOf.value,
    hasRoom: roomIn(
      id => tables.value?.holdings.get(id),
      id => tables.value?.kinds.get(id),
      learnt.value,
    ),
  }))
  const containers = computed(() => containersInOrder(facts.value, null))
  /** Waits until the screen has followed all that was done by now; after a while it goes on without, as the screen may be unable to. */
  async function caughtUp(): Promise<void> {
    const journal = await database().journal.toArray()
    function isThere(): boolean {
      const known = new Map(steps.value.map(({ seq, swings }) => [seq, swings]))
      return journal.every(({ seq, swings }) => (known.get(seq) ?? -1) >= swings)
    }
    await new Promise<void>(resolve => {
      const late = setTimeout(resolve, FOLLOWED_MS)
      const look = (): void => {
        if (!isThere()) return
        clearTimeout(late)
        unwatch()
        resolve()
      }
      const unwatch = watchValue(steps, look, { flush: 'sync' })
      look()
    })
  }
  /** All is read anew, as after something that no step tells of. */
  async function readAnew(): Promise<void> {
    await follow('all', steps.value)
  }
  const isEmpty = computed(() => (tables.value?.settings.size ?? 0) === 0)
  const placeless = computed(() => [...(tables.value?.holdings.values() ?? [])].filter(holding => !room.value.placements.has(holding.id)))
  /** Of these a list says something of where they are. */
  const listed = computed(() => placeless.value.filter(({ placeText, state }) => placeText !== '' && state !== 'out'))
  /** Of what is at hand and has no place: those of which nobody says where they are, and those whose list names a place. */
  const atHand = computed(() => {
    const found = placeless.value.filter(({ state }) => state !== 'out' && state !== 'lent' && state !== 'gone')
    const ids = new Set(nowhereOf(found.map(({ id, placeText }) => ({ id, text: placeText }))))
    return group(found, ({ id }) => ids.has(id))
  })
  const nowhere = computed(() => atHand.value.get(true) ?? [])
  const namedPlace = computed(() => atHand.value.get(false) ?? [])

  /** Sets that carry a question. */
  const asked = computed(() => [...(tables.value?.holdings.values() ?? [])].filter(holding => holding.questions.length > 0))

  return {
    tables,
    room,
    steps,
    nextNumbers,
    settings,
    authority,
    facts,
    learnt,
    containers,
    isEmpty,
    listed,
    loanOf,
    nowhere,
    namedPlace,
    placeless,
    stampOf,
    asked,
    open,
    caughtUp,
    readAnew,
    onChange: (listener: Listener): void => void listeners.add(listener),
  }
})

function noteContainer(table: ScreenTable, record: { id: string }, containers: Set<string>): void {
  if (table === 'containers') containers.add(record.id)
  if ('containerId' in record) containers.add(String(record.containerId))
}
