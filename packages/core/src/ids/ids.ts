declare const names: unique symbol

/**
 * Text that names one kind of thing. Plain text is taken as a name of any kind, since names come from outside; a name of one kind is never
 * taken for one of another.
 */
export type Id<Kind extends string> = string & { readonly [names]?: Kind }

export type JobId = Id<'job'>
export type EntryId = Id<'entry'>
export type PersonId = Id<'person'>
export type PhotoId = Id<'photo'>
export type TraceId = Id<'trace'>
export type SheetId = Id<'sheet'>
export type InstrumentId = Id<'instrument'>
export type UnitId = Id<'unit'>
export type WallId = Id<'wall'>
export type ObstructionId = Id<'obstruction'>
export type GapId = Id<'gap'>
export type StringId = Id<'string'>
export type PlaneId = Id<'plane'>
/** A place for one module: plane, row from the top, column from the left, both from 1: "south.r1c3". */
export type PlaceId = Id<'place'>
export type DeviceId = Id<'device'>
/** A device of the job that can be asked over the network. */
export type ConnectionId = Id<'connection'>
export type BranchId = Id<'branch'>
export type EarthPartId = Id<'earth-part'>
export type BondId = Id<'bond'>
export type PartId = Id<'part'>
export type ConductorId = Id<'conductor'>
export type DefectId = Id<'defect'>
/** What a reviewer wants answered before they sign. */
export type RemarkId = Id<'remark'>
/** `unit/requirement/subject`: the same check has the same id for everybody, for ever. */
export type CheckId = Id<'check'>
/** `unit/point/subject`: where evidence is kept; several checks may judge one point. */
export type PointId = Id<'point'>
