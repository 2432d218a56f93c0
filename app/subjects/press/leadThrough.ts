import { type PDFDocument, PDFHexString, PDFName, PDFNull, PDFNumber, type PDFPage, type PDFRef } from '@cantoo/pdf-lib'
import type { Page, PageItem } from '#core/printing'

interface Sheet {
  readonly page: Pick<Page, 'label' | 'side' | 'bookmark'>
  readonly sheet: PDFPage
  readonly links: readonly PageItem[]
}
interface Entry {
  readonly title: string
  readonly sheet: PDFPage
  readonly below: readonly Entry[]
}

/** Bookmarks by way and heading (ISO 32000-1, 12.3.3), and links to leaves of the same document (12.5.6.5). */
export function leadThrough(doc: PDFDocument, sheets: readonly Sheet[]): void {
  const fronts = new Map(sheets.toReversed().flatMap(({ page, sheet }) => (page.side === 'front' ? [[page.label, sheet] as const] : [])))
  for (const { sheet, links } of sheets) {
    const heightPt = sheet.getHeight()
    for (const link of links) {
      const to = link.type === 'link' ? fronts.get(link.toLabel) : undefined
      if (link.type !== 'link' || !to) continue
      sheet.node.addAnnot(
        doc.context.register(
          doc.context.obj({
            Type: 'Annot',
            Subtype: 'Link',
            Rect: [link.x, heightPt - link.y - link.heightPt, link.x + link.widthPt, heightPt - link.y],
            Border: [0, 0, 0],
            Dest: destination(to),
          }),
        ),
      )
    }
  }
  const entries = entriesOf(sheets)
  if (entries.length === 0) return
  const root = doc.context.nextRef()
  const [first, last, count] = outline(doc, entries, root)
  doc.context.assign(root, doc.context.obj({ Type: 'Outlines', First: first, Last: last, Count: count }))
  doc.catalog.set(PDFName.of('Outlines'), root)
  doc.catalog.set(PDFName.of('PageMode'), PDFName.of('UseOutlines'))
}

const destination = (sheet: PDFPage): (PDFRef | PDFName | typeof PDFNull)[] => [sheet.ref, PDFName.of('XYZ'), PDFNull, PDFNull, PDFNull]

/** What has no way stands by itself; the headings of a way below it. */
function entriesOf(sheets: readonly Sheet[]): readonly Entry[] {
  const entries: { title: string; sheet: PDFPage; below: Entry[] }[] = []
  let last = ''
  for (const { page, sheet } of sheets) {
    if (!page.bookmark) continue
    const { way, title } = page.bookmark
    const top = way || title
    if (entries.at(-1)?.title !== top) entries.push({ title: top, sheet, below: [] })
    if (way && `${way}\n${title}` !== last) entries.at(-1)?.below.push({ title, sheet, below: [] })
    last = `${way}\n${title}`
  }
  return entries
}

function outline(doc: PDFDocument, entries: readonly Entry[], parent: PDFRef): readonly [first: PDFRef, last: PDFRef, count: PDFNumber] {
  const refs = entries.map(() => doc.context.nextRef())
  entries.forEach(({ title, sheet, below }, at) => {
    const [ref, before, after] = [refs[at], refs[at - 1], refs[at + 1]]
    if (!ref) return
    const item = doc.context.obj({ Parent: parent, Dest: destination(sheet) })
    item.set(PDFName.of('Title'), PDFHexString.fromText(title))
    if (before) item.set(PDFName.of('Prev'), before)
    if (after) item.set(PDFName.of('Next'), after)
    if (below.length > 0) {
      const [first, last] = outline(doc, below, ref)
      item.set(PDFName.of('First'), first)
      item.set(PDFName.of('Last'), last)
      // Closed at first: less than nought.
      item.set(PDFName.of('Count'), PDFNumber.of(-below.length))
    }
    doc.context.assign(ref, item)
  })
  return [refs[0] ?? parent, refs.at(-1) ?? parent, PDFNumber.of(entries.length)]
}
