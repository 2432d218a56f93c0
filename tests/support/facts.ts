import { blankHolding, plainFieldsOf } from '#core/catalog'
import type { HoldingFacts } from '~/db/commands'

const BLANK = blankHolding({ id: '', number: 1, seriesId: '', name: '', createdAt: '' })

/** What a person says of a set in a test: what is left out is not known. */
export const factsOf = (name: string, more: Partial<HoldingFacts> = {}): HoldingFacts => ({
  ...plainFieldsOf(BLANK),
  brandName: '',
  kindId: null,
  categoryName: '',
  themeNames: [],
  ...more,
  name,
})
