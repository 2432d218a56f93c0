import { expose } from 'comlink'
import { type BookWords, buildParts, type IndexPartName, type IndexSource, layBook, PAPERS, type PartWords } from '#core/printing'
import type { IndexEntry } from '#core/printing'
import { headerSize } from '~/data/pictureSize'
import { database } from '~/db'
import type { Progress } from '~/data/call'
import { renderPdf } from './pdf'

/** A set as the screen knows it: how its picture is shaped is read from the small picture, here. */
export type PrintSource = Omit<IndexSource, 'entry'> & {
  readonly entry: Omit<IndexEntry, 'picture'> & { readonly pictureHash: string | null }
}
export interface PrintOrder {
  readonly paper: keyof typeof PAPERS
  readonly parts: readonly IndexPartName[]
  readonly sources: readonly PrintSource[]
  readonly partWords: Omit<PartWords, 'numberRange'> & { readonly numberRange: string }
  /** Sentences with {a} and {b}: functions do not cross into a worker. */
  readonly bookWords: Pick<BookWords, 'roomName' | 'madeOn'> & {
    readonly pageOf: string
    readonly continued: string
    readonly range: string
  }
  readonly title: string
}
export interface PrintResult {
  readonly pdf: ArrayBuffer
  readonly pages: number
}

const fill = (sentence: string, a: string | number, b: string | number = ''): string =>
  sentence.replace('{a}', String(a)).replace('{b}', String(b))

const api = {
  async printIndex(order: PrintOrder, tell: (progress: Progress) => void): Promise<PrintResult> {
    const { partWords, bookWords } = order
    const hashes = [...new Set(order.sources.flatMap(source => source.entry.pictureHash ?? []))]
    const found = await database().thumbs.bulkGet(hashes)
    const thumbs = new Map(found.flatMap(thumb => (thumb ? [[thumb.hash, thumb.bytes] as const] : [])))
    const sources = order.sources.map((source): IndexSource => {
      const { pictureHash, ...entry } = source.entry
      const thumb = pictureHash ? thumbs.get(pictureHash) : undefined
      const size = thumb ? headerSize(new Uint8Array(thumb)) : null
      const picture = pictureHash && size ? { hash: pictureHash, ratio: size.widthPx / size.heightPx } : null
      return { ...source, entry: { ...entry, picture } }
    })
    const parts = buildParts(order.parts, sources, {
      ...partWords,
      numberRange: (first, last) => fill(partWords.numberRange, first, last),
    })
    return renderPdf({
      title: order.title,
      paper: PAPERS[order.paper],
      lay: measure =>
        layBook(
          parts,
          PAPERS[order.paper],
          {
            roomName: bookWords.roomName,
            madeOn: bookWords.madeOn,
            pageOf: (page, pages) => fill(bookWords.pageOf, page, pages),
            continued: heading => fill(bookWords.continued, heading),
            range: (first, last) => fill(bookWords.range, first, last),
          },
          measure,
        ),
      jpegOf: hash => thumbs.get(hash),
      onPage: (done, total) => tell({ stage: 'printing', done, total }),
    })
  },
}

export type PrintApi = typeof api
expose(api)
