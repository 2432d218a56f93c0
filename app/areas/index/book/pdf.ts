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
import boldUrl from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'
import textUrl from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import titleUrl from '@expo-google-fonts/bricolage-grotesque/700Bold/BricolageGrotesque_700Bold.ttf?url'
import type { FontName, Ink, Measure, Page, PageItem, PageSize } from '#core/printing'

const FONT_URLS: Readonly<Record<FontName, string>> = { text: textUrl, bold: boldUrl, title: titleUrl }
/** The name of an embedded subset begins with six capitals of its own and a plus sign: ISO 32000-1, 9.6.4. */
const SUBSET_NAMES: Readonly<Record<FontName, string>> = {
  text: 'YCTEXT+AtkinsonHyperlegibleNext-Regular',
  bold: 'YCBOLD+AtkinsonHyperlegibleNext-Bold',
  title: 'YCHEAD+BricolageGrotesque-Bold',
}
// The product's own colours (assets/css/tokens.css), as paper takes them.
const INKS: Readonly<Record<Ink, ReturnType<typeof rgb>>> = {
  night: rgb(0.106, 0.137, 0.251),
  quiet: rgb(0.275, 0.353, 0.561),
  line: rgb(0.835, 0.867, 0.918),
  ridge: rgb(0.169, 0.227, 0.4),
}

interface Job {
  readonly title: string
  readonly paper: PageSize
  readonly lay: (measure: Measure) => readonly Page[]
  readonly jpegOf: (hash: string) => ArrayBuffer | undefined
  readonly onPage: (done: number, total: number) => void
}

/** Sets laid pages as PDF: fonts embedded as subsets, text as text, each picture embedded once. */
export async function renderPdf(job: Job): Promise<{ pdf: ArrayBuffer; pages: number }> {
  const doc = await PDFDocument.create()
  doc.registerFontkit(fontkit)
  doc.setTitle(job.title)
  doc.setCreator('Yondercrest')
  const fonts = Object.fromEntries(
    await Promise.all(
      Object.entries(FONT_URLS).map(async ([name, url]) => [
        name,
        await doc.embedFont(new Uint8Array(await (await fetch(url)).arrayBuffer()), {
          subset: true,
          customName: SUBSET_NAMES[name as FontName],
        }),
      ]),
    ),
  ) as Record<FontName, PDFFont>
  const pages = job.lay(measureWith(fonts))
  const images = new Map<string, PDFImage | null>()
  const encode = encoderFor(fonts)
  for (const [index, page] of pages.entries()) {
    const sheet = doc.addPage([job.paper.widthPt, job.paper.heightPt])
    const keys = Object.fromEntries(
      Object.entries(fonts).map(([name, font]) => [name, sheet.node.newFontDictionary(name, font.ref)]),
    ) as Record<FontName, PDFName>
    for (const item of page.items) {
      if (item.type === 'picture' && !images.has(item.hash)) images.set(item.hash, await embed(doc, job.jpegOf(item.hash)))
      if (item.type === 'text') setText(sheet, item, job.paper.heightPt, keys, encode)
      else draw(sheet, item, job.paper.heightPt, images)
    }
    job.onPage(index + 1, pages.length)
  }
  const bytes = await doc.save()
  return { pdf: bytes.buffer as ArrayBuffer, pages: pages.length }
}

async function embed(doc: PDFDocument, jpeg: ArrayBuffer | undefined): Promise<PDFImage | null> {
  return jpeg ? doc.embedJpg(new Uint8Array(jpeg)).catch(() => null) : null
}

/** Widths are asked for the same few words again and again: brands, headings, addresses. */
function measureWith(fonts: Readonly<Record<FontName, PDFFont>>): Measure {
  const known = new Map<string, number>()
  return (text, font, sizePt) => {
    const key = `${font}/${text}`
    const width = known.get(key) ?? fonts[font].widthOfTextAtSize(text, 1000) / 1000
    known.set(key, width)
    return width * sizePt
  }
}

type Encode = (text: string, font: FontName) => PDFHexString

/** Shaping a text costs a third of a millisecond, and a set's name stands in the index three times or more. */
function encoderFor(fonts: Readonly<Record<FontName, PDFFont>>): Encode {
  const known = new Map<string, PDFHexString>()
  return (text, font) => {
    const key = `${font}/${text}`
    const found = known.get(key) ?? fonts[font].encodeText(text)
    known.set(key, found)
    return found
  }
}

/** The bare operators of one line of text: what drawText writes, without its checks and wrapping. */
function setText(
  sheet: PDFPage,
  item: Extract<PageItem, { type: 'text' }>,
  heightPt: number,
  keys: Readonly<Record<FontName, PDFName>>,
  encode: Encode,
): void {
  if (item.text === '') return
  sheet.pushOperators(
    beginText(),
    setFillingColor(INKS[item.ink]),
    setFontAndSize(keys[item.font], item.sizePt),
    setTextMatrix(1, 0, 0, 1, item.x, heightPt - item.y),
    showText(encode(item.text, item.font)),
    endText(),
  )
}

function draw(
  sheet: PDFPage,
  item: Exclude<PageItem, { type: 'text' }>,
  heightPt: number,
  images: ReadonlyMap<string, PDFImage | null>,
): void {
  if (item.type === 'rule') {
    sheet.drawLine({
      start: { x: item.x, y: heightPt - item.y },
      end: { x: item.toX, y: heightPt - item.y },
      thickness: item.weightPt,
      color: INKS[item.ink],
    })
  } else {
    const image = images.get(item.hash)
    if (image) sheet.drawImage(image, { x: item.x, y: heightPt - item.y - item.heightPt, width: item.widthPt, height: item.heightPt })
  }
}
