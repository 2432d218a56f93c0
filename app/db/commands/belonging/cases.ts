import { ulid } from 'ulid'
import { all, type Cases } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

export const belongingCases: Cases = {
  async relate(db, luck) {
    const [from, to] = [luck.pick(await all(db, 'holdings')), luck.pick(await all(db, 'holdings'))]
    if (from && to)
      await commands.addRelation(db, {
        kind: luck.pick(['dieForStamp', 'layersWith', 'sameCollection'] as const) ?? 'layersWith',
        fromId: from.id,
        toId: to.id,
      })
  },
  async pairDies(db, luck) {
    const holdings = await all(db, 'holdings')
    const pairs = Array.from({ length: 3 }, () => ({ dieId: luck.pick(holdings)?.id ?? '', stampId: luck.pick(holdings)?.id ?? 'gone' }))
    await commands.pairDies(db, [...pairs, ...pairs.slice(0, 1)])
  },
  async unrelate(db, luck) {
    const relation = luck.pick(await all(db, 'relations'))
    if (relation) await commands.removeRelation(db, relation.id)
  },
  async pieces(db, luck) {
    const [holding, host] = [luck.pick(await all(db, 'holdings')), luck.pick(await all(db, 'holdings'))]
    if (holding)
      await commands.keepPieces(db, holding.id, [
        {
          id: ulid(),
          words: ['ahoy'],
          size: null,
          at: null,
          pictureHash: null,
          isMissing: false,
          livesWithId: host && host.id !== holding.id ? host.id : null,
        },
      ])
  },
}
