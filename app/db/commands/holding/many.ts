import { newId } from '~/db/newId'
import { type HolderType, type Holding, LIMITS, type OpenQuestion, type Use } from '#core/catalog'
import { saidUse } from '#core/fetching'
import { type Answered, isSameQuestion, stillOpen } from '#core/questions'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { freePlaces } from './places'
import { areInPlace, isAtHand } from './placing'
import { brandNamed, categoryNamed, holdersFollow, type PlaceChoice, putInPlace, themeNamed } from './takeIn'

/** What is said of many sets at once; what is not in it stays as it is. */
export interface SetsChange {
  readonly ids: readonly string[]
  readonly set?: Answered
  readonly brandName?: string
  readonly categoryName?: string
  readonly addThemes?: readonly string[]
  readonly addNote?: string
  /** What they sit in from now on. */
  readonly holderTypeId?: string
  /** Where they stand from now on, as planned. */
  readonly places?: readonly { readonly holdingId: string; readonly place: PlaceChoice }[]
  /** The question that this answers. */
  readonly answers?: OpenQuestion
}

/**
 * Changes many sets in one step, each as it is at that moment. A set that is gone, or that has no room for the note or the
 * themes, is left as it was, with its question; how many were changed, and how many were left. A place that was taken meanwhile is not
 * given.
 */
export async function changeMany(
  db: YondercrestDb,
  changes: readonly SetsChange[],
): Promise<{ readonly changed: number; readonly left: number }> {
  const isAnswer = changes.every(change => change.answers !== undefined)
  return transact(
    db,
    isAnswer ? 'answerQuestions' : 'changeMany',
    ({ changed }: { changed: number }) => ({ count: changed }),
    async desk => {
      const changed = new Map<string, Holding>()
      const left = new Set<string>()
      const uses: Use[] = []
      for (const change of changes) {
        const {
          ids,
          set: { isUsed, ...set } = {},
          brandName,
          categoryName,
          addThemes = [],
          addNote = '',
          holderTypeId = '',
          answers,
        } = change
        const holderType = await db.records('holderTypes').get(holderTypeId)
        const named = {
          ...(holderType ? sitsInOf(holderType) : {}),
          ...(brandName === undefined ? {} : { brandId: await brandNamed(desk, brandName) }),
          ...(categoryName === undefined ? {} : { categoryId: await categoryNamed(desk, categoryName) }),
        }
        const themeIds: string[] = []
        for (const theme of addThemes) themeIds.push(await themeNamed(desk, theme))
        const found = await db.records('holdings').bulkGet([...ids])
        found.forEach((stored, at) => {
          const before = changed.get(stored?.id ?? '') ?? stored
          const notes = before && addNote ? [before.notes, addNote].filter(Boolean).join('\n') : before?.notes
          const themes = before ? [...new Set([...before.themeIds, ...themeIds])] : []
          if (!before || notes === undefined || notes.length > LIMITS.text || themes.length > LIMITS.themes) return left.add(ids[at] ?? '')
          const questions = before.questions.filter(question => !answers || !isSameQuestion(question, answers))
          const after: Holding = { ...before, ...set, ...named, themeIds: themes, notes, questions }
          const said = isUsed === undefined ? null : saidUse({ isUsed, useCount: null })
          if (said) uses.push({ id: newId(), holdingId: before.id, ...said })
          return changed.set(before.id, { ...after, questions: stillOpen(before, after) })
        })
      }
      await desk.put('holdings', [...changed.values()])
      await desk.put('uses', uses)
      if (changes.some(({ holderTypeId }) => holderTypeId)) await holdersFollow(desk, [...changed.values()])
      await givePlaces(
        desk,
        changes.flatMap(({ places = [] }) => places.flatMap(({ holdingId, place }) => ({ holding: changed.get(holdingId), place }))),
      )
      return { changed: changed.size, left: left.size }
    },
  )
}

const sitsInOf = ({ id, type }: HolderType): Pick<Holding, 'holderTypeId' | 'sitsIn'> => ({ holderTypeId: id, sitsIn: type })

/** Each to its place, in the order of the plan; those that share what they sit in go together. */
async function givePlaces(
  desk: Desk,
  wanted: readonly { readonly holding: Holding | undefined; readonly place: PlaceChoice }[],
): Promise<void> {
  const isFree = await freePlaces(
    desk.db,
    wanted.map(({ place }) => place),
  )
  for (const { holding, place } of wanted) {
    if (!holding || !isFree(place, null)) continue
    await putInPlace(desk, holding, place)
    if (isAtHand(holding)) await areInPlace(desk, [holding])
  }
}
