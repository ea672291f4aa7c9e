export type { Block, Cell, Column, Marked, Part } from './block.js'
export { arrangementOf } from './drawings/arrangement.js'
export { layOutGraph, type GraphLayout } from './drawings/graph-layout.js'
export type { ReportRecord } from './record.js'
export {
  AUDIENCES,
  AUDIENCE_WORDS,
  PART_IDS,
  PART_TITLES,
  USUAL_PARTS,
  reportOf,
  type Audience,
  type PartId,
} from './report.js'
