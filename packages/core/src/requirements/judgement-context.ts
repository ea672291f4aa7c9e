import type { JobHeader } from '../job/header.js'
import type { WallBuilt } from '../as-built/wall.js'
import type { ConductorLoad } from '../ac/network.js'
import type { PartLoad } from '../ac/part-loads.js'
import type { AsBuilt } from '../as-built/as-built.js'
import type { Proposed, ProposedArea } from '../as-built/proposal.js'
import type { StringInForce } from '../as-built/strings-in-force.js'
import type { ArrayLookup } from '../as-built/module-lookup.js'
import type { SheetHead } from '../sheet/head.js'
import type { DecisionRule } from '../verdict/decision.js'
import type { Misclosure } from '../wall/misclosure.js'
import type { UnitClearance } from '../wall/clearance.js'
import type { ReadingInput } from './evidence-input.js'

/** A unit as measured on its wall: the wall and what the clearance calculator says of it. */
export interface OnWall {
  unitId: string
  wall: WallBuilt
  result: UnitClearance
  collidesWith: string[]
  /** That of a gap, as far as it counts in this job; mm. */
  uncertainty: number
  /** Gaps that were measured one by one and contradict the offsets. */
  contradictions: readonly Misclosure[]
  /** Why what was measured on this wall proves nothing. */
  doubt: string | undefined
  /** Was any figure of it drawn and not measured? */
  drawn(id: string): boolean
  /** Is a class of obstruction one that everybody means the same by? */
  listed(obstruction: string): boolean
}

/** All that a judgement may look at besides the evidence itself. */
export interface JudgementContext {
  asBuilt: AsBuilt
  rule: DecisionRule
  header: JobHeader | undefined
  sheetOf(unitId: string): SheetHead | undefined
  /** A sheet by its id, also one that was replaced since; what it asks, by its kinds. */
  sheet(id: string): (SheetHead & { requirements: readonly { kind: string }[] }) | undefined
  /** By one requirement where several speak of the unit. */
  onWall(unitId: string, requirementId: string): OnWall | undefined
  /** The modules of the array by their places; made when first asked for. */
  array(): ArrayLookup
  /** The strings by the sheets in force and their paths; worked out when first asked for. */
  strings(): readonly StringInForce[]
  /** What every conductor of the one-line model carries; worked out when first asked for. */
  loads(): ConductorLoad[]
  /** The same for every part. */
  partLoads(): PartLoad[]
  /** The reading in force at a point, for kinds that compare several. */
  reading(point: string): ReadingInput | undefined
  /** The units whose plates were read with this serial, or that are entered with it, as a reader compares serials. */
  unitsWithSerial(serial: string): readonly { id: string; label: string }[]
  /** What of each part of the job is proposed and not seen on site; worked out when first asked for. */
  proposals(): ReadonlyMap<ProposedArea, readonly Proposed[]>
  labelOf(id: string): string
}
