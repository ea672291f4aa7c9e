/** On which paper a report can be printed. */
export const PAPERS = ['a4', 'letter'] as const
export type Paper = (typeof PAPERS)[number]
