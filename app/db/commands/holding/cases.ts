import { roomIn } from '#core/capacity'
import { ulid } from 'ulid'
import { blankHolding, KEPT_PACKAGINGS } from '#core/catalog'
import { factsOf } from '../../../../tests/support/facts'
import { all, BRANDS, NAMES, placeFor, roomOf, type Cases, type Luck } from '../../../../tests/support/cases'
import type { YondercrestDb } from '~/db'
import * as commands from '~/db/commands'

async function takeIn(db: YondercrestDb, luck: Luck): Promise<void> {
  const kind = luck.pick(await all(db, 'kinds'))
  const draft = luck.below(3) === 0 ? luck.pick(await all(db, 'drafts')) : undefined
  const facts = factsOf(luck.pick(NAMES) ?? 'Set', {
    brandName: luck.pick(BRANDS) ?? '',
    kindId: kind?.id ?? null,
    categoryName: luck.pick(['Images', 'Borders', '']) ?? '',
    themeNames: [luck.pick(['Ropes', 'Weather', 'Kelp']) ?? 'Ropes'],
    size: { widthMm: 50 + luck.below(200), heightMm: 60 },
    words: [],
    searchWords: [],
    acquiredOn: null,
    price: null,
    notes: '',
    packaging: luck.pick([...KEPT_PACKAGINGS]) ?? null,
  })
  const place =
    luck.below(3) === 0
      ? await placeFor(db, {
          ...blankHolding({ id: ulid(), number: 1, seriesId: '', name: facts.name, createdAt: '' }),
          kindId: facts.kindId,
          size: facts.size,
        })
      : null
  await commands.takeIn(db, facts, {
    place,
    state: 'toClass',
    draftId: draft?.id ?? null,
    written: luck.below(4) === 0 ? String(1 + luck.below(30)) : '',
  })
}

export const holdingCases: Cases = {
  takeIn,
  takeInAnother: takeIn,
  async edit(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding)
      await commands.editHolding(db, holding.id, {
        ...holding,
        name: luck.pick(NAMES) ?? '',
        brandName: luck.pick(BRANDS) ?? '',
        categoryName: '',
        themeNames: ['Weather'],
      })
  },
  async many(db, luck) {
    const holdings = await all(db, 'holdings')
    const some = holdings.filter(() => luck.below(2) === 0).map(({ id }) => id)
    const holding = luck.pick(holdings.filter(({ id }) => some.includes(id)))
    const place = holding ? await placeFor(db, holding) : null
    await commands.changeMany(db, [
      {
        ids: [...some, 'gone'],
        addThemes: ['Weather', luck.pick(['Buoys', 'Kelp']) ?? ''],
        brandName: luck.pick(BRANDS) ?? '',
        addNote: 'seen',
        holderTypeId: luck.pick(await all(db, 'holderTypes'))?.id ?? '',
        places: place && holding ? [{ holdingId: holding.id, place }] : [],
      },
    ])
    const [question] = holdings.flatMap(({ questions }) => questions)
    if (question) await commands.changeMany(db, [{ ids: holdings.map(({ id }) => id), answers: question, set: { isUsed: true } }])
  },
  async remove(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding) await commands.removeHolding(db, holding.id)
  },
  async place(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    const place = holding ? await placeFor(db, holding) : null
    if (holding && place) await commands.placeHolding(db, holding.id, place)
  },
  async placeAll(db) {
    const { placements, facts } = await roomOf(db)
    await commands.placeMany(
      db,
      [...facts.holdings.values()].filter(holding => !placements.has(holding.id)),
      {
        ...facts,
        learnt: new Map(),
        hasRoom: roomIn(
          id => facts.holdings.get(id),
          id => facts.authority.kinds.get(id),
          new Map(),
        ),
      },
      () => true,
    )
  },
}
