import { type Holding, type LaneTarget, START_HABITS } from '#core/catalog'
import { type InsertionProposal, proposePlace, type RoomFacts } from '#core/filing'
import {
  holderLengthMm,
  laneKey,
  longestIncreasing,
  orderHolders,
  planMoves,
  type Shelf,
  splitItems,
  splitRun,
  START_AIMS,
} from '#core/refiling'
import { arrangeRoom, containersInOrder } from '#core/room'
import { COMPARED_RULES, type SimulatedRoom, simulateRule, START_ASSUMPTIONS } from '#core/ways'
import type { Page } from '@playwright/test'
import { makeLarge } from './collection'
import { median, ms, percentile, report } from './measure'

const COUNT = 20_000

function took<R>(work: () => R): { readonly result: R; readonly timeMs: number } {
  const start = performance.now()
  const result = work()
  return { result, timeMs: performance.now() - start }
}

/** The computations of the storeroom at 20,000 holders, as their worker does them. */
export function storeroom(): void {
  const data = makeLarge(COUNT)
  const mapOf = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
    new Map(list.map(each => [each.id, each]))
  const [holdings, fixtures] = [mapOf(data.holdings), mapOf(data.fixtures)]
  const authority = { brands: mapOf(data.brands), themes: mapOf(data.themes), categories: mapOf(data.categories), kinds: mapOf(data.kinds) }
  const { rows } = arrangeRoom(data)
  const facts: RoomFacts = { fixtures, zones: data.zones, rows, holdings, authority }
  const [zone] = data.zones
  if (!zone) return
  const asked = data.holdings.slice(0, 200).map((holding): Holding => ({ ...holding, id: `new ${holding.id}`, number: 99_999 }))
  const first = took(() => proposePlace(asked[0] as Holding, facts))
  const second = took(() => proposePlace(asked[1] as Holding, facts))
  const times = asked.map(holding => took((): InsertionProposal => proposePlace(holding, facts)).timeMs)
  report(`${COUNT} holders: insertion point`, `p50 ${median(times).toFixed(2)}, p95 ${percentile(times, 0.95).toFixed(2)} ms`, '1 ms')
  report('  the first and second asking of a room, which put the run in order', `${ms(first.timeMs)}, ${ms(second.timeMs)}`, 'none given')

  const run = containersInOrder(facts, zone.id)
  const placements = run.flatMap(row => row.placements)
  const lengths = new Map(placements.map(({ holder }) => [holder.id, holderLengthMm(holder, { holdings, authority, learnt: new Map() })]))
  const lengthOf = (id: string): number => lengths.get(id) ?? 0
  const rule = {
    keys: [
      { by: 'brand' as const, order: 'alphabetical' as const },
      { by: 'theme' as const, order: 'own' as const },
    ],
  }
  const ordered = orderHolders(placements, rule, START_HABITS.dies, facts)
  const items = splitItems(ordered, rule, lengthOf)
  const total = items.reduce((sum, item) => sum + item.lengthMm, 0)
  const bins = run.map(() => ({ capacityMm: (total / run.length) * 1.12 }))
  const split = took(() => splitRun(items, bins, START_AIMS))
  report(`${COUNT} holders over ${bins.length} containers: where to cut`, ms(split.timeMs), '1000 ms')
  if (!split.result.ok) return
  const { starts } = split.result
  const targets = run.map((row, at): LaneTarget => ({
    containerId: row.container.id,
    lane: 1,
    holderIds: ordered.slice(starts[at] ?? 0, starts[at + 1] ?? 0).map(each => each.holderId),
    tabs: [],
  }))
  const shelves = run.map((row): Shelf => ({
    key: laneKey(row.container.id, 1),
    capacityMm: (total / run.length) * 1.4,
    othersMm: 0,
    ids: row.placements.map(({ holder }) => holder.id),
  }))
  const plan = took(() =>
    planMoves(shelves, new Map(targets.map(target => [laneKey(target.containerId, 1), target.holderIds])), lengthOf, {
      armfulMm: 150,
      table: { key: 'table', capacityMm: 1000 },
    }),
  )
  report(
    `${COUNT} holders: fewest moves`,
    `${ms(plan.timeMs)}${plan.result.ok ? `, ${plan.result.steps.length} steps` : `, ${plan.result.code}`}`,
    '2000 ms',
  )
  report(
    '  its longest rising runs alone',
    ms(took(() => longestIncreasing(Array.from({ length: COUNT }, (_, at) => (at * 7919) % COUNT))).timeMs),
    'none given',
  )
  const laneOf = new Map(run.map((row, at) => [row.container.id, at]))
  const room: SimulatedRoom = {
    facts,
    reserve: 0.1,
    lanesMm: run.map(() => (total / run.length) * 1.2),
    holders: placements.flatMap(({ holder, container, position }) => {
      const holding = holdings.get(holder.holdingIds[0] ?? '')
      return holding
        ? [{ holding, timesUsed: holding.number % 7, lengthMm: lengthOf(holder.id), lane: laneOf.get(container.id) ?? 0, position }]
        : []
    }),
  }
  report(
    `${COUNT} holders: six ways of filing compared`,
    ms(took(() => COMPARED_RULES.map(each => simulateRule(room, each, START_ASSUMPTIONS))).timeMs),
    '10000 ms',
  )
}

/** The ridge with 300 containers, drawn anew; and a container of 2,000 holders, scrolled: how long frames take. */
export async function storeroomScreen(page: Page, base: string): Promise<void> {
  const draws: number[] = []
  for (let run = 0; run < 5; run += 1) {
    await page.goto(`${base}/copies`)
    await page.locator('[data-block]').first().waitFor()
    draws.push(
      await page.evaluate(async () => {
        // Folded and opened again, all of its blocks are laid out and painted anew.
        const fold = document.querySelector<HTMLElement>('section > button[aria-expanded]')
        fold?.click()
        await new Promise(resolve => requestAnimationFrame(() => setTimeout(resolve)))
        const start = performance.now()
        fold?.click()
        await new Promise(resolve => requestAnimationFrame(() => setTimeout(resolve)))
        return performance.now() - start
      }),
    )
  }
  report(`the ridge with ${await page.locator('[data-block]').count()} containers, drawn`, `median ${ms(median(draws))}`, '50 ms')
  await page.locator('[data-block]').first().press('Enter')
  await page.locator('[data-holder]').first().waitFor()
  const frames = await page.evaluate(async () => {
    const sheet = document.getElementById('sheet')
    const times: number[] = []
    let last = performance.now()
    for (let step = 0; step < 120 && sheet; step += 1) {
      sheet.scrollTop += 400
      await new Promise(resolve => requestAnimationFrame(resolve))
      const now = performance.now()
      times.push(now - last)
      last = now
    }
    return times
  })
  report(
    'a container of 2,000 holders, scrolled: a frame takes',
    `p50 ${ms(median(frames))}, p95 ${ms(percentile(frames, 0.95))}`,
    'smooth: 33 ms',
  )
}
