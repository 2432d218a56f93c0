/** Characters that make a spreadsheet run a cell as a formula (OWASP, CSV injection), and their wide forms, which some read as the same. */
const TRIGGER = /^'*[=+\-@\t\r\n\uff1d\uff0b\uff0d\uff20]/

/**
 * Puts an apostrophe in front of a cell that a spreadsheet would run. Cells that begin with apostrophes and then a
 * trigger get one more, so that `restoreCell` gives back exactly what was there.
 * @example safeCell('=SUM(A1:A9)') //=> "'=SUM(A1:A9)"
 */
export function safeCell(text: string): string {
  return TRIGGER.test(text) ? `'${text}` : text
}

/** @example restoreCell("'=SUM(A1:A9)") //=> '=SUM(A1:A9)' */
export function restoreCell(text: string): string {
  return text.startsWith("'") && TRIGGER.test(text) ? text.slice(1) : text
}
