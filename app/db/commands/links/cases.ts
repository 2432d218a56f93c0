import { all, type Cases } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

const WORDS = ['mum', "Mother's Day", 'harbour', 'Kelp', 'bday', ' ', '&'] as const

export const linksCases: Cases = {
  async linkWords(db, luck) {
    await commands.linkWords(db, { word: luck.pick(WORDS) ?? '', goesWith: luck.pick(WORDS) ?? '', isRuledOut: luck.below(3) === 0 })
  },
  async forgetLink(db, luck) {
    const link = luck.pick(await all(db, 'links'))
    if (link) await commands.forgetLink(db, link.id)
  },
}
