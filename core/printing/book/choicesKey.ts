import type { IndexBook } from '#core/catalog'

/** The choices of a book that decide how its leaves look: books with the same key look alike. */
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
