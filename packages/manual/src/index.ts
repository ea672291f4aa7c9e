export { readManual, type ManualFacts } from './read-manual.js'
export { openPdf, readPage, LIMITS, type PdfLibrary, type PdfDocument, type PdfPage } from './source/pdf.js'
export { Unreadable, type UnreadableCode } from './source/unreadable.js'
export { KIND_OF_DEVICE, draftSheet, sheetSource, type DraftHead } from './proposal/draft-sheet.js'
export { FACT_KINDS, type Fact, type FactKind, type Device } from './finders/spot.js'
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
  type Figures,
  type Workbench,
} from './workbench/workbench.js'
export {
  KIND_GROUPS,
  UNIT_OF_KIND,
  groupsOf,
  inShownOrder,
  missingKinds,
  type FactGroup,
} from './workbench/groups.js'
