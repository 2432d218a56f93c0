/** The same name, in any case; spaces around it say nothing. @example isSameName('Kelp study ', 'KELP STUDY') //=> true */
export const isSameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()
