import { computed, reactive, shallowRef, watch } from 'vue'
import { type CELL_REUSES, type Container, type ContainerType, isBlank, LIMITS, PLAIN_FIXTURE } from '#core/catalog'
import { CONTAINER_SHAPES } from '#core/room'
import { MM_PER_UNIT, readGrams, readNumber, readSize } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { useTyped } from '~/kit/useTyped'
import { MOST_AT_ONCE, useBuilding } from '~/subjects/room/useBuilding'
import { furnishWords } from './words'

/** Chosen as the furniture: new furniture, made together with the container. */
export const NEW_FIXTURE = 'new'
/** Chosen as the shelf: every shelf. */
export const EVERY_SHELF = 0

const MOST = { count: MOST_AT_ONCE, lanes: LIMITS.lanes, rows: LIMITS.cellsASide, columns: LIMITS.cellsASide, pages: LIMITS.pages }
const LONGEST_MM = 5000

/** What is typed about a container, as it is typed. */
const BLANK = {
  name: '',
  code: '',
  type: 'bin' as ContainerType,
  lanes: 1,
  length: '',
  fixtureId: '',
  fixtureName: '',
  shelf: 1,
  count: 1,
  zoneId: '',
  rows: 4,
  columns: 3,
  pages: 10,
  isTwoSided: false,
  inner: '',
  cellSize: '',
  reuse: 'last' as (typeof CELL_REUSES)[number],
  emptyWeight: '',
  shape: '',
}
export type ContainerForm = ReturnType<typeof useContainerForm>

/** The form of a container, new or changed: what is typed, what it is read as, and what is still missing. */
export function useContainerForm(container: () => Container | null) {
  const catalogue = useCatalogue()
  const { lengthText, sizeText } = useDescribe()
  const { namesFor, shelvesOf } = useBuilding()
  const fixtures = computed(() => [...(catalogue.tables?.fixtures.values() ?? [])].sort((a, b) => a.rank - b.rank))
  const zones = computed(() => [...(catalogue.tables?.zones.values() ?? [])].sort((a, b) => a.rank - b.rank))
  const form = reactive({ ...BLANK })
  const typed = useTyped(form)
  /** The container as the form began with it: only fields that differ from it are changed. */
  const begun = shallowRef<Container | null>(null)
  /** The sizes as they were shown. One that is left as it was keeps its exact value. */
  let shown = { length: '', inner: '', cellSize: '' }
  /** Nobody has typed another name than this yet. */
  let proposed = { name: '', code: '' }
  /** "Keep" was pressed: from then on it is told what is missing. */
  const isTried = shallowRef(false)

  const propose = (type: ContainerType): void => void Object.assign(form, (proposed = namesFor(type)))
  function begin(): void {
    const now = container()
    begun.value = now
    Object.assign(form, BLANK, {
      length: catalogue.settings.unit === 'in' ? '12 in' : '30 cm',
      fixtureId: fixtures.value[0]?.id ?? NEW_FIXTURE,
      zoneId: zones.value[0]?.id ?? '',
    })
    if (now) {
      const { name, code, fixtureId, shelf, zoneId } = now
      fill(now)
      Object.assign(form, { name, code, fixtureId, shelf, zoneId })
    } else propose(form.type)
    shown = { length: form.length, inner: form.inner, cellSize: form.cellSize }
    isTried.value = false
    typed.begin(`container ${now?.id ?? ''}`, { ...form })
  }
  function fill({
    type,
    lanes,
    lengthMm,
    inner,
    cells,
    emptyWeightG,
  }: Pick<Container, 'type' | 'lanes' | 'lengthMm' | 'inner' | 'cells' | 'emptyWeightG'>): void {
    const { rows, columns, pages, isTwoSided, reuse } = cells ?? form
    Object.assign(form, {
      ...{ type, lanes, rows, columns, pages, isTwoSided, reuse },
      length: lengthText(lengthMm),
      inner: inner ? sizeText(inner) : '',
      cellSize: cells?.cellSize ? sizeText(cells.cellSize) : '',
      emptyWeight: emptyWeightG ? String(emptyWeightG) : '',
    })
  }
  /** Takes over the measures of a usual shape. */
  function beginFrom(id: string): void {
    const shape = CONTAINER_SHAPES.find(each => each.id === id)
    if (!shape) return
    fill(shape)
    propose(shape.type)
  }
  /** The form stays for one more of the same, on the furniture that the last one stands on. */
  function beginNext(fixtureId: string): void {
    form.fixtureId = fixtureId
    propose(form.type)
    isTried.value = false
    typed.begin('container ', { ...form })
  }
  // The proposed name follows the type, until somebody types another.
  watch(
    () => form.type,
    type => {
      if (!container() && form.name === proposed.name && form.code === proposed.code) propose(type)
    },
  )

  const hasCells = computed(
    () =>
      form.type === 'binder' ||
      // A container with cells keeps them, such as the numbered slots of a rack.
      (container()
        ? container()?.cells !== null
        : form.type === 'tray' && (CONTAINER_SHAPES.find(each => each.id === form.shape)?.cells ?? null) !== null),
  )
  /** null: the length cannot be read. */
  const lengthMm = computed(() => {
    const now = container()
    if (now && form.length === shown.length) return now.lengthMm
    const read = readNumber(form.length)
    const mm = read ? read.value * MM_PER_UNIT[read.unit ?? catalogue.settings.unit] : 0
    return mm > 0 && mm <= LONGEST_MM ? mm : null
  })
  /** null: left empty, so not known; or not to be read, which is a problem. */
  const sizeOf = (text: string): Container['inner'] => {
    const reading = readSize(text, catalogue.settings.unit)
    return reading.ok ? { ...reading.size } : null
  }
  const sizeProblem = (text: string): string => (text.trim() !== '' && sizeOf(text) === null ? furnishWords.sizeProblem : '')
  const exactly = (field: 'inner' | 'cellSize', was: Container['inner']): Container['inner'] =>
    begun.value && form[field] === shown[field] ? was : sizeOf(form[field])

  /** The furniture that it will stand on. New furniture has one shelf until more are typed. */
  const fixture = computed(
    () =>
      fixtures.value.find(each => each.id === form.fixtureId) ?? {
        ...PLAIN_FIXTURE,
        name: form.fixtureName.trim(),
        type: 'bookcase' as const,
        shelves: 1,
      },
  )
  const shelves = computed(() => shelvesOf(fixture.value))
  watch(
    () => form.fixtureId,
    () => {
      if (form.shelf > fixture.value.shelves) form.shelf = 1
    },
  )
  const countProblem = (field: keyof typeof MOST): string =>
    Number.isInteger(form[field]) && form[field] >= 1 && form[field] <= MOST[field] ? '' : furnishWords.countProblem(MOST[field])
  const weight = computed(() => readGrams(form.emptyWeight))
  const needed = (text: string): string => (isTried.value && isBlank(text) ? furnishWords.needed : '')

  const isComplete = computed(
    () =>
      (hasCells.value ? (['count', 'rows', 'columns', 'pages'] as const) : (['count', 'lanes'] as const)).every(
        field => countProblem(field) === '',
      ) &&
      sizeProblem(form.inner) === '' &&
      sizeProblem(form.cellSize) === '' &&
      weight.value !== 'unread' &&
      !isBlank(form.name) &&
      !isBlank(form.code) &&
      (form.fixtureId !== NEW_FIXTURE || !isBlank(form.fixtureName)),
  )
  /** The container as it is typed; null while something is missing. */
  const read = computed(() => {
    if (!isComplete.value || lengthMm.value === null || weight.value === 'unread') return null
    const { type, rows, columns, pages, isTwoSided, reuse } = form
    return {
      name: form.name.trim(),
      code: form.code.trim(),
      type,
      lanes: hasCells.value ? 1 : form.lanes,
      lengthMm: lengthMm.value,
      inner: exactly('inner', begun.value?.inner ?? null),
      emptyWeightG: weight.value,
      cells: hasCells.value
        ? { rows, columns, pages, isTwoSided, reuse, cellSize: exactly('cellSize', begun.value?.cells?.cellSize ?? null) }
        : null,
      zoneId: form.zoneId,
    }
  })
  return {
    begin,
    beginFrom,
    beginNext,
    begun,
    countProblem,
    fixture,
    fixtures,
    form,
    hasCells,
    isTried,
    lengthMm,
    most: MOST,
    needed,
    read,
    shelves,
    sizeProblem,
    typed,
    weight,
    zones,
  }
}
