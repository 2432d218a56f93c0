import { LIST_FIELDS, type ListField, LOOKS_LIKE, MUST_LOOK_LIKE } from './fields'
import { headingScore } from './headings'
import { isNotSaid } from '#core/classing'
import type { ListTable } from './table'

export interface ColumnGuess {
  readonly field: ListField
  readonly because: 'heading' | 'content' | 'both' | 'taken' | 'nothing'
  /** The field that it claims as well as the column that has it; null where nobody else has it. */
  readonly claims: ListField | null
}

/** So many cells are enough to know a column. */
const SAMPLE_ROWS = 400
/** From this share of its cells on a column is known by them alone. */
const BY_CONTENT = 0.6
/** So many cells that all look otherwise speak against a heading. */
const CELLS_TO_DENY = 3

/**
 * The likeliest field of each column, by its heading and by its cells. A field goes to one column, the likeliest; another column that
 * claims it says so. A column without a field goes to the notes, so that nothing is lost. O(columns * fields * sample).
 */
export function guessColumns(table: ListTable): readonly ColumnGuess[] {
  const scores = table.headings
    .flatMap((heading, column) => {
      const cells = table.rows
        .slice(0, SAMPLE_ROWS)
        .map(row => row[column]?.trim() ?? '')
        .filter(text => !isNotSaid(text))
      return LIST_FIELDS.map(field => {
        const byContent = contentScore(field, cells)
        const isDenied = MUST_LOOK_LIKE.has(field) && cells.length >= CELLS_TO_DENY && byContent === 0
        const byHeading = isDenied ? 0 : headingScore(field, heading)
        return { column, field, byHeading, byContent, score: byHeading + byContent }
      })
    })
    .filter(each => each.byHeading > 0 || each.byContent > BY_CONTENT)
    .sort((a, b) => b.score - a.score || a.column - b.column)

  const guesses: (ColumnGuess | undefined)[] = table.headings.map(() => undefined)
  const claims: (ListField | undefined)[] = table.headings.map(() => undefined)
  const given = new Set<ListField>()
  for (const { column, field, byHeading, byContent } of scores) {
    if (guesses[column]) continue
    if (given.has(field) && field !== 'notes') {
      if (byHeading > 0) claims[column] ??= field
      continue
    }
    // What claims a field by its heading is not given another by cells alone.
    if (claims[column] && byHeading === 0) continue
    given.add(field)
    const withHeading = byContent > BY_CONTENT ? 'both' : 'heading'
    guesses[column] = { field, because: byHeading > 0 ? withHeading : 'content', claims: null }
  }
  return guesses.map((guess, column) => {
    const wanted = claims[column]
    if (guess && (guess.field !== 'notes' || !wanted)) return guess
    return wanted ? { field: 'notes', because: 'taken', claims: wanted } : { field: 'notes', because: 'nothing', claims: null }
  })
}

function contentScore(field: ListField, cells: readonly string[]): number {
  const looksLike = LOOKS_LIKE[field]
  return !looksLike || cells.length === 0 ? 0 : cells.filter(looksLike).length / cells.length
}
