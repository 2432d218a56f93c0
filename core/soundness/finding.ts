import type { CatalogueData, RecordOf, TableName } from '#core/catalog'

/** What is not as it should be. Each has a sentence on the page of copies. */
export type FindingCode =
  | 'settingsMissing'
  | 'lost'
  | 'pictureLost'
  | 'noneRunning'
  | 'manyRunning'
  | 'seriesCircle'
  | 'notRegistered'
  | 'registeredForOther'
  | 'registerLine'
  | 'numberTwice'
  | 'refilingsOpen'
  | 'tableOfNone'
  | 'tableNotMarked'
  | 'codesAlike'
  | 'shelfBeyond'
  | 'laneBeyond'
  | 'cellTaken'
  | 'cellUnseen'
  | 'cellBeyond'
  | 'cellMissing'
  | 'setTwiceInHolder'
  | 'setInMore'
  | 'loanMissing'
  | 'loanOpen'
  | 'loansOpen'
  | 'withItself'
  | 'pulledTwice'
  | 'leafTwice'
  | 'labelTwice'
  | 'sheetBeyond'

/** One record as it shall be, or one that shall go. */
export type Edit<T extends TableName = TableName> =
  | { readonly [K in T]: { readonly table: K; readonly put: RecordOf<K> } }[T]
  | { readonly table: T; readonly remove: string }

/** One thing that is not as it should be. */
export interface Finding {
  readonly code: FindingCode
  /** The record that it is said of. */
  readonly table: TableName
  readonly id: string
  /** What that record is called: number and name, a title, a code. */
  readonly name: string
  /** What else the sentence names: the table of a lost record, another container. */
  readonly about: string
  /** What makes it right; null: only somebody who knows can. */
  readonly mend: readonly Edit[] | null
}

/** What a check is given besides the catalogue. */
export interface Given {
  /** The pictures that there are; null: not looked at. */
  readonly pictures: ReadonlySet<string> | null
  /** Now, for what ends by being mended. */
  readonly at: string
  newId(): string
}

/** @example nameOf('containers', { code: 'B4', name: 'Bin 4' }) //=> 'Bin 4' */
export function nameOf(table: TableName, record: object): string {
  const { number, name, title, label, code, roomName } = record as Readonly<Record<string, unknown>>
  if (table === 'holdings') return `${String(number)} ${String(name)}`
  if (table === 'register') return String(number)
  const said = [name, title, label, code, roomName].find(each => typeof each === 'string' && each !== '')
  return typeof said === 'string' ? said : ''
}

/** A finding about one record. */
export function finding<T extends TableName>(
  code: FindingCode,
  table: T,
  record: RecordOf<T> & { readonly id: string },
  mend: Finding['mend'],
  about = '',
): Finding {
  return { code, table, id: record.id, name: nameOf(table, record), about, mend }
}

/** Records by a key, where more than one has it. In the order of the list. */
export function doubled<R>(records: readonly R[], keyOf: (record: R) => string | null): readonly (readonly R[])[] {
  const groups = new Map<string, R[]>()
  for (const record of records) {
    const key = keyOf(record)
    if (key === null) continue
    const group = groups.get(key)
    if (group) group.push(record)
    else groups.set(key, [record])
  }
  return [...groups.values()].filter(group => group.length > 1)
}

/** The catalogue after some edits. Tables that none of them touches are the same lists. */
export function edited(data: CatalogueData, edits: readonly Edit[]): CatalogueData {
  const next = { ...data } as Record<TableName, readonly { readonly id: string }[]>
  const byTable = new Map<TableName, Map<string, { readonly id: string } | null>>()
  for (const edit of edits) {
    const changes = byTable.get(edit.table) ?? new Map<string, { readonly id: string } | null>()
    if ('put' in edit) changes.set(edit.put.id, edit.put)
    else changes.set(edit.remove, null)
    byTable.set(edit.table, changes)
  }
  for (const [table, changes] of byTable) {
    const known = new Set(next[table].map(({ id }) => id))
    const stay = next[table].flatMap(record => (changes.has(record.id) ? (changes.get(record.id) ?? []) : record))
    next[table] = [...stay, ...[...changes].flatMap(([id, record]) => (record && !known.has(id) ? record : []))]
  }
  return next as unknown as CatalogueData
}
