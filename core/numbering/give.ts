import type { RegisterLine } from '#core/catalog'

/** One set that needs a number. `written` is what already stands on it or in an older list. */
export interface NumberRequest {
  readonly holdingId: string
  /** Who it is, in words ("Kelp Study / Tidewrack"): a number may only come back to the same thing. */
  readonly givenTo: string
  readonly written: number | null
}

export type GivenNumber =
  | { readonly holdingId: string; readonly number: number; readonly how: 'adopted' | 'issued'; readonly clash: null }
  /** The written number was given before to something else, so a new one was issued. */
  | {
      readonly holdingId: string
      readonly number: number
      readonly how: 'issued'
      readonly clash: { readonly written: number; readonly heldBy: string }
    }

/** The register's key: the database refuses a second line with the same one. */
export function registerId(seriesId: string, number: number): string {
  return `${seriesId}:${number}`
}

/**
 * Gives every request a number of its own. A written number is adopted when nobody ever had it, or when it was given
 * to the same thing and that giving was undone (`isLiving` false). All others get the numbers after the highest ever
 * given, in the order of asking. No number is given twice, whatever was undone in between.
 * O(n) for n requests; `lineOf` looks a number up in the register.
 */
export function giveNumbers(
  requests: readonly NumberRequest[],
  lineOf: (number: number) => Pick<RegisterLine, 'givenTo' | 'holdingId'> | undefined,
  isLiving: (holdingId: string) => boolean,
  highestGiven: number,
): readonly GivenNumber[] {
  const adopted = new Map<number, NumberRequest>()
  for (const request of requests) {
    if (request.written === null || adopted.has(request.written)) continue
    const line = lineOf(request.written)
    const isFree = !line || (!isLiving(line.holdingId) && line.givenTo === request.givenTo)
    if (isFree) adopted.set(request.written, request)
  }
  let highest = highestGiven
  for (const number of adopted.keys()) highest = Math.max(highest, number)
  return requests.map((request): GivenNumber => {
    const { holdingId, written } = request
    if (written !== null && adopted.get(written) === request) return { holdingId, number: written, how: 'adopted', clash: null }
    highest += 1
    if (written === null) return { holdingId, number: highest, how: 'issued', clash: null }
    const heldBy = adopted.get(written)?.givenTo ?? lineOf(written)?.givenTo ?? ''
    return { holdingId, number: highest, how: 'issued', clash: { written, heldBy } }
  })
}
