import { computed, reactive } from 'vue'
import { HALF_INCH_MM, NAMED_SIZES, readSize, type Size, sizeFrom } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { useTyped } from '~/kit/useTyped'
import { spaceWords } from './words'

/** Sizes of cards that are sold everywhere, in the order of the choice. Common practice; A6 and DL by their standards. */
const SIZES = {
  quarter: sizeFrom(4.25, 5.5, 'in'),
  a6: NAMED_SIZES.get('a6')?.size ?? sizeFrom(105, 148, 'mm'),
  fiveSeven: sizeFrom(5, 7, 'in'),
  square: sizeFrom(6, 6, 'in'),
  tall: sizeFrom(3.5, 8.5, 'in'),
  dl: NAMED_SIZES.get('dl')?.size ?? sizeFrom(110, 220, 'mm'),
  page: sizeFrom(12, 12, 'in'),
} as const
type CardName = keyof typeof SIZES | 'own'
const CARDS: readonly CardName[] = ['quarter', 'a6', 'fiveSeven', 'square', 'tall', 'dl', 'page', 'own']

/** The card and the space on it, as typed or drawn. The tab keeps them. */
export function useSpace() {
  const catalogue = useCatalogue()
  const { sizeText } = useDescribe()
  const isImperial = catalogue.settings.unit === 'in'
  const first = isImperial ? sizeFrom(2, 1.5, 'in') : sizeFrom(5, 4, 'cm')
  const start = {
    card: (isImperial ? 'quarter' : 'a6') as CardName,
    own: '',
    space: sizeText(first),
    ask: '',
    x: HALF_INCH_MM,
    y: HALF_INCH_MM,
  }
  const form = reactive({ ...start })
  const typed = useTyped(form)
  typed.begin('space', start)

  const unit = computed(() => catalogue.settings.unit)
  const own = computed(() => readSize(form.own, unit.value))
  const card = computed((): Size => {
    if (form.card !== 'own') return SIZES[form.card]
    return own.value.ok ? own.value.size : SIZES.a6
  })
  const cardProblem = computed(() => (form.own.trim() !== '' && !own.value.ok ? spaceWords.unread : ''))
  const reading = computed(() => readSize(form.space, unit.value))
  const spaceProblem = computed(() => (form.space.trim() !== '' && !reading.value.ok ? spaceWords.unread : ''))
  /** The last size that could be read, on the card as far as there is room. */
  let last = first
  const space = computed({
    get: () => {
      if (reading.value.ok) last = reading.value.size
      const inside = (at: number, side: number, most: number): number => Math.max(0, Math.min(at, most - side))
      return { ...last, x: inside(form.x, last.widthMm, card.value.widthMm), y: inside(form.y, last.heightMm, card.value.heightMm) }
    },
    set: ({ x, y, widthMm, heightMm }) => Object.assign(form, { x, y, space: sizeText({ widthMm, heightMm }) }),
  })
  return { form, card, cardProblem, space, spaceProblem, CARDS }
}
