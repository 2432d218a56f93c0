/**
 * Adds values to the list of a key, which is made if it is missing. Mutates the list, so that no list is copied for each value.
 * @example addTo(new Map([['a', [1]]]), 'a', 2).get('a') //=> [1, 2]
 */
export function addTo<K, V>(lists: Map<K, V[]>, key: K, ...values: readonly V[]): Map<K, V[]> {
  const list = lists.get(key)
  if (list) list.push(...values)
  else lists.set(key, [...values])
  return lists
}
