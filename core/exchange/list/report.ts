import type { OpenQuestion } from '#core/catalog'
import { type Tally, tally } from './facts'
import type { PlannedRow } from './plan'

/** Every row accounted for: `taken + withQuestion + refused` is the number of rows. */
export interface ImportReport {
  readonly rows: number
  readonly taken: number
  readonly withQuestion: number
  readonly refused: readonly { readonly row: number; readonly because: Extract<PlannedRow, { outcome: 'refused' }>['because'] }[]
  readonly placesKept: number
  /** Sets that stand twice in the list: same brand text and name. */
  readonly repeated: readonly Tally[]
  readonly questions: readonly { readonly code: OpenQuestion['code']; readonly count: number; readonly texts: readonly Tally[] }[]
}

export function reportOn(rows: readonly PlannedRow[]): ImportReport {
  const taken = rows.filter(row => row.outcome === 'taken')
  const textsByCode = new Map<OpenQuestion['code'], string[]>()
  for (const { questions } of taken) {
    for (const { code, text } of questions) {
      const texts = textsByCode.get(code) ?? []
      texts.push(text || '(empty)')
      textsByCode.set(code, texts)
    }
  }
  const withQuestion = taken.filter(row => row.questions.length > 0).length
  return {
    rows: rows.length,
    taken: taken.length - withQuestion,
    withQuestion,
    refused: rows.filter(row => row.outcome === 'refused').map(({ row, because }) => ({ row, because })),
    placesKept: taken.filter(row => row.draft.placeText !== '').length,
    repeated: tally(taken.map(({ draft }) => `${draft.name} / ${draft.brandText}`)).filter(each => each.count > 1),
    questions: [...textsByCode]
      .map(([code, texts]) => ({ code, count: texts.length, texts: tally(texts) }))
      .sort((a, b) => b.count - a.count || (a.code < b.code ? -1 : 1)),
  }
}
