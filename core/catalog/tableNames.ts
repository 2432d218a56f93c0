/**
 * The names of the tables, in an order in which records only refer to earlier tables. Apart from the schemas, so that
 * the screen can know the names without loading the validator.
 */
export const TABLE_NAMES = [
  'settings',
  'brands',
  'kinds',
  'categories',
  'themes',
  'series',
  'register',
  'fixtures',
  'zones',
  'containers',
  'sections',
  'holderTypes',
  'holdings',
  'holders',
  'relations',
  'loans',
  'drafts',
  'measuredLengths',
  'refilings',
  'links',
  'pullLists',
  'uses',
  'books',
  'bookLeaves',
  'labels',
  'labelSheets',
  'printers',
  'setAside',
] as const
export type TableName = (typeof TABLE_NAMES)[number]
