import { ulid } from 'ulid'
import { blankDraft } from '#core/catalog'
import { factsOf } from '../../../../tests/support/facts'
import { all, NAMES, type Cases } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

export const pileCases: Cases = {
  async strips(db, luck) {
    const draft = luck.pick(await all(db, 'drafts'))
    if (draft && luck.below(2)) await commands.dropDrafts(db, [draft.id])
    else await commands.addDrafts(db, [blankDraft({ id: ulid(), rank: luck.below(9), createdAt: '2026-11-01T00:00:00.000Z' })])
  },
  async typing(db, luck) {
    const draft = luck.pick(await all(db, 'drafts'))
    if (draft) await commands.keepDraft(db, { ...draft, texts: { ...draft.texts, name: luck.pick(NAMES) ?? '' } })
  },
  async cutInTwo(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding)
      await commands.finishStage(
        db,
        holding.id,
        { stage: 'fit', sitsIn: 'pocket', holderTypeId: luck.pick(await all(db, 'holderTypes'))?.id ?? null, isCutInTwo: true },
        ['capture', 'fit', 'file'],
      )
  },
  async classOne(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    const facts = factsOf(luck.pick(NAMES) ?? '', { themeNames: [luck.pick(['Ropes', 'Lamps']) ?? 'Ropes'], categoryName: 'Images' })
    if (holding) await commands.finishStage(db, holding.id, { stage: 'class', facts }, ['capture', 'class', 'file'])
  },
  async labelOne(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    const labelText = `${holding?.number ?? 0} C`
    if (holding) await commands.finishStage(db, holding.id, { stage: 'label', labelText }, ['capture', 'label', 'file'])
  },
}
