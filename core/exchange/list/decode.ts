export type Encoding = 'utf-8' | 'windows-1252'

export type Decoded =
  | { readonly ok: true; readonly text: string; readonly encoding: Encoding }
  | { readonly ok: false; readonly code: 'empty' | 'tooLarge' | 'notText' | 'utf16' }

/** A list of 100,000 sets is under 40 MB; above this it is not a list. */
export const MAX_LIST_BYTES = 64 * 1024 * 1024

/** A soft line break from a slide stands in a name here and there: not in every hundredth letter. */
const MOST_CONTROLS = 0.01

/**
 * Bytes to text: UTF-8 with or without a byte-order mark, else Windows-1252, which older spreadsheets save.
 * A byte that no text has (NUL), or many that texts seldom have (other controls), mean that the file is something else.
 */
export function decodeList(bytes: Uint8Array): Decoded {
  if (bytes.length === 0) return { ok: false, code: 'empty' }
  if (bytes.length > MAX_LIST_BYTES) return { ok: false, code: 'tooLarge' }
  const isUtf16 = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff)
  if (isUtf16) return { ok: false, code: 'utf16' }
  let controls = 0
  for (const byte of bytes) {
    if (byte === 0) return { ok: false, code: 'notText' }
    if (byte < 0x20 && byte !== 0x09 && byte !== 0x0a && byte !== 0x0d) controls += 1
  }
  if (controls > bytes.length * MOST_CONTROLS) return { ok: false, code: 'notText' }
  const result = decode(bytes)
  return result.text.trim() === '' ? { ok: false, code: 'empty' } : { ok: true, ...result }
}

function decode(bytes: Uint8Array): { text: string; encoding: Encoding } {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'utf-8' }
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252' }
  }
}
