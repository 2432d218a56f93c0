import { expose } from 'comlink'
import { PICTURE_TYPES } from '#core/exchange'
import { makeThumb, sha256 } from '~/data/pictures'
import { faultOf, isTooLarge, MAX_PICTURE_BYTES, type PictureFault } from '~/data/pictureSize'
import { troubleOf } from '~/data/storageTrouble'
import { database } from '~/db'
import * as commands from '~/db/commands'

export type PictureOutcome =
  | { readonly ok: true; readonly hash: string; readonly widthPx: number; readonly heightPx: number }
  | { readonly ok: false; readonly code: PictureFault | 'full' }

const api = {
  /** Keeps a photo under its hash, as it came or (if the owner likes) scaled and upright, with a small JPEG and its ink map. */
  async addPicture(file: Blob): Promise<PictureOutcome> {
    if (file.size > MAX_PICTURE_BYTES) return { ok: false, code: 'tooLarge' }
    const isKeptType = Boolean(PICTURE_TYPES[file.type])
    const bytes = await file.arrayBuffer()
    if (isTooLarge(new Uint8Array(bytes))) return { ok: false, code: 'tooLarge' }
    // What this browser can read and not every other can is kept as a JPEG.
    const keepsOriginal = isKeptType && ((await database().records('settings').get('room'))?.keepsOriginals ?? true)
    const made = await makeThumb(bytes, file.type, keepsOriginal).catch(() => null)
    if (!made) return { ok: false, code: faultOf(new Uint8Array(bytes)) }
    const kept = made.scaled ?? bytes
    const hash = await sha256(new Uint8Array(kept))
    const { widthPx, heightPx, inkMap } = made
    try {
      await commands.addPicture(
        database(),
        { hash, type: made.scaled ? 'image/jpeg' : file.type, bytes: kept, widthPx, heightPx },
        { hash, bytes: made.thumb },
        { hash, map: inkMap.slice().buffer },
      )
    } catch (reason) {
      if (troubleOf(reason) === 'full') return { ok: false, code: 'full' }
      throw reason
    }
    return { ok: true, hash, widthPx, heightPx }
  },
}

export type PhotosApi = typeof api
expose(api)
