import { ulid } from 'ulid'
import { blankBrand, newTheme, THEME_SCHOOLS } from '#core/catalog'
import { all, NAMES, type Cases } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

export const namesCases: Cases = {
  async name(db, luck) {
    const brand = luck.pick(await all(db, 'brands'))
    const fields = { notes: 'seen at the fair', successorId: luck.pick(await all(db, 'brands'))?.id ?? null }
    if (luck.below(2)) await commands.addName(db, 'themes', newTheme(ulid(), luck.pick(NAMES) ?? 'Ropes', await all(db, 'themes')))
    else if (brand) await commands.changeName(db, 'brands', brand.id, fields)
    else await commands.addName(db, 'brands', { ...blankBrand(ulid(), 'Slackwater'), ...fields })
  },
  async join(db, luck) {
    const list = luck.pick(['brands', 'themes', 'categories', 'kinds'] as const) ?? 'themes'
    const from = luck.pick(await all(db, list))
    const into = luck.pick(await all(db, list))
    if (from && into && from.id !== into.id) await commands.joinNames(db, list, from.id, into.id)
  },
  async split(db, luck) {
    const theme = luck.pick(await all(db, 'themes'))
    const holdings = await all(db, 'holdings')
    if (theme)
      await commands.splitName(
        db,
        'themes',
        theme.id,
        `${theme.name} II`.slice(0, 60),
        holdings.filter(each => each.themeIds.includes(theme.id) && luck.below(2) === 0).map(each => each.id),
      )
  },
  async order(db, luck) {
    const ids = (await all(db, 'themes')).map(each => each.id)
    await commands.orderNames(
      db,
      'themes',
      [...ids.slice(luck.below(ids.length + 1)), ...ids].filter((id, at, list) => list.indexOf(id) === at),
    )
  },
  async startThemes(db, luck) {
    await commands.addStartThemes(db, luck.pick(THEME_SCHOOLS) ?? 'occasion')
  },
  async sharePages(db, luck) {
    await commands.sharePages(
      db,
      (await all(db, 'themes')).filter(() => luck.below(2) === 0).map(each => each.id),
      luck.below(2) === 0,
    )
  },
  async series(db, luck) {
    const series = luck.pick(await all(db, 'series'))
    if (series) await commands.changeSeries(db, series.id, { padding: luck.below(5), prefix: luck.pick(['', 'N', 'LQ ']) ?? '' })
  },
  async writtenCode(db, luck) {
    const holding = luck.pick((await all(db, 'holdings')).filter(each => each.aliases.length > 0))
    if (holding) await commands.readCode(db, holding.id, holding.aliases[0]?.text ?? '', 'serial')
  },
  async labels(db, luck) {
    await commands.renewLabels(
      db,
      new Map((await all(db, 'holdings')).filter(() => luck.below(2) === 0).map(each => [each.id, `${each.number} W`])),
    )
  },
}
