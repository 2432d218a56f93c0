import { computed } from 'vue'
import { useCatalogue } from '~/data/useCatalogue'
import { useKept } from '~/kit/useKept'
import { movingWords } from './movingWords'

const STEPS = ['size', 'list', 'room', 'doubts', 'places', 'index'] as const
export type MovingStep = (typeof STEPS)[number]
/** More sets than this are filed from a heap. */
const MOST_ONE_BY_ONE = 20
/** One bin stands in a room that was begun empty. */
const START_CONTAINERS = 1

/** The steps of moving in: which are done, which were left out, and what each has to say. They follow from the room as it is. */
export function useMovingIn() {
  const catalogue = useCatalogue()
  /** Begun with a room of one's own; the demo room has long moved in. */
  const isBegun = useKept('movingIn', false)
  const leftOut = useKept<string>('movingInLeftOut', '')

  const sets = computed(() => catalogue.tables?.holdings.size ?? 0)
  const containers = computed(() => [...catalogue.room.rows.values()].filter(row => !row.container.isTable))
  const unseenRows = computed(() => containers.value.filter(row => row.somewhere.length > 0))
  const unseen = computed(() =>
    unseenRows.value.reduce((sum, row) => sum + row.somewhere.reduce((all, each) => all + each.holder.holdingIds.length, 0), 0),
  )
  /** Things lie on the table, or a heap is filed. */
  const isRefiling = computed(() => [...(catalogue.tables?.refilings.values() ?? [])].some(({ state }) => state === 'open'))
  /** More than go in one by one. */
  const isManyNowhere = computed(() => catalogue.nowhere.length > MOST_ONE_BY_ONE)
  const placeless = computed(() => catalogue.placeless.filter(({ state }) => state !== 'out').length)
  const isDone = computed((): Readonly<Record<MovingStep, boolean>> => ({
    size: catalogue.settings.collection !== null,
    list: sets.value > 0,
    room: containers.value.length > START_CONTAINERS,
    doubts: sets.value > 0 && catalogue.asked.length === 0,
    places: sets.value > 0 && unseen.value + placeless.value === 0 && !isRefiling.value,
    index: [...(catalogue.tables?.books.values() ?? [])].some(({ printings }) => printings > 0),
  }))
  const says = computed((): Readonly<Record<MovingStep, string>> => ({
    size: movingWords.sizeSays,
    list: movingWords.listSays(sets.value),
    room: movingWords.roomSays(catalogue.namedPlace.length, catalogue.nowhere.length, containers.value.length),
    doubts: movingWords.doubtsSay(catalogue.asked.length),
    places: isRefiling.value ? movingWords.refilingSays : movingWords.placesSay(unseen.value, placeless.value),
    index: movingWords.indexSays,
  }))
  interface Way {
    readonly to: string
    readonly word: string
  }
  const { steps } = movingWords
  function roomStep(): Way {
    if (catalogue.namedPlace.length > 0) return { to: '/take-in/places', word: movingWords.fromList }
    return catalogue.nowhere.length > 0 ? { to: '/take-in/tidy', word: movingWords.byNeed } : { to: '/storeroom', word: steps.room.go }
  }
  function placesStep(): Way {
    if (isRefiling.value) return { to: '/storeroom/refile', word: movingWords.goOn }
    const [row] = unseenRows.value
    if (row) return { to: `/storeroom/${row.container.id}?along=`, word: movingWords.lookAt(row.container.name) }
    return { to: isManyNowhere.value ? '/take-in/tidy' : '/take-in/placeless', word: steps.places.go }
  }
  const ways = computed((): Readonly<Record<MovingStep, Way>> => {
    return {
      size: { to: '/take-in/moving', word: steps.size.go },
      list: { to: '/take-in/list', word: steps.list.go },
      room: roomStep(),
      doubts: { to: '/take-in/questions', word: steps.doubts.go },
      places: placesStep(),
      index: { to: '/index', word: steps.index.go },
    }
  })
  const isLeftOut = (step: MovingStep): boolean => leftOut.value.split(' ').includes(step)
  function leaveOut(step: MovingStep, isOut: boolean): void {
    const others = leftOut.value.split(' ').filter(each => each !== '' && each !== step)
    leftOut.value = [...others, ...(isOut ? [step] : [])].join(' ')
  }
  const left = computed(() => STEPS.filter(step => !isDone.value[step] && !isLeftOut(step)))
  return { STEPS, isBegun, isDone, isLeftOut, leaveOut, left, says, ways }
}
