import { type BookLeaf, type CatalogueData, hashesOf, type Holder, type Holding, type Label, type Loan, withPictures } from '#core/catalog'
import { doubled, type Edit, type Finding, finding, type Given, nameOf } from './finding'

/** A set is in one holder, or in two if it was cut in two; the one made last is kept. */
export function* standing(data: CatalogueData): Generator<Finding> {
  const holdersOf = new Map<string, Holder[]>()
  for (const holder of data.holders) {
    const once = [...new Set(holder.holdingIds)]
    if (once.length < holder.holdingIds.length)
      yield finding('setTwiceInHolder', 'holders', holder, [{ table: 'holders', put: { ...holder, holdingIds: once } }])
    for (const id of once) holdersOf.set(id, [...(holdersOf.get(id) ?? []), holder])
  }
  for (const holding of data.holdings) {
    const holders = (holdersOf.get(holding.id) ?? []).sort((a, b) => (a.id < b.id ? 1 : -1))
    const tooMany = holders.slice(holding.isCutInTwo ? 2 : 1)
    if (tooMany.length > 0)
      yield finding(
        'setInMore',
        'holdings',
        holding,
        tooMany.map(holder => without(holder, holding.id)),
      )
  }
}
function without(holder: Holder, id: string): Edit {
  const holdingIds = holder.holdingIds.filter(each => each !== id)
  return holdingIds.length > 0 ? { table: 'holders', put: { ...holder, holdingIds } } : { table: 'holders', remove: holder.id }
}

/** A set that is out or lent has one open loan, any other has none. */
export function* loans(data: CatalogueData, given: Given): Generator<Finding> {
  const openOf = new Map<string, Loan[]>()
  for (const loan of data.loans) if (loan.backAt === null) openOf.set(loan.holdingId, [...(openOf.get(loan.holdingId) ?? []), loan])
  for (const holding of data.holdings) {
    const open = (openOf.get(holding.id) ?? []).sort((a, b) => (a.outAt < b.outAt ? 1 : -1))
    const isAway = holding.state === 'out' || holding.state === 'lent'
    const ended = (loan: Loan, backAt: string): Edit => ({ table: 'loans', put: { ...loan, backAt } })
    const [latest, ...earlier] = open
    if (isAway && !latest) yield finding('loanMissing', 'holdings', holding, [{ table: 'loans', put: newLoan(holding, given) }])
    if (!isAway && latest)
      yield finding(
        'loanOpen',
        'holdings',
        holding,
        open.map(loan => ended(loan, given.at)),
        latest.to,
      )
    if (isAway && latest && earlier.length > 0)
      yield finding(
        'loansOpen',
        'holdings',
        holding,
        earlier.map(loan => ended(loan, latest.outAt)),
        latest.to,
      )
  }
}
/** Nobody noted where it was taken. */
const newLoan = (holding: Holding, { newId, at }: Given): Loan => ({
  id: newId(),
  holdingId: holding.id,
  to: 'not noted',
  outAt: at,
  backAt: null,
  isForUse: false,
})

/** Of records of one thing, all but the one made last. */
const older = <R>(records: readonly R[], keyOf: (record: R) => string, madeAt: (record: R) => string): readonly R[] =>
  doubled(records, keyOf).flatMap(group => [...group].sort((a, b) => (madeAt(a) < madeAt(b) ? 1 : -1)).slice(1))

/** What goes with itself, what is listed twice, and what lies beyond its sheet. */
export function* lists(data: CatalogueData): Generator<Finding> {
  for (const relation of data.relations)
    if (relation.fromId === relation.toId) yield finding('withItself', 'relations', relation, [{ table: 'relations', remove: relation.id }])
  for (const list of data.pullLists) {
    const lines = [...new Map(list.lines.toReversed().map(line => [line.holdingId, line])).values()].toReversed()
    if (lines.length < list.lines.length) yield finding('pulledTwice', 'pullLists', list, [{ table: 'pullLists', put: { ...list, lines } }])
  }
  const books = new Map(data.books.map(book => [book.id, book.name]))
  const leafOf = ({ bookId, label }: BookLeaf): string => `${bookId} ${label}`
  for (const leaf of older(data.bookLeaves, leafOf, ({ printedAt }) => printedAt))
    yield finding('leafTwice', 'bookLeaves', leaf, [{ table: 'bookLeaves', remove: leaf.id }], books.get(leaf.bookId))
  const ofWhat = ({ of }: Label): string => of
  for (const label of older(data.labels, ofWhat, ({ madeAt }) => madeAt))
    yield finding('labelTwice', 'labels', label, [{ table: 'labels', remove: label.id }], label.says.join(' '))
  for (const sheet of data.labelSheets) {
    const all = sheet.columns * sheet.rows
    if (sheet.nextFree > all)
      yield finding('sheetBeyond', 'labelSheets', sheet, [{ table: 'labelSheets', put: { ...sheet, nextFree: all } }])
  }
}

/** Pictures that a set, a piece or a strip names and that are not there. */
export function* pictures(data: CatalogueData, { pictures }: Given): Generator<Finding> {
  if (!pictures) return
  const isThere = (hash: string): boolean => pictures.has(hash)
  for (const holding of data.holdings)
    if (!hashesOf(holding).every(isThere))
      yield finding('pictureLost', 'holdings', holding, [{ table: 'holdings', put: withPictures(holding, isThere) }])
  for (const draft of data.drafts)
    if (!hashesOf(draft).every(isThere)) {
      const mend: readonly Edit[] = [{ table: 'drafts', put: withPictures(draft, isThere) }]
      yield { ...finding('pictureLost', 'drafts', draft, mend), name: nameOf('drafts', draft.texts) }
    }
}
