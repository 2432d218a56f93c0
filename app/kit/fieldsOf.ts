/**
 * The fields of a record as something that `v-model` reads and writes: writing one field calls `change` with it alone.
 * @example fieldsOf(() => ({ columns: 2 }), () => null).columns //=> 2
 */
export const fieldsOf = <T extends object>(read: () => T, change: (fields: Partial<T>) => unknown): T =>
  new Proxy({} as T, {
    get: (_, key) => Reflect.get(read(), key) as unknown,
    set: (_, key, value) => {
      change({ [key]: value } as Partial<T>)
      return true
    },
  })
