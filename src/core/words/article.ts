/** A noun with its article: “an overheat”, “a ramp”. */
export const withArticle = (noun: string): string => `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`
