import type { RegisterLine } from '#core/catalog'
import { endOfRun, isFarBeyond, nextFree } from './run'

/** A set that needs a number. `written`: the number on the thing or in an older list. */
export interface NumberRequest {
  readonly holdingId: string
  /** Its name in words ("Kelp Study / Tidewrack"): a number can only return to the same thing. */
  readonly givenTo: string
  readonly written: number | null
}

export type GivenNumber =
  | { readonly holdingId: string; readonly number: number; readonly how: 'adopted' | 'issued'; readonly clash: null }
  /** The written number was given to something else before, so a new one was issued. */
  | {
      readonly holdingId: string
      readonly number: number
      readonly how: 'issued'
      readonly clash: { readonly written: number; readonly heldBy: string }
    }

/** The key of the register: the database refuses a second line with it. */
export function registerId(seriesId: string, number: number): string {
  return `${seriesId}:${number}`
}

/**
 * Gives every request a number of its own. A written number is adopted if nobody ever had it, or if it was given to the same thing and
 * that was undone (`isLiving` false). The others get the next free numbers of the run, in order; a number adopted far above the run does
 * not extend it. No number is given twice, whatever was undone. `endsAt`: the last number of the run; `lineOf` looks a number up in the
 * register. null: the numbers have run out. O(n) for n requests.
 */
export function giveNumbers(
  requests: readonly NumberRequest[],
  lineOf: (number: number) => Pick<RegisterLine, 'givenTo' | 'holdingId'> | undefined,
  isLiving: (holdingId: string) => boolean,
  endsAt: number,
): readonly GivenNumber[] | null {
  const adopted = new Map<number, NumberRequest>()
  for (const request of requests) {
    if (request.written === null || adopted.has(request.written)) continue
    const line = lineOf(request.written)
    const isFree = !line || (!isLiving(line.holdingId) && line.givenTo === request.givenTo)
    if (isFree) adopted.set(request.written, request)
  }
  let last = runWith(adopted.keys(), endsAt)
  const given: GivenNumber[] = []
  for (const request of requests) {
    const { holdingId, written } = request
    if (written !== null && adopted.get(written) === request) {
      given.push({ holdingId, number: written, how: 'adopted', clash: null })
      continue
    }
    const number = nextFree(last, each => adopted.has(each) || lineOf(each) !== undefined)
    if (number === null) return null
    last = number
    const heldBy = written === null ? '' : (adopted.get(written)?.givenTo ?? lineOf(written)?.givenTo ?? '')
    given.push({ holdingId, number, how: 'issued', clash: written === null ? null : { written, heldBy } })
  }
  return given
}

/** The end of the run with some numbers adopted: each one that is not far above the run extends it. */
function runWith(adopted: Iterable<number>, endsAt: number): number {
  const numbers = [...adopted]
  if (endsAt === 0) return endOfRun(numbers)
  return numbers.sort((a, b) => a - b).reduce((end, number) => (isFarBeyond(number, end) ? end : Math.max(end, number)), endsAt)
}
