import type { DateOrder, Holding, OpenQuestion } from '#core/catalog'
import { readDate, readPrice } from '#core/exchange'
import { type LengthUnit, readSize } from '#core/units'

/** Sets that share a question with the same text: it is asked once. */
export interface QuestionGroup extends Readonly<OpenQuestion> {
  readonly key: string
  readonly holdingIds: readonly string[]
}

const keyOf = ({ code, text }: OpenQuestion): string => `${code} ${text.trim().replace(/\s+/g, ' ').toLowerCase()}`
/** Whether two questions are the same, apart from white space. */
export const isSameQuestion = (a: OpenQuestion, b: OpenQuestion): boolean => keyOf(a) === keyOf(b)

/**
 * The open questions of a room in groups; within each code, the most frequent first. O(questions).
 * @example groupQuestions([{ id: 'kelp', questions: [{ code: 'sizeUnread', text: 'big' }] }])
 * //=> [{ key: 'sizeUnread big', code: 'sizeUnread', text: 'big', holdingIds: ['kelp'] }]
 */
export function groupQuestions(holdings: Iterable<Pick<Holding, 'id' | 'questions'>>): readonly QuestionGroup[] {
  const groups = new Map<string, { readonly question: OpenQuestion; readonly ids: Set<string> }>()
  for (const { id, questions } of holdings)
    for (const question of questions) {
      const group = groups.get(keyOf(question)) ?? { question, ids: new Set() }
      groups.set(keyOf(question), group)
      group.ids.add(id)
    }
  return [...groups]
    .map(([key, { question, ids }]) => ({ key, code: question.code, text: question.text.trim(), holdingIds: [...ids] }))
    .sort((a, b) => b.holdingIds.length - a.holdingIds.length || (a.key < b.key ? -1 : 1))
}

/** The facts that an answer gives about a set. */
export type Answered = Partial<Pick<Holding, 'size' | 'acquiredOn' | 'price' | 'hasMatchingDie' | 'kindId' | 'categoryId'>> & {
  /** Goes into the log of uses. */
  readonly isUsed?: boolean
}

/** How an answer is read: the unit of bare figures, the order of dates, the currency. */
export interface AnswerGround {
  readonly unit: LengthUnit | null
  readonly dateOrder: DateOrder | null
  readonly currency: string
  readonly thisYear: number
}

/**
 * Reads a typed answer to a question; null: it cannot be read. Questions of yes and no, kinds and numbers are not typed.
 * @example readAnswer('sizeUnitUnknown', '6x8', { unit: 'in', dateOrder: null, currency: 'EUR', thisYear: 2026 })
 * //=> { size: { widthMm: 152.4, heightMm: 203.2 } }
 */
export function readAnswer(code: OpenQuestion['code'], text: string, ground: AnswerGround): Answered | null {
  if (code === 'sizeUnread' || code === 'sizeUnitUnknown') {
    const reading = readSize(text, ground.unit)
    return reading.ok ? { size: { ...reading.size } } : null
  }
  if (code === 'dateUnread' || code === 'dateOrderUnknown') {
    const reading = readDate(text, { order: ground.dateOrder, shortYears: true, thisYear: ground.thisYear })
    return reading.ok ? { acquiredOn: reading.date } : null
  }
  const price = code === 'priceUnread' ? readPrice(text, ground.currency) : null
  return price && { price: { ...price } }
}

/** Whether a set has the fact that was asked for: a question ends as soon as its field is filled. */
const IS_SAID: Readonly<Partial<Record<OpenQuestion['code'], (before: Holding, after: Holding) => boolean>>> = {
  sizeUnread: (_, { size }) => size !== null,
  sizeUnitUnknown: (_, { size }) => size !== null,
  dateUnread: (_, { acquiredOn }) => acquiredOn !== null,
  dateOrderUnknown: (_, { acquiredOn }) => acquiredOn !== null,
  priceUnread: (_, { price }) => price !== null,
  kindUnread: (_, { kindId }) => kindId !== null,
  brandUnread: (_, { brandId }) => brandId !== null,
  categoryUnread: (_, { categoryId }) => categoryId !== null,
  nameMissing: (before, after) => before.name !== after.name,
}
/** The questions that stay open after a set changed. */
export const stillOpen = (before: Holding, after: Holding): Holding['questions'] =>
  after.questions.filter(({ code }) => !IS_SAID[code]?.(before, after))

/** A change for many sets. `new`: a name that is not in its table yet. Absent fields stay as they are. */
export interface Wish extends Partial<Pick<Holding, 'brandId' | 'categoryId' | 'kindId' | 'holderTypeId' | 'size'>> {
  readonly themeIds?: readonly string[]
  readonly note?: string
}
export type WishField = keyof Wish

/**
 * For each field of the wish, how many sets it would change. O(sets * fields).
 * @example whatChanges([], { brandId: 'b' }) //=> [{ field: 'brandId', changes: 0 }]
 */
export function whatChanges(holdings: readonly Holding[], wish: Wish): readonly { readonly field: WishField; readonly changes: number }[] {
  const { themeIds = [], note = '', size, ...ids } = wish
  const count = (field: WishField, isChanged: (holding: Holding) => boolean) => ({ field, changes: holdings.filter(isChanged).length })
  return [
    ...(Object.keys(ids) as (keyof typeof ids)[]).map(field => count(field, holding => holding[field] !== ids[field])),
    ...(themeIds.length > 0 ? [count('themeIds', holding => themeIds.some(id => !holding.themeIds.includes(id)))] : []),
    ...(size ? [count('size', ({ size: own }) => own?.widthMm !== size.widthMm || own.heightMm !== size.heightMm)] : []),
    ...(note ? [count('note', () => true)] : []),
  ]
}
