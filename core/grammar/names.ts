/** Whether two names are equal, ignoring case and outer spaces. @example isSameName('Kelp study ', 'KELP STUDY') //=> true */
export const isSameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()
