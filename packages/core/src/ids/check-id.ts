import type { CheckId, PointId, UnitId } from './ids.js'

/** The check of one requirement on one subject of a unit. */
export const checkId = (unit: UnitId, requirement: string, subject: string): CheckId =>
  `${unit}/${requirement}/${subject}`

/** The point at which that subject is read; requirements that name one point judge one and the same reading. */
export const pointId = (unit: UnitId, point: string, subject: string): PointId =>
  `${unit}/${point}/${subject}`
