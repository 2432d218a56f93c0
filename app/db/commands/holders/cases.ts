import { ulid } from 'ulid'
import { START_HOLDER_TYPES } from '#core/catalog'
import { all, type Cases } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

export const holdersCases: Cases = {
  async share(db, luck) {
    const [holding, holder] = [luck.pick(await all(db, 'holdings')), luck.pick(await all(db, 'holders'))]
    if (holding && holder) await commands.shareHolder(db, holding.id, holder.id, ['capture', 'fit', 'file'])
  },
  async holderType(db, luck) {
    const [type, shape] = [luck.pick(await all(db, 'holderTypes')), luck.pick(START_HOLDER_TYPES)]
    const what = luck.below(4)
    if (type && what < 2) await commands.removeHolderType(db, type.id)
    else if (type && what === 2) await commands.changeHolderType(db, type.id, { stockOnHand: luck.below(99) })
    else if (shape)
      await commands.addHolderType(db, {
        ...shape,
        id: ulid(),
        rank: 1,
        name: `${shape.name} ${luck.below(9)}`,
        replacedById: type?.id ?? null,
      })
  },
  async startHolders(db) {
    await commands.addStartHolders(db)
  },
  async measureSet(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding) await commands.measureSet(db, holding.id, { size: { widthMm: 10 + luck.below(90), heightMm: 20 } })
  },
  async sticky(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding) await commands.setSticky(db, holding.id, !holding.isSticky)
  },
}
