import { expose } from 'comlink'
import { type BookWords, buildParts, type IndexPartName, type IndexSource, layBook, PAPERS, type PartWords } from '#core/printing'
import { database } from '~/db'
import type { Progress } from '~/data/call'
import { renderPdf } from './pdf'

export interface PrintOrder {
  readonly paper: keyof typeof PAPERS
  readonly parts: readonly IndexPartName[]
  readonly sources: readonly IndexSource[]
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
    const parts = buildParts(order.parts, order.sources, {
      ...partWords,
      numberRange: (first, last) => fill(partWords.numberRange, first, last),
    })
    const hashes = [...new Set(order.sources.flatMap(source => source.entry.picture?.hash ?? []))]
    const found = await database().thumbs.bulkGet(hashes)
    const thumbs = new Map(found.flatMap(thumb => (thumb ? [[thumb.hash, thumb.bytes] as const] : [])))
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
