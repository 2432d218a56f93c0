import { type TableName, TABLES } from '#core/catalog'

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
