import { placeIdsOf } from '#core/fetching'
import * as commands from '~/db/commands'
import { all, type Cases, placeFor, roomOf } from '../../../../tests/support/cases'

const PLACES = ['On the table', 'Night desk', 'Winter basket'] as const

export const fetchingCases: Cases = {
  async pullSets(db, luck) {
    const lists = await all(db, 'pullLists')
    const holdings = await all(db, 'holdings')
    const some = [luck.pick(holdings), luck.pick(holdings)].flatMap(each => (each ? [each.id] : []))
    await commands.pullSets(db, luck.below(2) === 0 ? null : (luck.pick(lists)?.id ?? null), [...some, 'gone'])
  },
  async walk(db, luck) {
    const list = luck.pick(await all(db, 'pullLists'))
    const room = await roomOf(db)
    const taken = (list?.lines ?? [])
      .filter(() => luck.below(3) > 0)
      .flatMap(({ holdingId }) => placeIdsOf(holdingId, room).map(placeId => ({ holdingId, placeId })))
    if (list) await commands.takeSets(db, list.id, taken, luck.pick(PLACES) ?? '')
  },
  async leaveOut(db, luck) {
    const list = luck.pick(await all(db, 'pullLists'))
    if (list) await commands.leaveOut(db, list.id, [luck.pick(list.lines)?.holdingId ?? ''])
  },
  async nameList(db, luck) {
    const list = luck.pick(await all(db, 'pullLists'))
    if (list) await commands.namePullList(db, list.id, luck.pick(['Card for Saturday', ' ', 'x'.repeat(400)]) ?? '')
  },
  async fetchAgain(db, luck) {
    const list = luck.pick(await all(db, 'pullLists'))
    if (list) await commands.fetchAgain(db, list.id)
  },
  async dropList(db, luck) {
    const list = luck.pick(await all(db, 'pullLists'))
    if (list) await commands.dropPullList(db, list.id)
  },
  async setsOut(db, luck) {
    const holdings = await all(db, 'holdings')
    const some = [luck.pick(holdings), luck.pick(holdings), luck.pick(holdings)].flatMap(each => (each ? [each.id] : []))
    await commands.takeOut(db, some, luck.pick(PLACES) ?? '', luck.below(2) === 0)
  },
  async bringBack(db, luck) {
    const holdings = await all(db, 'holdings')
    const loans = await all(db, 'loans')
    const some = [luck.pick(loans)?.holdingId, luck.pick(loans)?.holdingId, luck.pick(holdings)?.id]
    const returns = [...new Set(some)].flatMap(id => (id ? [{ holdingId: id, wasUsed: luck.below(2) === 0 }] : []))
    const moved = holdings.find(({ id, state }) => state === 'out' && id === returns[0]?.holdingId)
    const place = moved && luck.below(3) === 0 ? await placeFor(db, moved) : null
    await commands.bringBack(
      db,
      returns.map((each, at) => (at === 0 && place ? { ...each, place } : each)),
    )
  },
  async noteUse(db, luck) {
    const holdings = await all(db, 'holdings')
    const some = [luck.pick(holdings), luck.pick(holdings)].flatMap(each => (each ? [each.id] : []))
    await commands.noteUse(db, some, luck.pick(['2026-11-01', '2026-10', '2025']) ?? '')
  },
  async dateUse(db, luck) {
    const use = luck.pick(await all(db, 'uses'))
    if (use) await commands.dateUse(db, use.id, '2026-11-02')
  },
  async forgetUse(db, luck) {
    const use = luck.pick(await all(db, 'uses'))
    if (use) await commands.forgetUse(db, use.id)
  },
}
