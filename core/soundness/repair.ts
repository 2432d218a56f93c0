import { blankBook, blankBrand, blankDraft, blankHolding, type TableName, TABLES } from '#core/catalog'

/** A record that its schema refuses, and what would make it one that it takes. */
export interface Repair {
  /** null: something has to be said first, or it cannot be made right here. */
  readonly record: { readonly id: string } | null
  /** Fields that get another value, each as short texts. */
  readonly changes: readonly { readonly field: string; readonly was: string; readonly now: string }[]
  /** Fields for which a text has to be said. */
  readonly asks: readonly string[]
  /** Fields that nothing can be put into. */
  readonly hopeless: readonly string[]
}

interface FieldSchema {
  safeParse(value: unknown): { readonly success: boolean }
}
const SOMETHING = 'x'
const EMPTY: readonly unknown[] = [null, [], '', false, 0, 1]
const shown = (value: unknown): string => (value === undefined ? '' : JSON.stringify(value)).slice(0, 200)

/** New records of these tables as they begin, for the fields of one that is spoilt. */
function beginnings(table: TableName): Readonly<Record<string, unknown>> {
  const identity = { id: '', name: '', number: 1, seriesId: '', rank: 0, createdAt: '' }
  if (table === 'holdings') return { ...blankHolding(identity), id: undefined, number: undefined, name: undefined }
  if (table === 'drafts') return { ...blankDraft(identity) }
  if (table === 'books') return { ...blankBook(identity) }
  return table === 'brands' ? { ...blankBrand('', '') } : {}
}

/**
 * Works out how a record that is set aside could be put back. Each field that is refused gets what is left of it, what a new record has
 * there, or nothing; where only a text will do, `said` gives it.
 * @example repair('links', '{"id":"01J00000000000000000000000","word":null,"goesWith":"sea","isRuledOut":0}', {}).asks //=> ['word']
 */
export function repair(table: TableName, text: string, said: Readonly<Record<string, string>>): Repair {
  const schema = TABLES[table]
  const shape = schema.shape as unknown as Readonly<Record<string, FieldSchema>>
  const record = readObject(text)
  if (!record) return { record: null, changes: [], asks: [], hopeless: ['id'] }
  const begins = beginnings(table)
  const fixed: Record<string, unknown> = { ...record }
  const [changes, asks, hopeless]: [{ field: string; was: string; now: string }[], string[], string[]] = [[], [], []]
  for (const [field, each] of Object.entries(shape)) {
    const value = record[field]
    if (each.safeParse(value).success) continue
    const isText = field !== 'id' && each.safeParse(SOMETHING).success
    const left = Array.isArray(value) ? value.filter(part => each.safeParse([part]).success) : undefined
    // A text that has to be there is asked for, and not made up.
    const candidates = [left, begins[field], ...(isText ? [null, ''] : EMPTY), said[field]?.trim()]
    const found = field === 'id' ? -1 : candidates.findIndex(candidate => candidate !== undefined && each.safeParse(candidate).success)
    if (found === -1) (isText ? asks : hopeless).push(field)
    else {
      fixed[field] = candidates[found]
      changes.push({ field, was: shown(value), now: shown(candidates[found]) })
    }
  }
  const whole = asks.length + hopeless.length === 0 ? schema.safeParse(fixed) : null
  return { record: whole?.success ? whole.data : null, changes, asks, hopeless }
}

function readObject(text: string): Readonly<Record<string, unknown>> | null {
  try {
    const value: unknown = JSON.parse(text)
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Readonly<Record<string, unknown>>) : null
  } catch {
    return null
  }
}
