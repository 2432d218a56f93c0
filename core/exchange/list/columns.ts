import { FIELD_SIGNS, LIST_FIELDS, type ListField } from './fields'
import type { ListTable } from './table'

export interface ColumnGuess {
  readonly field: ListField
  readonly because: 'heading' | 'content' | 'both' | 'nothing'
}

/** So many cells are enough to know a column. */
const SAMPLE_ROWS = 400

/**
 * What each column most likely is, by its heading and by what its cells look like. Each field goes to one column (the
 * most likely first); what is left over goes to the notes, so that nothing is lost. O(columns * fields * sample).
 */
export function guessColumns(table: ListTable): readonly ColumnGuess[] {
  const scores = table.headings
    .flatMap((heading, column) => {
      const cells = table.rows
        .slice(0, SAMPLE_ROWS)
        .map(row => row[column]?.trim() ?? '')
        .filter(Boolean)
      return LIST_FIELDS.map(field => {
        const byHeading = headingScore(field, heading)
        const byContent = contentScore(field, cells)
        return { column, field, byHeading, byContent, score: byHeading + byContent }
      })
    })
    .filter(each => each.byHeading > 0 || each.byContent > 0.6)
    .sort((a, b) => b.score - a.score || a.column - b.column)

  const guesses: (ColumnGuess | undefined)[] = table.headings.map(() => undefined)
  const given = new Set<ListField>()
  for (const { column, field, byHeading, byContent } of scores) {
    if (guesses[column] || (given.has(field) && field !== 'notes')) continue
    given.add(field)
    guesses[column] = { field, because: byHeading > 0 ? (byContent > 0.6 ? 'both' : 'heading') : 'content' }
  }
  return guesses.map(guess => guess ?? { field: 'notes', because: 'nothing' })
}

function headingScore(field: ListField, heading: string): number {
  const match = FIELD_SIGNS[field].heading.exec(heading)
  // A heading that is the word and nothing else says more than one that merely holds it.
  return match ? 1 + match[0].length / Math.max(heading.length, 1) : 0
}

function contentScore(field: ListField, cells: readonly string[]): number {
  const { looksLike } = FIELD_SIGNS[field]
  if (!looksLike || cells.length === 0) return 0
  return cells.filter(looksLike).length / cells.length
}
