export { readManual, type ManualFacts } from './read-manual.js'
export { openPdf, readPage, LIMITS, type PdfLibrary, type PdfDocument, type PdfPage } from './source/pdf.js'
export { Unreadable, type UnreadableCode } from './source/unreadable.js'
export {
  KIND_OF_DEVICE,
  draftSheet,
  sheetSource,
  type ByPerson,
  type DraftHead,
} from './proposal/draft-sheet.js'
export { FACT_KINDS, figuresOf, type Fact, type FactKind, type Figures, type Device } from './finders/spot.js'
export { manualText, type ManualText, type Block, type Table } from './layout/document.js'
export type { Page, Item, Rule, Box } from './page/page.js'
export { readManualFile, type Reader, type ReadFile, type ReadingOptions } from './read-file.js'
export { startTesseract, type TesseractLibrary } from './source/tesseract.js'
export type { Recogniser, SeenWord, Surface, SurfaceOf } from './source/scan.js'
export type { Pixels } from './source/boldness.js'
export {
  acceptedFacts,
  clauseAt,
  decide,
  decideAll,
  nextOpen,
  undo,
  withFact,
  workbenchOf,
  type Decision,
  type Workbench,
} from './workbench/workbench.js'
export { KIND_GROUPS, groupsOf, inShownOrder, type FactGroup } from './workbench/groups.js'
export { customaryWords, figureWords } from './finders/figure-words.js'
export { dimensionOf, unitOfKind } from './finders/dimensions.js'
export { othersThan } from './resolve/others.js'
export { decidedNotes, placeWords } from './workbench/decided.js'
export { namesOf, type SheetNames } from './workbench/head.js'
export { factsOfSheet, type SheetFact } from './edition/sheet-facts.js'
export { compareEditions, type EditionComparison } from './edition/compare.js'
export { newEdition, revisionAfter } from './edition/new-edition.js'
export { missingKinds, usualKinds } from './workbench/usual.js'
export { openChanges, sheetOf, type Edition } from './workbench/make-sheet.js'
export { cutOuts, type CuttingTable } from './clippings/cut-out.js'
export { ASKED_KINDS, askedInOrder, proposalsOf, notAcceptedIn, startingFrom } from './workbench/guided.js'
export { readPlate, type PlateField, type PlateProposal, type ReadPlate } from './nameplate/read-plate.js'
