import type { IndexBook } from '#core/catalog'

/** What of a book decides how its leaves look: two books with the same print the same. */
export function choicesKey({
  ways,
  code,
  hasName,
  hasBrand,
  hasSize,
  hasKind,
  picture,
  paper,
  sides,
  columns,
  bindingMm,
  holes,
}: IndexBook): string {
  return JSON.stringify([ways, code, hasName, hasBrand, hasSize, hasKind, picture, paper, sides, columns, bindingMm, holes])
}
