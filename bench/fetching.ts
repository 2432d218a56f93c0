import { type Candidate, chooseForCard, placesAlong, tallyUses, walkFor, withSets } from '#core/fetching'
import { arrangeRoom, containersInOrder } from '#core/room'
import { makeLarge } from './collection'
import { median, percentile, report } from './measure'

const COUNT = 20_000
const PULLED = 40
const RUNS = 60

const times = (runs: number, work: (run: number) => unknown): readonly number[] =>
  Array.from({ length: runs }, (_, run) => {
    const start = performance.now()
    work(run)
    return performance.now() - start
  })
const told = (each: readonly number[]): string => `p50 ${median(each).toFixed(1)}, p95 ${percentile(each, 0.95).toFixed(1)} ms`

/** A pull list as one walk, one candidate for each need of a card, and the log of use counted. */
export function fetching(): void {
  const data = makeLarge(COUNT)
  const room = arrangeRoom({ containers: data.containers, sections: data.sections, holders: data.holders })
  const fixtures = new Map(data.fixtures.map(each => [each.id, each]))
  const holdings = new Map(data.holdings.map(each => [each.id, each]))
  const placed = data.holdings.filter(({ id }) => room.placements.has(id))
  const pulled = (run: number): readonly string[] =>
    Array.from({ length: PULLED }, (_, at) => placed[(run * 7919 + at * 503) % placed.length]?.id ?? '')
  const facts = { ...room, fixtures, loanOf: () => undefined }
  report(
    `${COUNT} sets: a pull list of ${PULLED} with what goes along, planned as one walk`,
    told(times(RUNS, run => walkFor(withSets([], pulled(run), { holdings, relations: data.relations }), facts))),
    '5 ms',
  )
  const rows = containersInOrder({ rows: room.rows, fixtures }, null).map(({ container }) => container)
  const [ranks, along] = [new Map(rows.map(({ id }, at) => [id, at])), placesAlong(fixtures.values(), rows)]
  const needs = (run: number): readonly (readonly Candidate[])[] =>
    Array.from({ length: 12 }, (_, need) =>
      Array.from({ length: 40 }, (_each, at) => {
        const id = placed[(run * 6151 + need * 1009 + at * 97) % placed.length]?.id ?? ''
        return { id, containerIds: [room.placements.get(id)?.container.id ?? ''] }
      }),
    )
  const found = Array.from({ length: 20 }, (_, run) => needs(run))
  const card = { rankOf: (id: string) => ranks.get(id) ?? Infinity, alongMm: (id: string) => along.get(id) ?? 0 }
  let exact = 0
  const took = times(found.length, run => (exact += Number(chooseForCard(found[run] ?? [], card).isBest)))
  report(
    `${COUNT} sets: for one card, twelve needs of forty candidates`,
    `${told(took)}, ${exact} of ${found.length} tried to the end`,
    'none given',
  )
  const uses = Array.from({ length: 100_000 }, (_, at) => ({
    id: String(at),
    holdingId: data.holdings[(at * 31) % COUNT]?.id ?? '',
    on: `2026-${String((at % 12) + 1).padStart(2, '0')}-0${(at % 9) + 1}`,
    times: 1,
    from: 'fetched' as const,
  }))
  report('100000 lines of the log of use, counted', told(times(10, () => tallyUses(uses))), 'none given')
}
