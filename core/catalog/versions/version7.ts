import type { Old, Version } from './version'

/** What a set said of its use is a line of the log now. */
function useOf({ id, isUsed, useCount, lastUsedOn }: Old): Old | null {
  if (isUsed === false || useCount === 0) return { id, holdingId: id, on: null, times: 0, from: 'said' }
  const isSaid = isUsed === true || typeof useCount === 'number' || typeof lastUsedOn === 'string'
  return isSaid ? { id, holdingId: id, on: lastUsedOn ?? null, times: useCount ?? null, from: 'said' } : null
}

/** Pull lists, and a log of use in place of figures on the set. What was out before was taken for a reason that nobody noted. */
export const VERSION_7: Version = {
  number: 7,
  stores: { pullLists: 'id', uses: 'id, holdingId, on' },
  brings: ['pullLists', 'uses'],
  upgrade: {
    holdings: ({ isUsed: _isUsed, useCount: _useCount, lastUsedOn: _lastUsedOn, ...holding }) => holding,
    loans: record => ({ isForUse: false, ...record }),
  },
  gives: { holdings: { to: 'uses', make: useOf } },
}
