import { expose } from 'comlink'
import {
  ASKED_PX,
  type InkShape,
  KNOWN_PX,
  type LikePicture,
  type PackedShapes,
  packShapes,
  type ShapeBox,
  ShapeIndex,
  shapesOf,
} from '#core/shapes'
import type { Progress } from '~/data/worker'
import { greyOf, openPicture } from '~/data/pictures'
import type { PictureFault } from '~/data/pictureSize'
import { database, type ShapesRecord } from '~/db'
import * as commands from '~/db/commands'

/** Counted up with every change of how shapes are made: those kept in another way are made anew. */
const MADE_AS = 1
const READ_AT_ONCE = 200
const MADE_AT_ONCE = 8

/** What lies on a photo: each part of its ink that may be a piece, in shares of its longer side. */
export type OpenedAsk =
  | { readonly ok: true; readonly widthPx: number; readonly heightPx: number; readonly boxes: readonly ShapeBox[] }
  | { readonly ok: false; readonly fault: PictureFault | 'noInk' }
/** A kept picture that is like it, with its proportion, width by height. */
export interface Like extends LikePicture {
  readonly aspect: number
}

const index = new ShapeIndex()
const aspects = new Map<string, number>()
/** Pictures that cannot be read, or have no ink: they are not tried again. */
const unread = new Set<string>()
let wanted: ReadonlySet<string> = new Set()
let reading: Promise<void> | null = null
/** The ink of the photo that is asked about; null: none was opened. */
let asked: readonly InkShape[] | null = null

function take({ hash, aspect }: { readonly hash: string; readonly aspect: number }, packed: PackedShapes): void {
  aspects.set(hash, aspect)
  index.put(hash, packed)
}
const isMissing = (hash: string): boolean => !index.has(hash) && !unread.has(hash)

async function made(hash: string): Promise<ShapesRecord | null> {
  const picture = await database().pictures.get(hash)
  const opened = picture && (await openPicture(new Blob([picture.bytes], { type: picture.type })))
  if (!opened?.ok) return null
  const grey = greyOf(opened.bitmap, KNOWN_PX)
  const packed = packShapes(shapesOf(grey))
  const aspect = grey.widthPx / grey.heightPx
  take({ hash, aspect }, packed)
  return { hash, madeAs: MADE_AS, aspect, boxes: bufferOf(packed.boxes), moments: bufferOf(packed.moments) }
}
const bufferOf = (view: ArrayBufferView): ArrayBuffer =>
  new Uint8Array(view.buffer, view.byteOffset, view.byteLength).slice().buffer as ArrayBuffer

/** What is kept is read, the rest is made, until nothing is missing of what is wanted by then. */
async function readMissing(tell: (progress: Progress) => void): Promise<void> {
  const db = database()
  for (let missing = [...wanted].filter(isMissing); missing.length > 0; missing = [...wanted].filter(isMissing)) {
    const toMake: string[] = []
    for (let at = 0; at < missing.length; at += READ_AT_ONCE) {
      const some = missing.slice(at, at + READ_AT_ONCE)
      const kept = await db.shapes.bulkGet(some)
      some.forEach((hash, each) => {
        const record = kept[each]
        if (record?.madeAs === MADE_AS) take(record, { boxes: new Float32Array(record.boxes), moments: new Int8Array(record.moments) })
        else toMake.push(hash)
      })
    }
    for (let at = 0; at < toMake.length; at += MADE_AT_ONCE) {
      tell({ stage: 'shapes', done: wanted.size - toMake.length + at, total: wanted.size })
      const some = toMake.slice(at, at + MADE_AT_ONCE).filter(hash => wanted.has(hash))
      // Together: the browser opens the next pictures in threads of its own while the shapes of one are made.
      const records = await Promise.all(some.map(made))
      some.filter((_, each) => !records[each]).forEach(hash => unread.add(hash))
      await commands.addShapes(
        db,
        records.filter(record => record !== null),
      )
    }
  }
}

const api = {
  /** Takes these pictures and no others into the index. What is asked before all of them are in is answered from those that are. */
  async know(hashes: readonly string[], tell: (progress: Progress) => void): Promise<void> {
    wanted = new Set(hashes)
    for (const hash of aspects.keys()) {
      if (wanted.has(hash)) continue
      aspects.delete(hash)
      index.remove(hash)
    }
    reading ??= readMissing(tell).finally(() => (reading = null))
    await reading
  },

  /** Reads a photo and finds its ink. It is what is asked about from then on. */
  async open(file: Blob): Promise<OpenedAsk> {
    asked = null
    const opened = await openPicture(file)
    if (!opened.ok) return opened
    const { width, height } = opened.bitmap
    asked = shapesOf(greyOf(opened.bitmap, ASKED_PX))
    return asked.length === 0
      ? { ok: false, fault: 'noInk' }
      : { ok: true, widthPx: width, heightPx: height, boxes: asked.map(each => each.box) }
  },

  /** The pictures likest to all of the ink, or to one part of it; null where no photo is open. */
  ask(part: number | null): readonly Like[] | null {
    if (!asked) return null
    const one = part === null ? undefined : asked[part]
    const shapes = one ? [{ ...one, share: 1, levels: [0] }] : asked
    return index.ask(shapes).map(each => ({ ...each, aspect: aspects.get(each.id) ?? 1 }))
  },
}

export type ShapesApi = typeof api
expose(api)
