import fontkit from '@cantoo/fontkit'
import {
  beginText,
  endText,
  PDFDocument,
  type PDFFont,
  type PDFHexString,
  type PDFImage,
  type PDFName,
  type PDFPage,
  rgb,
  setFillingColor,
  setFontAndSize,
  setTextMatrix,
  showText,
} from '@cantoo/pdf-lib'
import type { Ink, Page, PageItem, PageSize } from '#core/printing'
import { PT_PER_MM } from '#core/units'
import { BOX_EM, type FaceName, type Faces } from './faces'
import { leadThrough } from './leadThrough'

/** The name of an embedded subset begins with six capitals of its own and a plus sign: ISO 32000-1, 9.6.4. */
const SUBSET_NAMES: Readonly<Record<FaceName, string>> = {
  text: 'YCTEXT+AtkinsonHyperlegibleNext-Regular',
  bold: 'YCBOLD+AtkinsonHyperlegibleNext-Bold',
  title: 'YCHEAD+BricolageGrotesque-Bold',
  other: 'YCELSE+NotoSans-Regular',
}
// The product's own colours (assets/css/tokens.css), as paper takes them.
const INKS: Readonly<Record<Ink, ReturnType<typeof rgb>>> = {
  night: rgb(0.106, 0.137, 0.251),
  quiet: rgb(0.275, 0.353, 0.561),
  line: rgb(0.835, 0.867, 0.918),
  ridge: rgb(0.169, 0.227, 0.4),
  black: rgb(0, 0, 0),
  tab0: rgb(0.247, 0.373, 0.639),
  tab1: rgb(0.145, 0.443, 0.416),
  tab2: rgb(0.455, 0.337, 0.604),
  tab3: rgb(0.541, 0.361, 0.078),
  tab4: rgb(0.588, 0.259, 0.349),
  tab5: rgb(0.298, 0.42, 0.173),
}
/** How large the ring is where a hole is to be punched: ISO 838 holes are 6 mm wide. */
const HOLE_PT = 3 * PT_PER_MM

export interface PdfJob {
  readonly title: string
  /** The size of each page: a book has one, labels on tape are as long as they are. */
  readonly sizeOf: (nth: number) => PageSize
  readonly faces: Faces
  /** Page by page, as they are drawn: no more than one is kept. */
  readonly pages: Iterable<Page>
  readonly total: number
  /** The picture for a page, as JPEG, large enough for the size it is printed at; null: it is gone. */
  readonly jpegOf: (picture: Extract<PageItem, { type: 'picture' }>) => Promise<ArrayBuffer | null>
  readonly onPage: (done: number, total: number) => void
}

/** Sets laid pages as PDF: fonts embedded as subsets, text as text, each picture embedded once, bookmarks and links. */
export async function renderPdf(job: PdfJob): Promise<ArrayBuffer> {
  const { faces } = job
  const doc = await PDFDocument.create()
  doc.registerFontkit(fontkit)
  doc.setTitle(job.title, { showInWindowTitleBar: true })
  doc.setLanguage('en')
  doc.setCreator('Yondercrest')
  const fonts = new Map<FaceName, PDFFont>()
  for (const [name, { bytes }] of faces.faces) fonts.set(name, await doc.embedFont(bytes, { subset: true, customName: SUBSET_NAMES[name] }))
  const images = new Map<string, PDFImage | null>()
  const encode = encoderFor(fonts)
  const sheets: { readonly page: Omit<Page, 'items'>; readonly sheet: PDFPage; readonly links: readonly PageItem[] }[] = []
  for (const page of job.pages) {
    const paper = job.sizeOf(sheets.length)
    const sheet = doc.addPage([paper.widthPt, paper.heightPt])
    const keys = new Map([...fonts].map(([name, font]) => [name, sheet.node.newFontDictionary(name, font.ref)]))
    for (const item of page.items) {
      if (item.type === 'text') setText(sheet, item, paper.heightPt, { faces, keys, encode })
      else if (item.type === 'picture') {
        const key = `${item.hash} ${item.widthPt}`
        if (!images.has(key)) images.set(key, await embed(doc, await job.jpegOf(item)))
        setPicture(sheet, item, paper.heightPt, images.get(key) ?? null)
      } else draw(sheet, item, paper.heightPt)
    }
    sheets.push({
      page: { label: page.label, side: page.side, bookmark: page.bookmark },
      sheet,
      links: page.items.filter(({ type }) => type === 'link'),
    })
    job.onPage(sheets.length, job.total)
  }
  leadThrough(doc, sheets)
  const bytes = await doc.save()
  return bytes.buffer as ArrayBuffer
}

const embed = (doc: PDFDocument, jpeg: ArrayBuffer | null): Promise<PDFImage | null> =>
  jpeg ? doc.embedJpg(new Uint8Array(jpeg)).catch(() => null) : Promise.resolve(null)

type Encode = (text: string, face: FaceName) => PDFHexString | null

/** Shaping a text costs a third of a millisecond, and a set's name stands in the index three times or more. */
function encoderFor(fonts: ReadonlyMap<FaceName, PDFFont>): Encode {
  const known = new Map<string, PDFHexString | null>()
  return (text, face) => {
    const key = `${face}/${text}`
    const found = known.get(key) ?? fonts.get(face)?.encodeText(text) ?? null
    known.set(key, found)
    return found
  }
}

/** The bare operators of one line of text: what drawText writes, without its checks and wrapping. */
function setText(
  sheet: PDFPage,
  item: Extract<PageItem, { type: 'text' }>,
  heightPt: number,
  { faces, keys, encode }: { readonly faces: Faces; readonly keys: ReadonlyMap<FaceName, PDFName>; readonly encode: Encode },
): void {
  let { x } = item
  for (const run of faces.runs(item.text, item.font)) {
    const width = faces.runWidth(run) * item.sizePt
    const [key, code] = run.face === 'box' ? [] : [keys.get(run.face), encode(run.text, run.face)]
    if (key && code)
      sheet.pushOperators(
        beginText(),
        setFillingColor(INKS[item.ink]),
        setFontAndSize(key, item.sizePt),
        setTextMatrix(1, 0, 0, 1, x, heightPt - item.y),
        showText(code),
        endText(),
      )
    else drawBoxes(sheet, [...run.text].length, x, heightPt - item.y, item.sizePt)
    x += width
  }
}
/** A letter that no font of ours has: an empty box in its place. */
function drawBoxes(sheet: PDFPage, count: number, x: number, y: number, sizePt: number): void {
  for (let at = 0; at < count; at += 1)
    sheet.drawRectangle({
      x: x + (at * BOX_EM + 0.08) * sizePt,
      y,
      width: (BOX_EM - 0.16) * sizePt,
      height: 0.7 * sizePt,
      borderWidth: 0.6,
      borderColor: INKS.night,
    })
}

function setPicture(
  sheet: PDFPage,
  { x, y, widthPt, heightPt: high, inkShare = 1 }: Extract<PageItem, { type: 'picture' }>,
  heightPt: number,
  image: PDFImage | null,
): void {
  const place = { x, y: heightPt - y - high, width: widthPt, height: high }
  // A picture that is gone leaves its frame: one sees that there was one.
  if (image) sheet.drawImage(image, { ...place, opacity: inkShare })
  else sheet.drawRectangle({ ...place, borderWidth: 0.4, borderColor: INKS.line })
}

function draw(sheet: PDFPage, item: Exclude<PageItem, { type: 'text' | 'picture' }>, heightPt: number): void {
  if (item.type === 'rule')
    sheet.drawLine({
      start: { x: item.x, y: heightPt - item.y },
      end: { x: item.toX, y: heightPt - item.y },
      thickness: item.weightPt,
      color: INKS[item.ink],
    })
  else if (item.type === 'hole')
    sheet.drawCircle({ x: item.x, y: heightPt - item.y, size: HOLE_PT, borderWidth: 0.4, borderColor: INKS.line })
  else if (item.type === 'outline' || item.type === 'area') {
    const place = { x: item.x, y: heightPt - item.y - item.heightPt, width: item.widthPt, height: item.heightPt }
    sheet.drawRectangle(
      item.type === 'area' ? { ...place, color: INKS[item.ink] } : { ...place, borderWidth: 0.4, borderColor: INKS[item.ink] },
    )
  }
}
