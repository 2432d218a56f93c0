/**
 * What a form shows when its record changed meanwhile: fields that were typed in stay as they were typed, the others follow
 * the record. `begun` is what the form began with.
 * @example keepTyped({ name: 'Kelp St', size: '' }, { name: 'Kelp', size: '' }, { name: 'Kelp', size: '4 x 6' })
 * //=> { name: 'Kelp St', size: '4 x 6' }
 */
export function keepTyped<T extends object>(typed: T, begun: T, fresh: T): T {
  const isTyped = (key: keyof T): boolean => JSON.stringify(typed[key]) !== JSON.stringify(begun[key])
  return Object.fromEntries((Object.keys(fresh) as (keyof T)[]).map(key => [key, isTyped(key) ? typed[key] : fresh[key]])) as unknown as T
}
