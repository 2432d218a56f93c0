import type { TableName } from '../tableNames'

/** A record whose shape only the version that left it knows. */
export type Old = Readonly<Record<string, unknown>>

/**
 * One version of the tables. Once shipped it is never edited, and it holds literal values only: a constant may change,
 * and what an old database opens as may not. The database and the archive both read through the same list.
 */
export interface Version {
  readonly number: number
  /** Indexes as Dexie writes them, of tables that are new in this version or whose indexes changed. */
  readonly stores: Readonly<Record<string, string>>
  /** Tables of the catalogue that this version brought. */
  readonly brings: readonly TableName[]
  /** A record of the version before, as this version has it. Pure. */
  readonly upgrade: Readonly<Partial<Record<TableName, (record: Old) => Old>>>
  /**
   * What a record of the version before gives to a table of this one, as this version has it, under the id of the record; null:
   * nothing. Pure.
   */
  readonly gives?: Readonly<Partial<Record<TableName, { readonly to: TableName; readonly make: (record: Old) => Old | null }>>>
}
