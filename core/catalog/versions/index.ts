import type { TableName } from '../tableNames'
import type { Old } from './version'
import { VERSION_1 } from './version1'
import { VERSION_2 } from './version2'
import { VERSION_3 } from './version3'
import { VERSION_4 } from './version4'
import { VERSION_5 } from './version5'
import { VERSION_6 } from './version6'

export type { Old, Version } from './version'

/** Every version there was, oldest first. Database and archive have the same numbers. */
export const VERSIONS = [VERSION_1, VERSION_2, VERSION_3, VERSION_4, VERSION_5, VERSION_6] as const
export const LATEST_VERSION = VERSION_6.number

/**
 * A record as version `from` left it, as the latest version has it. Nothing is checked here.
 * @example upgradeRecord('themes', { id: 't', name: 'Harbour', rank: 0, seeAlsoIds: [] }, 1).sharesPage //=> false
 */
export function upgradeRecord(table: TableName, record: Old, from: number): Old {
  return VERSIONS.filter(version => version.number > from).reduce((older, { upgrade }) => upgrade[table]?.(older) ?? older, record)
}

/** The version that brought a table: an archive of an earlier one has none. */
export function versionThatBrought(table: TableName): number {
  return VERSIONS.find(version => version.brings.includes(table))?.number ?? LATEST_VERSION
}
