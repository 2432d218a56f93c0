/** Whether two names are equal, ignoring case and outer spaces. @example isSameName('Kelp study ', 'KELP STUDY') //=> true */
export const isSameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

const ORDER = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })
/**
 * The order of names in a list: figures by their worth, capitals and accents only where nothing else differs.
 * @example ['Set 10', 'set 2'].sort(compareNames) //=> ['set 2', 'Set 10']
 */
export const compareNames = (a: string, b: string): number => ORDER.compare(a, b) || Number(a > b) - Number(a < b)
