/** Whether two plain values are equal. @example isSame({ a: [1] }, { a: [1] }) //=> true */
export const isSame = (a: unknown, b: unknown): boolean =>
  a === b || (typeof a === 'object' && typeof b === 'object' && JSON.stringify(a) === JSON.stringify(b))

/**
 * The fields of `after` that differ from `before`: what a form changed in its record.
 * @example changedFields({ name: 'Bin 1', lanes: 1 }, { name: 'Bin 1', lanes: 2 }) //=> { lanes: 2 }
 */
export function changedFields<T extends object>(before: T, after: T): Partial<T> {
  const fields = Object.entries(after).filter(([field, value]) => !isSame(value, before[field as keyof T]))
  return Object.fromEntries(fields) as Partial<T>
}
