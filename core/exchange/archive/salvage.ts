import { type CatalogueData, type RegisterLine, withPictures } from '#core/catalog'
import { registerId } from '#core/numbering'

/** What a screen holds of a catalogue: all but the register, what is still being typed, the log of use, and what was printed. */
export type OnScreen = Omit<CatalogueData, 'register' | 'drafts' | 'uses' | 'bookLeaves' | 'labels'>

/**
 * A whole catalogue from what a screen still shows after the storage of the browser was cleared. The register is rebuilt from the numbers
 * of the sets; the last number given of each series stays given (`nextNumbers`), so that no number is given again. Pictures are lost with
 * the storage, and no record names one. O(sets).
 */
export function salvage(screen: OnScreen, nextNumbers: ReadonlyMap<string, number>, at: string, newId: () => string): CatalogueData {
  const line = (seriesId: string, number: number, holdingId: string, givenTo: string): RegisterLine => ({
    id: registerId(seriesId, number),
    seriesId,
    number,
    holdingId,
    givenTo,
    how: 'issued',
    at,
  })
  const lines = new Map(
    screen.holdings.map(({ id, seriesId, number, name }) => [registerId(seriesId, number), line(seriesId, number, id, name)]),
  )
  for (const [seriesId, next] of nextNumbers)
    if (next > 1 && !lines.has(registerId(seriesId, next - 1)))
      lines.set(registerId(seriesId, next - 1), line(seriesId, next - 1, newId(), ''))
  return {
    ...screen,
    holdings: screen.holdings.map(holding => withPictures(holding, () => false)),
    register: [...lines.values()],
    drafts: [],
    uses: [],
    bookLeaves: [],
    labels: [],
  }
}
