// The face of this package: every name that others may use, floor by floor. Nothing else is exported.
export type {
  PointId,
  CheckId,
  DefectId,
  EntryId,
  JobId,
  PersonId,
  PhotoId,
  SheetId,
  UnitId,
  WallId,
} from './ids/ids.js'
export { placeWords, readPlace } from './ids/place-id.js'
export { walkedTo } from './entering/walked-run.js'
export { attempt, type Attempt } from './shape/attempt.js'
export { BadInput, asErrorShape, type BadInputCode, type ErrorShape } from './shape/bad-input.js'
export { UUID, digestText, object, uuidText, type JsonSchema } from './shape/shape.js'
export { dayField, rfc3339 } from './shape/time.js'
export { clippingAt, clippingsText, readClippings, type Clipping, type Clippings } from './sheet/clippings.js'
export { inBothSystems, inCustomary, type System } from './quantity/both-systems.js'
export { amps, volts, watts } from './quantity/figure.js'
export { formatInches, formatQuantity } from './quantity/format.js'
export { parseQuantity } from './quantity/parse.js'
export {
  printedFigures,
  printedUnit,
  type PrintedFigure,
  type PrintHabits,
  type UnitWord,
} from './quantity/printed-figures.js'
export { NEED_WORDS } from './sheet/terms.js'
export { isSameOnPlate } from './requirements/general/nameplate.js'
export { KIND_WORDS } from './requirements/kind-words.js'
export { isReleased, mayRelease, type ReleaseAnswer, type SheetRelease } from './sign-off/release.js'
export {
  manualOfSheet,
  placeInManual,
  printedPlaces,
  type ManualOfSheet,
  type PlaceInManual,
} from './sheet/place.js'
export { readDraft, variantOf } from './quantity/read-draft.js'
export { RELATIONS, type Relation } from './quantity/relation.js'
export { capital, formatNumber, joinAnd, normaliseLabel, plural } from './quantity/phrases.js'
export { DIMENSIONS, awgToMm2, canonicalUnit, type Dimension } from './quantity/units.js'
export { joinMessages, sameMessage, type Message } from './quantity/message.js'
export {
  DECISION_RULES,
  decision,
  type DecisionInput,
  type DecisionResult,
  type DecisionRule,
} from './verdict/decision.js'
export {
  VERDICT_WORDS,
  countWords,
  byBadness,
  worst,
  type Explained,
  type Verdict,
} from './verdict/verdict.js'
export { acBranch, type AcBranchInput, type AcBranchResult } from './ac/ac-branch.js'
export { conductor } from './ac/conductor.js'
export type { ConductorCheck, ConductorInput, ConductorResult } from './ac/conductor-input.js'
export { networkLoads, type ConductorLoad } from './ac/network.js'
export { judgeNetworkConductor, mayCarry } from './ac/network-checks.js'
export {
  CABLE_METHODS,
  CABLE_PHASES,
  DRIVING_KINDS,
  INSULATIONS,
  PART_KINDS,
  PART_WORDS,
  RESIDUAL_KINDS,
  cutInTwo,
  type NetworkConductor,
  type NetworkPart,
  type PartKind,
  type ResidualKind,
} from './ac/one-line.js'
export { protectionWords, type PartLoad } from './ac/part-loads.js'
export { placesOf, type BranchBuilt, type DeviceBuilt, type PlaneBuilt } from './array/places.js'
export { railMarks, type RailMarksInput, type RailMarksResult } from './array/rail-marks.js'
export { safeVoltage, type SafeVoltageInput, type SafeVoltageResult } from './array/safe-voltage.js'
export { serialMap, type LikelyTypo, type SerialMapInput, type SerialMapResult } from './array/serial-map.js'
export {
  splitStrings,
  type SplitString,
  type SplitStringsInput,
  type SplitStringsResult,
} from './array/split-strings.js'
export { insulation, type InsulationInput, type InsulationResult } from './dc/insulation.js'
export {
  expectedPower,
  type ExpectedPowerInput,
  type ExpectedPowerResult,
} from './commissioning/expected-power.js'
export {
  deviceEnumeration,
  type DeviceEnumerationInput,
  type DeviceEnumerationResult,
} from './commissioning/device-enumeration.js'
export {
  CHECK_BAR,
  MARK_IDS,
  PAPERS,
  SHEET_MARKS,
  onPaper,
  type MarkId,
  type Paper,
} from './drawings/mark-sheet.js'
export { needsOf } from './prepare/kit.js'
export { blocksOf, type ClauseHistory, type WorkPlace } from './prepare/walk-blocks.js'
export { bestNext } from './prepare/best-next.js'
export { walkPlan, type PlannedBlock, type WalkPlan } from './prepare/walk-order.js'
export {
  DRAWN_FIGURES,
  PROPOSED_KINDS,
  PROPOSED_WORDS,
  drawnWithout,
  proposalsIn,
  type DrawnFigure,
  type Proposed,
  type ProposedArea,
  type ProposedKind,
} from './as-built/proposal.js'
export { overtakenOf, type Overtaken } from './walk/overtaken.js'
export { serialOf, type SerialFound } from './walk/serial-found.js'
export { openRemarks, secondReadingOpen } from './sign-off/remarks.js'
export { statedAbsences, type StatedAbsence } from './sign-off/stated-absences.js'
export { unjudgedCables, type UnjudgedCable } from './sign-off/unjudged-cables.js'
export { PROPOSALS, type Proposal } from './shape/proposed-field.js'
export { askedBy } from './entering/asked-by.js'
export { reinspectionJob } from './entering/reinspection-job.js'
export { drifts, type Drift, type DriftPoint } from './reinspection/drift.js'
export { intervalShape, nextInspection, type Interval, type NextInspection } from './reinspection/interval.js'
export {
  reinspectionChanges,
  type BuiltChange,
  type ReinspectionChanges,
  type VerdictChange,
} from './reinspection/changes.js'
export {
  labelsOnMap,
  type LabelledPlace,
  type LabelsOnMap,
  type ReadLabel,
  type UnplacedWhy,
} from './entering/labels-on-map.js'
export {
  obstructionSeenAt,
  seenBetween,
  sizeDisagrees,
  unitSeenAt,
  type TouchedCorners,
} from './entering/drawn-on-photo.js'
export { sayPhotoFault } from './wall/photo-fault.js'
export {
  CAREFUL_CLICK,
  measuredOn,
  photoTape,
  type PhotoFault,
  type PhotoSetUp,
  type PhotoTape,
  type MeasuredLength,
  type ReadOff,
  type SeenRectangle,
} from './wall/photo-tape.js'
export type { Pixel, Place } from './wall/photo-uncertainty.js'
export {
  fitProjectiveMap,
  onWall,
  backToPhoto,
  type KnownPoint,
  type ProjectiveMap,
} from './wall/projective-map.js'
export { rectifiedPicture, windowSeen, type Raster, type WallWindow } from './wall/rectified-picture.js'
export { photoMeasure, type PhotoMeasureInput, type PhotoMeasureResult } from './wall/photo-measure.js'
export { mapOf } from './wall/known-map.js'
export { likeStrings, type LikeStringsInput, type LikeStringsResult } from './dc/like-strings.js'
export {
  COLD_METHODS,
  stringColdLimit,
  type StringColdLimitInput,
  type StringColdLimitResult,
} from './dc/string-cold-limit.js'
export {
  HYPOTHESIS_WORDS,
  stringBand,
  stringVoltage,
  type Hypothesis,
  type StringVoltageInput,
  type StringVoltageResult,
} from './dc/string-voltage.js'
export {
  limitResponse,
  type LimitResponseInput,
  type LimitResponseResult,
} from './commissioning/limit-response.js'
export {
  readTrace,
  columnOf,
  writeTrace,
  type Trace,
  type Column,
  type TraceChannel,
} from './commissioning/trace-file.js'
export { stepFound } from './commissioning/step-found.js'
export { reducedForDrawing } from './commissioning/reduced.js'
export { traceFacts, type TraceFacts, type TraceLimit } from './commissioning/trace-facts.js'
export { reserve, type ReserveInput, type ReserveResult } from './commissioning/reserve.js'
export { settings, type SettingsInput, type SettingsResult } from './commissioning/settings.js'
export {
  BOND_MEANS,
  BOND_WORDS,
  EARTH_PART_KINDS,
  EARTH_PART_WORDS,
  type Bond,
  type BondMeans,
  type EarthPart,
  type EarthPartKind,
} from './earthing/bond.js'
export {
  EARTH_METHODS,
  protectiveEarth,
  type ProtectiveEarthInput,
  type ProtectiveEarthResult,
} from './earthing/protective-earth.js'
export {
  ctPhasing,
  phaseCurrents,
  type CtPhasingInput,
  type CtPhasingResult,
  type Phasor,
  type Wiring,
} from './meter/ct-phasing.js'
export { changeByKnownLoad, type ChannelAt } from './meter/known-load.js'
export { channelsRead, proofByLoads, type ProofByLoads } from './requirements/meter/proof-by-loads.js'
export { powerBalance, type PowerBalanceInput, type PowerBalanceResult } from './meter/power-balance.js'
export { sequence, type SequenceInput, type SequenceResult, type Violation } from './power-up/sequence.js'
export { nextStep, stepsAt, type StepNow } from './power-up/steps-at.js'
export { mergedOrder, type OrderConflict, type OrderOfUnit, type SiteStep } from './power-up/merged-order.js'
export {
  TERMINAL_COLUMNS,
  cellText,
  filledDown,
  hasCell,
  withCell,
  withDuplicate,
  withPasted,
  withPhases,
  withTerminal,
  type TerminalColumn,
  type TerminalDraft,
} from './entering/terminal-rows.js'
export { driverTorque, type DriverTorqueInput, type DriverTorqueResult } from './terminal/driver-torque.js'
export { clearance, clearanceOf, type ClearanceResult } from './wall/clearance.js'
export {
  afterMoves,
  clearanceRework,
  type ClearanceReworkInput,
  type ClearanceReworkResult,
  type Move,
} from './wall/clearance-rework.js'
export { fixings, type FixingsInput, type FixingsResult } from './wall/fixings.js'
export { clearanceInput, type ClearanceInput } from './wall/items.js'
export { liftPlan, type LiftPlanInput, type LiftPlanResult } from './wall/lift-plan.js'
export { OBSTRUCTION_CLASSES } from './wall/obstruction-class.js'
export { misclosures, offsetFromGap, wallEnds, type SurveyedItem } from './wall/misclosure.js'
export { CALCULATORS, CALCULATOR_NAMES, compute, type CalculatorName } from './calculators.js'
export {
  accuracyOf,
  gapUncertainty,
  measures,
  outOfCalibration,
  uncertaintyOf,
  type Accuracy,
  type Instrument,
  isStated,
  unstatedIn,
} from './instrument/instrument.js'
export { accuracyWords, dimensionWords, uncertaintyWords } from './instrument/accuracy-words.js'
export {
  CARRIED_INSTRUMENTS,
  type CarriedInstrument,
  INSTRUMENT_KINDS,
  INSTRUMENT_NAMES,
  type InstrumentKind,
} from './instrument/instrument-kinds.js'
export {
  MOST_ADDRESSES,
  addressCount,
  addressesBetween,
  inNetwork,
  isLoopback,
  isPrivateAddress,
  isPrivateNetwork,
} from './device/address.js'
export { MAP_BASE, MAP_END, MAP_MARK, OPEN_MODELS } from './device/open-models.js'
export {
  meant,
  pointKey,
  pointWords,
  readPoint,
  registersOf,
  type DevicePoint,
  type PointRead,
  type Registers,
} from './device/point.js'
export { sayWord, type DeviceNamed, type DeviceWord } from './device/word.js'
export type { Ask, Condition, DerivedFrom } from './answer/ask.js'
export { habitsFor, type FigureAsked } from './answer/typing.js'
export {
  fitAnswer,
  type Answer,
  type AnswerOf,
  type Form,
  type FormField,
  type TripRow,
  type FormName,
} from './answer/forms.js'
export type { PhotoRef } from './answer/photo-ref.js'
export type { TraceAnswer } from './answer/trace-ref.js'
export { sheetId, sheetName } from './sheet/ref.js'
export { newerRevision, otherRevisions } from './sheet/revision.js'
export { STAGES, STAGE_CAUTIONS, STAGE_TITLES, type Stage } from './sheet/stages.js'
export { TERMINAL_SIDES, type Terminal } from './sheet/terminal.js'
export {
  CLAMPS,
  CLAMP_NAMES,
  CLAMP_WORDS,
  MOUNTED,
  PLACED,
  SEVERITIES,
  SEVERITY_MEANS,
  isMilder,
  UNIT_KINDS,
  UNIT_KIND_WORDS,
  type Severity,
  type UnitKind,
} from './sheet/terms.js'
export { NOTHING_BUILT, type AsBuilt } from './as-built/as-built.js'
export type { Connection } from './as-built/connection.js'
export { stringMakeUp } from './as-built/module-lookup.js'
export type { StringBuilt } from './as-built/string.js'
export type { Situation, UnitBuilt, WallPlace } from './as-built/unit.js'
export type { GapMeasured, ObstructionBuilt, WallBuilt, WallPhoto } from './as-built/wall.js'
export { seenWithout, type Seen } from './as-built/seen.js'
export { lengthOffPhoto, photoInstrument, type PhotoReading } from './answer/photo-reading.js'
export { canonicalJson } from './job/canonical.js'
export { fingerprint, linked, type Sha256 } from './job/chain.js'
export {
  DEFECT_STEPS,
  DEFECT_STEP_WORDS,
  isOpen,
  nextState,
  type DefectState,
  type DefectStepName,
} from './job/defect-process.js'
export { entryRow, type EntryBodies, type EntryKind } from './job/entries/registry.js'
export { rebuiltPhoto, tellsNoMore, type PhotoWish } from './photo/rebuilt-photo.js'
export { inverseOf, photosShown, type Change, type Entry, type EntryOf, type NewEntry } from './job/entry.js'
export { sunset } from './sun/sunset.js'
export { endOfSiteDay, siteDay } from './shape/site-day.js'
export { clockWords, dayWords, hourWords, whenWords } from './quantity/time-words.js'
export { isTimeZone } from './shape/time-zone.js'
export { applied, fold, isEvidence } from './job/fold.js'
export { SCHOOLS, SYSTEMS, type JobHeader, type PinnedSheet } from './job/header.js'
export { ROLES, type Person, type Role } from './job/person.js'
export { SAME_PLACES, isAlignmentOf, samePlaces, type PhotosAligned } from './job/photos-aligned.js'
export { inForce, type Evidence, type JobState } from './job/state.js'
export { differenceWords, sheetDifferences } from './requirements/difference.js'
export { sheetFaults, unknownSheetFields } from './requirements/faults.js'
export { unprovableLimits, type Unprovable } from './requirements/impossible.js'
export { KINDS, type KindName, type Requirement } from './requirements/kinds.js'
export { arrowTowards } from './requirements/meter/arrow-convention.js'
export { proofInput } from './requirements/meter/ct-proof.js'
export { measureWall, type MeasuredWall, type WallContext } from './requirements/mounting/measured-wall.js'
export { NO_ALARM } from './requirements/commissioning/alarm-codes.js'
export { settingRows, type SettingAsked } from './requirements/commissioning/settings.js'
export { limitOf, standingOf, type TraceTest } from './requirements/commissioning/trace-test.js'
export { readableOf, type Readable } from './requirements/readable.js'
export { sheetRequirementWords } from './requirements/say-requirement.js'
export { readSheet, sheetSchema, type Sheet } from './requirements/sheet.js'
export { adoptionChanges, judgedOtherwise, withSheet, type CheckChange } from './walk/adoption.js'
export type { Check, JudgedCheck, Outcome, ProposedDefect } from './walk/check.js'
export { dangers, openDefectFor, type Defect } from './walk/defect.js'
export { byUrgency, isOverdue, isOwedBy } from './walk/urgency.js'
export { NOT_APPLICABLE_REASONS, mayNotApply } from './walk/not-applicable.js'
export { remarkedOn, sayAmendment } from './walk/say-defect.js'
export { stagesOf } from './walk/stages-of.js'
export { heldBy } from './walk/held.js'
export { isSentence } from './shape/sentence.js'
export { madeVoid, type Deed, type MadeVoid } from './walk/made-void.js'
export { carriedWord } from './walk/carried-word.js'
export { answerFromDevice, pointsAsked, readsOf, serialsHeard, type ReadValues } from './walk/from-device.js'
export {
  inspect,
  inspectDraft,
  inspectNext,
  pointsNext,
  type Inspection,
  wallContext,
} from './walk/inspect.js'
export { judgeAnswer, judgeTyped, type TypedJudgement } from './walk/judge.js'
export {
  LIST_ORDERS,
  checksOf,
  listed as listedChecks,
  placeIn,
  togetherKey,
  type CheckGroup,
  type ListItem,
  type ListOrder,
} from './walk/grouped.js'
export { calculationOf, type Calculation } from './walk/calculation-of.js'
export { orderOf } from './walk/order-of.js'
export { sayEvidence } from './walk/say-evidence.js'
export { handOver, type HandOver } from './hand-over/hand-over.js'
export {
  blockers,
  expiredInstrument,
  isLeft,
  waitingFor,
  type Blocker,
  type BlockerKind,
  type Owed,
} from './sign-off/gate.js'
export {
  MINUTES_BESIDE_CHECKS,
  expectedDuration,
  type Duration,
  type MinutesByKind,
} from './prepare/duration.js'
export { kitFor, stageWords, type InstrumentWanted, type Kit } from './prepare/kit.js'
export { clashes, type Visit } from './prepare/visits.js'
export { arrayDrawing, type ArrayDrawing, type DrawnPlace, type DrawnPlane } from './drawings/array.js'
export { endOfVoltages, stringChart, type StringOnChart } from './drawings/string-chart.js'
export {
  wallDrawing,
  type DimensionLine,
  type DrawnEnvelope,
  type DrawnItem,
  type WallDrawing,
} from './drawings/wall.js'
export { wallSvg } from './drawings/wall-svg.js'
export { branchSegments } from './entering/branch-segments.js'
export { NETWORK_TEMPLATES, networkTemplate, type NetworkTemplate } from './entering/network-templates.js'
export { devicesFor, readSerialTable, withSerials } from './entering/serial-table.js'
export {
  TESTER_COLUMNS,
  guessMapping,
  readTesterTable,
  type TesterColumn,
  type TesterMapping,
} from './entering/tester-table.js'
export { countedString, isModuleOf, walkedString } from './entering/walked-string.js'
export { admit } from './admission/admit.js'
export { knownWhereDone, mayHoldWhereDone } from './admission/where-done.js'
export {
  archiveManifestSchema,
  readArchiveManifest,
  type ArchiveManifest,
  type ArchivedPhoto,
  type ArchivedTrace,
} from './admission/archive-manifest.js'
export {
  csvText,
  guessColumns,
  type CsvColumn,
  type CsvMapping,
  type CsvRead,
  type CsvTable,
} from './entering/csv/table.js'
export { checksMeant, type Meant } from './entering/command-line.js'
export {
  recurrence,
  PATTERN_SAYS,
  type Pattern,
  type PatternSays,
  type Tally,
} from './patterns/recurrence.js'
export { PATTERNS_BY, suggestionFor, type PatternsBy, type PatternSuggestion } from './patterns/suggestion.js'
export { clausesJudged, type ClauseJudged } from './patterns/clauses-judged.js'
export {
  leverMoved,
  leverNearest,
  leversOf,
  leverValue,
  wouldJustDo,
  type JustDo,
  type Lever,
} from './entering/what-if.js'
export { likeJob } from './entering/like-job.js'
export { alikeTo, type AlikePart } from './entering/alike.js'
export {
  pasteInto,
  readingBody,
  readingTable,
  unreadBelow,
  type PastedCell,
  type ReadingTable,
} from './entering/reading-table.js'
export { READING_COLUMNS, readingsIn, readingsOut } from './entering/csv/readings.js'
export { DEFECT_COLUMNS, defectsIn, defectsOut } from './entering/csv/defects.js'
export { serialsOut } from './entering/csv/serials.js'
export { INSTRUMENT_COLUMNS, instrumentsIn, instrumentsOut } from './entering/csv/instruments.js'
export { may, type Standing } from './admission/may.js'
export { suitable } from './answer/suitable.js'
export { unitsOf, type JobUnits } from './job/units-of.js'
export { TRIP_COLUMNS, tripsIn } from './entering/csv/trips.js'
export { JOB_COLUMNS, jobsIn, type JobRow } from './entering/csv/jobs.js'
export { USUAL_ACCURACY } from './instrument/usual.js'
export { newJob, type JobWish, type UnitWish } from './entering/new-job.js'
export { isAssigned } from './job/assigned.js'
export { PEOPLE_COLUMNS, peopleIn, peopleOut } from './entering/csv/people.js'
export { compareChains, type ChainComparison } from './admission/chain-comparison.js'
export { reassigned, candidates, type Reassigned, type Reassignment } from './admission/reassigned.js'
export {
  inspectionSchema,
  readInspectionFile,
  sheetFingerprint,
  sheetsById,
  unknownInspectionFields,
  verifyInspectionFile,
  type FileFault,
  type InspectionFile,
} from './admission/inspection-file.js'
export { MOST_ENTRIES } from './job/limits.js'
export { signerWords, type Signer } from './job/signer.js'
export { asTold, type ToldPart } from './job/told-by.js'
export { fileFaultWords } from './admission/file-fault-words.js'
export { ENTERED, ENTERED_WORDS, type Entered, type Scope } from './job/scope.js'
export { signedText, type Attestation, type VerifySignature } from './job/attestation.js'
export { CLOCK_TOLERANCE, clockAhead, correctedTimes, type KeptTimes } from './job/clock.js'
