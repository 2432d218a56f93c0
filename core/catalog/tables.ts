import type { z } from 'zod'
import { Brand, Category, Kind, Theme, WordLink } from './authority'
import { Draft } from './draft'
import { Holding, Loan, Relation } from './holding'
import { Label, LabelSheet, Printer } from './labels'
import { RegisterLine, RoomSettings, Series } from './numbers'
import { Container, Fixture, Holder, HolderType, MeasuredLength, Refiling, Section, Zone } from './room'
import { BookLeaf, IndexBook } from './paper'
import { SetAside } from './setAside'
import { PullList, Use } from './using'
import type { TableName } from './tableNames'

/**
 * Every table of the catalogue and the schema of its records: the one definition that the database, the journal and
 * the archive all read. Pictures are not here: they are files named by their own hash.
 */
export const TABLES = {
  settings: RoomSettings,
  brands: Brand,
  kinds: Kind,
  categories: Category,
  themes: Theme,
  series: Series,
  register: RegisterLine,
  fixtures: Fixture,
  zones: Zone,
  containers: Container,
  sections: Section,
  holderTypes: HolderType,
  holders: Holder,
  holdings: Holding,
  relations: Relation,
  loans: Loan,
  drafts: Draft,
  measuredLengths: MeasuredLength,
  refilings: Refiling,
  links: WordLink,
  pullLists: PullList,
  uses: Use,
  books: IndexBook,
  bookLeaves: BookLeaf,
  labels: Label,
  labelSheets: LabelSheet,
  printers: Printer,
  setAside: SetAside,
} as const satisfies Record<TableName, z.ZodType>

export type RecordOf<T extends TableName> = z.infer<(typeof TABLES)[T]>

/** A whole catalogue as plain lists: what an archive holds and what the demo room is. */
export type CatalogueData = { [T in TableName]: RecordOf<T>[] }
