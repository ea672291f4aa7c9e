/** A tester that went over its range says only ">". */
export const RELATIONS = ['=', '>', '<'] as const
export type Relation = (typeof RELATIONS)[number]
