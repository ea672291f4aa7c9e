import { instantField } from '../shape/time.js'
import type { EntryWith } from '../job/entry-with.js'
import { ENTRY_KINDS, entryRow, type EntryKind } from '../job/entries/registry.js'
import { personShape } from '../job/person.js'
import { sheetId } from '../sheet/ref.js'
import { attempt } from '../shape/attempt.js'
import { BadInput } from '../shape/bad-input.js'
import {
  list,
  num,
  object,
  oneOf,
  optional,
  text,
  type Shape,
  anyText,
  jsonObject,
  type JsonSchema,
} from '../shape/shape.js'
import { readSheet, type Sheet } from '../requirements/sheet.js'
import { attestationShape, signedText, type Attestation, type VerifySignature } from '../job/attestation.js'
import { canonicalJson } from '../job/canonical.js'
import { verifyChain, type ChainFault, type Sha256 } from '../job/chain.js'
import { type Entry } from '../job/entry.js'
import { MOST_ENTRIES } from '../job/limits.js'
import { unknownFields } from '../quantity/unknown-fields.js'
import { unknownSheetFields } from '../requirements/faults.js'
import { fold } from '../job/fold.js'

/** An exported inspection: the entries of one job with the sheets it is judged by. */
export interface InspectionFile {
  format: 'plumb-mark-inspection'
  version: 1
  jobId: string
  sheets: Sheet[]
  entries: Entry[]
  /** The word of the installation that exported it for where the chain ends. */
  attested?: Attestation
  /** Why it gave no word: what was broken when it was exported. */
  broken?: string[]
}

const entryShape = object({
  id: text(),
  jobId: text(),
  kind: oneOf(ENTRY_KINDS),
  at: instantField,
  said: optional(instantField),
  received: optional(instantField),
  body: jsonObject<never>(),
  by: personShape,
  seq: num({ min: 1 }),
  prev: anyText(),
  hash: text(),
}) satisfies Shape<EntryWith<never, EntryKind>>

const fileShape = object({
  format: oneOf(['plumb-mark-inspection'] as const),
  version: oneOf([1] as const),
  jobId: text(),
  sheets: list(jsonObject(), { mayBeEmpty: true }),
  entries: list(entryShape, { max: MOST_ENTRIES }),
  exported: optional(text()),
  attested: optional(attestationShape),
  broken: optional(list(text())),
})

/** The published shape of the file; what each kind of entry holds stands under its name in `$defs`. */
export const inspectionSchema = (): JsonSchema & Record<string, unknown> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'plumb-mark-inspection-1',
  title: 'plumb-mark-inspection, version 1',
  ...fileShape.schema,
  $defs: Object.fromEntries(ENTRY_KINDS.map((kind) => [kind, entryRow(kind)!.schema.schema])),
})

/** Reads an exported inspection. Bad input: whatever does not fit, with its path (`sheets[1].requirements[3].clear.left`). */
export function readInspectionFile(data: unknown): InspectionFile {
  const { format, version, jobId, sheets, entries, attested, broken } = fileShape.read(data, '')
  const read = sheets.map((sheet, i) => inPath(`sheets[${i}]`, () => readSheet(sheet)))
  return {
    format,
    version,
    jobId,
    sheets: read,
    entries: entries as Entry[],
    ...(attested && { attested }),
    ...(broken && { broken }),
  }
}

/**
 * Fields of a file that `readInspectionFile` took and that the format has no place for. `loose` ones stand where nothing covers them:
 * at the top, in a sheet, beside the body of an entry; somebody may have written them in afterwards. Those in the body of an entry are
 * covered by its hash and come from a newer program.
 */
export function unknownInspectionFields(data: unknown): { loose: string[]; hashed: string[] } {
  const { sheets, entries } = data as { sheets: unknown[]; entries: { kind: EntryKind; body: unknown }[] }
  const inSheets = sheets.flatMap((sheet, i) =>
    unknownSheetFields(sheet).map((path) => `sheets[${i}].${path}`),
  )
  const hashed = entries.flatMap(({ kind, body }, i) =>
    unknownFields(entryRow(kind)?.schema.schema ?? {}, body, `entries[${i}].body`),
  )
  return { loose: [...unknownFields(fileShape.schema, data), ...inSheets], hashed }
}

function inPath<T>(prefix: string, read: () => T): T {
  const done = attempt(read)
  if (done.ok) return done.value
  const { code, path, reason } = done.problem
  throw new BadInput(code, path ? `${prefix}.${path}` : prefix, reason)
}

export const sheetFingerprint = (sheet: Sheet, sha256: Sha256): string => sha256(canonicalJson(sheet))

export type FileFault =
  | ChainFault
  | { fault: 'sheet-changed' | 'sheet-absent' | 'sheet-unknown'; sheetId: string }
  | { fault: 'other-job'; seq: number; entryId: string }
  | { fault: 'tail-cut' | 'wrong-signature' | 'not-signed' }
  /** A field that the format has no place for, where nothing covers it. */
  | { fault: 'field-unknown'; path: string }
  /** The installation that exported it found it broken. */
  | { fault: 'broken-at-export'; reason: string }

/** Recomputes all that an inspection file claims: its chain, its seal, the fingerprints of the sheets it was judged by, and what its installation signed. */
export function verifyInspectionFile(
  { jobId, entries, sheets, attested, broken = [] }: InspectionFile,
  sha256: Sha256,
  verifies?: VerifySignature,
): FileFault[] {
  const strangers = entries
    .filter((entry) => entry.jobId !== jobId)
    .map(({ seq, id }): FileFault => ({ fault: 'other-job', seq, entryId: id }))
  const { header } = fold(entries)
  const pinned = [...(header?.sheets ?? []), ...(header?.replaced ?? [])]
  const last = entries.at(-1)
  const cut = attested !== undefined && (attested.seq !== last?.seq || attested.head !== last.hash)
  const unsigned =
    attested !== undefined && verifies !== undefined && !verifies(attested, signedText(jobId, attested))
  const known = new Set(pinned.map(({ id }) => id))
  const sheetFaults = pinned.flatMap(({ id, fingerprint }): FileFault[] => {
    const sheet = sheets.find((one) => sheetId(one) === id)
    if (!sheet) return [{ fault: 'sheet-absent', sheetId: id }]
    return sheetFingerprint(sheet, sha256) === fingerprint ? [] : [{ fault: 'sheet-changed', sheetId: id }]
  })
  return [
    ...verifyChain(entries, sha256),
    ...strangers,
    ...sheetFaults,
    ...sheets
      .map(sheetId)
      .filter((id) => !known.has(id))
      .map((id): FileFault => ({ fault: 'sheet-unknown', sheetId: id })),
    ...(cut ? [{ fault: 'tail-cut' } as const] : []),
    ...(unsigned ? [{ fault: 'wrong-signature' } as const] : []),
    ...broken.map((reason): FileFault => ({ fault: 'broken-at-export', reason })),
  ]
}

export function sheetsById(sheets: readonly Sheet[]): Map<string, Sheet> {
  return new Map(sheets.map((sheet) => [sheetId(sheet), sheet]))
}
