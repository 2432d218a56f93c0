import { type RecordOf, type TableName, TABLES } from '#core/catalog'

/**
 * What is not as the schema of its table has it, in words for the log; null: all is. In a module of its own, so that the
 * screen loads the validator once it is up, and not before.
 * @example firstFault('brands', [{ id: 'x' }])?.startsWith('brands: id') //=> true
 */
export function firstFault(table: TableName, records: readonly unknown[]): string | null {
  for (const record of records) {
    const issue = TABLES[table].safeParse(record).error?.issues[0]
    if (issue) return `${table}: ${issue.path.join('.')} ${issue.message}`
  }
  return null
}

/**
 * Records as the schema of their table takes them: names without spaces at their ends, texts without what no file keeps. A fault in words
 * where it takes one of them not.
 * @example taken('series', [{ id: 'x' }]).fault?.startsWith('series: id') //=> true
 */
export function taken<T extends TableName>(
  table: T,
  records: readonly RecordOf<T>[],
): { readonly fault: null; readonly records: readonly RecordOf<T>[] } | { readonly fault: string } {
  const schema = TABLES[table]
  const read: RecordOf<T>[] = []
  for (const record of records) {
    const { data } = schema.safeParse(record)
    if (!data) return { fault: firstFault(table, [record]) ?? table }
    read.push(data as RecordOf<T>)
  }
  return { fault: null, records: read }
}
