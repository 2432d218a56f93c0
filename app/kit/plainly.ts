/**
 * The value as plain data, for a worker or the database: what Vue watches cannot be handed over. `change` may
 * change each value on the way.
 */
export const plainly = <T>(value: T, change?: (key: string, each: unknown) => unknown): T => JSON.parse(JSON.stringify(value), change) as T
