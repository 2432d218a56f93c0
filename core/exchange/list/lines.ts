/** One cell longer than this is no cell of a list: a quote that was never closed, most likely. */
export const MAX_CELL = 400_000
export const MAX_COLUMNS = 200
/** More rows than anybody has sets; as many as fit into bounded memory. */
export const MAX_ROWS = 200_000

export type EvenLines =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly code: 'cellTooLong' | 'tooManyColumns' | 'tooManyRows'; readonly line: number }

/**
 * Ends every line of a delimited text with LF (instead of LF, CRLF or CR, mixed or not); text inside quotes is kept. By RFC 4180 a quote
 * opens only at the start of a cell. Stops at the first cell that is too long, the first row with too many cells, and the first row too
 * many. O(text).
 * @example evenLines('a,b\r\n1,"x\r\ny"\n', ',') //=> { ok: true, text: 'a,b\n1,"x\r\ny"\n' }
 */
export function evenLines(text: string, delimiter: string): EvenLines {
  const parts: string[] = []
  let [copied, cellAt, line, isQuoted, cells] = [0, 0, 1, false, 1]
  for (let at = 0; at < text.length; at += 1) {
    const letter = text[at]
    if (at - cellAt > MAX_CELL) return { ok: false, code: 'cellTooLong', line }
    if (letter === '"') {
      if (isQuoted && text[at + 1] === '"') at += 1
      else if (isQuoted) isQuoted = false
      else if (at === cellAt) isQuoted = true
    } else if (isQuoted) {
      continue
    } else if (letter === delimiter) {
      cellAt = at + 1
      cells += 1
      if (cells > MAX_COLUMNS) return { ok: false, code: 'tooManyColumns', line }
    } else if (letter === '\n' || letter === '\r') {
      const next = letter === '\r' && text[at + 1] === '\n' ? at + 2 : at + 1
      if (letter === '\r') {
        parts.push(text.slice(copied, at), '\n')
        copied = next
      }
      at = next - 1
      cellAt = next
      line += 1
      cells = 1
      if (line > MAX_ROWS) return { ok: false, code: 'tooManyRows', line }
    }
  }
  return { ok: true, text: parts.join('') + text.slice(copied) }
}
