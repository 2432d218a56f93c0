import type { PageItem } from '#core/printing'
import { PT_PER_INCH } from '#core/units'
import { database } from '~/db'
import { headerSize } from './pictureSize'
import { jpegForPaper, THUMB_PX } from './pictures'

/** How fine pictures are printed. */
const DOTS_PER_PT = 300 / PT_PER_INCH
/** A picture for a page, as JPEG, large enough for the size it is printed at; null: it is gone. */
export async function jpegOf({ hash, widthPt, heightPt }: Extract<PageItem, { type: 'picture' }>): Promise<ArrayBuffer | null> {
  const needed = Math.round(Math.max(widthPt, heightPt) * DOTS_PER_PT)
  const picture = needed > THUMB_PX ? await database().pictures.get(hash) : undefined
  const large = picture ? await jpegForPaper(picture.bytes, picture.type, needed).catch(() => null) : null
  return large ?? (await database().thumbs.get(hash))?.bytes ?? null
}

const ratios = new Map<string, number | null>()
const RATIOS_AT_ONCE = 400
/** Widths over heights, read from the small pictures; each once. */
export async function learnRatios(hashes: readonly string[]): Promise<void> {
  const unknown = [...new Set(hashes)].filter(hash => !ratios.has(hash))
  for (let at = 0; at < unknown.length; at += RATIOS_AT_ONCE) {
    const some = unknown.slice(at, at + RATIOS_AT_ONCE)
    const thumbs = await database().thumbs.bulkGet(some)
    some.forEach((hash, index) => {
      const size = headerSize(new Uint8Array(thumbs[index]?.bytes ?? new ArrayBuffer(0)))
      ratios.set(hash, size ? size.widthPx / size.heightPx : null)
    })
  }
}
/** Width over height of a picture that was learnt; null: it is gone. */
export const ratioOf = (hash: string): number | null => ratios.get(hash) ?? null
