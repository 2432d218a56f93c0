import type { Brand } from './authority'
import type { Holding } from './holding'

/** A set of which nothing is known but its identity. Every way of making a set starts from here. */
export function blankHolding(identity: Pick<Holding, 'id' | 'number' | 'seriesId' | 'name' | 'createdAt'>): Holding {
  return {
    ...identity,
    brandId: null, kindId: null, categoryId: null, themeIds: [], size: null, thicknessMm: null,
    words: [], searchWords: [], notes: '', acquiredOn: null, price: null, isUsed: null, useCount: null, lastUsedOn: null,
    hasMatchingDie: null, pictureHash: null, pieces: [], aliases: [], questions: [], placeText: '', state: 'toFile',
  }
}

export function blankBrand(id: string, name: string): Brand {
  return { id, name, variants: [], abbreviation: null, successorId: null, hasOwnNumbering: false, isRetired: false, notes: '' }
}
