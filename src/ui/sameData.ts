/** Whether two sets of props say the same, for `memo`: made of plain data, so that a component is drawn again only when something it
 *  shows has changed, not when it was computed anew. Functions are taken to do the same thing. */
export const sameData = (a: object, b: object): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)
