/**
 * Do two sets of properties say the same? With every key what is judged is made anew, and what says the same is not drawn again. Functions
 * are left out: give it only such as stay good.
 */
export const alike = (before: object, after: object): boolean =>
  JSON.stringify(before) === JSON.stringify(after)
