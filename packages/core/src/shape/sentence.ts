const LEAST_WORDS = 2

/** Does a reason say something? A question mark, a dash or a word alone tells whoever reads it a year later nothing. */
export const isSentence = (said: string): boolean => (said.match(/\p{L}{2,}/gu) ?? []).length >= LEAST_WORDS
