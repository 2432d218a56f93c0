import { blankHolding, type Container, FIT_WAYS, type Holding, type HolderType, START_HOLDER_TYPES, startCatalogue } from '#core/catalog'
import { heapOf, proposeRefiling, START_AIMS } from '#core/refiling'
import { arrangeContainer } from '#core/room'
import { fittingsOf, planTidy, proposeShape, type TidyFacts } from '#core/tidy'
import { MM_PER_INCH } from '#core/units'
import { median, ms, report } from './measure'

const INCH = MM_PER_INCH
/** Sets as many people have them: sheets of many sizes, one in six of no known size. */
function setsOf(count: number, kindIds: readonly string[]): readonly Holding[] {
  return Array.from({ length: count }, (_, at): Holding => ({
    ...blankHolding({
      id: `s${at}`,
      number: at + 1,
      seriesId: 's',
      name: `Sheet ${(at * 7919) % count}`,
      createdAt: '2026-01-01T00:00:00.000Z',
    }),
    kindId: kindIds[(at * 5) % kindIds.length] ?? null,
    size: at % 6 === 0 ? null : { widthMm: (1.5 + ((at * 37) % 45) / 10) * INCH, heightMm: (2 + ((at * 53) % 60) / 10) * INCH },
  }))
}

/** What it takes to tell the room that a heap needs, and to plan its filing. */
export function tidy(): void {
  for (const count of [2_000, 10_000]) {
    let made = 0
    const start = startCatalogue(() => `id${(made += 1)}`)
    const types = new Map(START_HOLDER_TYPES.map((type, at): [string, HolderType] => [`t${at}`, { ...type, id: `t${at}`, rank: at }]))
    const kinds = new Map(start.kinds.map(kind => [kind.id, kind]))
    const waiting = setsOf(count, [...kinds.keys()].slice(0, 3))
    const [zone] = start.zones
    if (!zone) throw new Error('a zone')
    const authority = { brands: new Map(), themes: new Map(), categories: new Map(), kinds }
    const holdings = new Map(waiting.map(each => [each.id, each]))
    const facts: TidyFacts = {
      ...{ rows: new Map(), fixtures: new Map(), zones: [zone], holdings, authority },
      ...{ learnt: new Map(), holderTypes: types, patterns: {} },
    }
    const times: [number[], number[], number[]] = [[], [], []]
    const timed = <R>(into: number[], work: () => R): R => {
      const begin = performance.now()
      const result = work()
      into.push(performance.now() - begin)
      return result
    }
    for (let run = 0; run < 5; run += 1) {
      const fittings = timed(times[0], () => fittingsOf(waiting, [...types.values()], kinds, [zone], { fitOrder: FIT_WAYS, fitNever: [] }))
      const { containers } = timed(times[1], () => {
        const shapeId = proposeShape(zone.id, waiting, fittings, facts)?.id ?? ''
        const choices = new Map([[zone.id, { shapeId, lengthMm: 600, fixture: { name: 'Rack', type: 'bookcase' } as const }]])
        return planTidy(waiting, fittings, choices, facts, type => ({ name: `${type} 0`, code: `${type[0] ?? ''}0` }))
      })
      const rows = containers.map(({ fixture: _fixture, key, ...shape }, rank) => {
        const container: Container = { ...shape, id: key, fixtureId: 'f', rank, isTable: false }
        return arrangeContainer(container, [], [])
      })
      const heap = heapOf(waiting, () => `h${(made += 1)}`)
      const question = { zone, rule: zone.filingRule, containerIds: rows.map(({ container }) => container.id), reserve: zone.growthReserve }
      const proposal = timed(times[2], () =>
        proposeRefiling(
          { rows, holdings, authority, learnt: new Map(), holderTypes: types },
          { ...question, aims: START_AIMS, isEven: false, tableMm: 600, armfulMm: 150, heap },
          () => '',
        ),
      )
      if (!proposal.ok) throw new Error(proposal.problem.code)
    }
    const [fit, room, moves] = times.map(median)
    report(`begin tidy, ${count} sets: what each sits in`, ms(fit ?? 0), 'none set')
    report('  the room that they need', ms(room ?? 0), 'none set')
    report('  the way out of the heap, step by step', ms(moves ?? 0), 'none set')
  }
}
