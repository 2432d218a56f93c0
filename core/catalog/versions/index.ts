import type { TableName } from '../tableNames'
import type { Old, Version } from './version'
import { VERSION_1 } from './version1'
import { VERSION_10 } from './version10'
import { VERSION_11 } from './version11'
import { VERSION_12 } from './version12'
import { VERSION_2 } from './version2'
import { VERSION_3 } from './version3'
import { VERSION_4 } from './version4'
import { VERSION_5 } from './version5'
import { VERSION_6 } from './version6'
import { VERSION_7 } from './version7'
import { VERSION_8 } from './version8'
import { VERSION_9 } from './version9'

export type { Old, Version } from './version'

/** Every version there was, oldest first. Database and archive have the same numbers. */
export const VERSIONS = [
  VERSION_1,
  VERSION_2,
  VERSION_3,
  VERSION_4,
  VERSION_5,
  VERSION_6,
  VERSION_7,
  VERSION_8,
  VERSION_9,
  VERSION_10,
  VERSION_11,
  VERSION_12,
] as const
export const LATEST_VERSION = VERSION_12.number

/**
 * A record as version `from` left it, as the latest version has it. Nothing is checked here.
 * @example upgradeRecord('themes', { id: 't', name: 'Harbour', rank: 0, seeAlsoIds: [] }, 1).sharesPage //=> false
 */
export function upgradeRecord(table: TableName, record: Old, from: number): Old {
  return VERSIONS.filter(version => version.number > from).reduce((older, { upgrade }) => upgrade[table]?.(older) ?? older, record)
}

/**
 * What a record as version `from` left it gives to other tables, as the latest version has it. Nothing is checked here.
 * @example recordsGiven('holdings', { id: 's', isUsed: true, useCount: 3, lastUsedOn: null }, 6)[0]?.record.times //=> 3
 */
export function recordsGiven(table: TableName, record: Old, from: number): readonly { readonly to: TableName; readonly record: Old }[] {
  const given: { readonly to: TableName; readonly record: Old }[] = []
  let older = record
  for (const { number, upgrade, gives } of VERSIONS as readonly Version[]) {
    if (number <= from) continue
    const gift = gives?.[table]
    const made = gift?.make(older)
    if (gift && made) given.push({ to: gift.to, record: upgradeRecord(gift.to, made, number) })
    older = upgrade[table]?.(older) ?? older
  }
  return given
}

/** The version that brought a table: an archive of an earlier one has none. */
export function versionThatBrought(table: TableName): number {
  return VERSIONS.find(version => version.brings.includes(table))?.number ?? LATEST_VERSION
}
