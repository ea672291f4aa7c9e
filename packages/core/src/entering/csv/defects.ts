import type { EntryBodies } from '../../job/entries/registry.js'
import { SEVERITIES, type Severity } from '../../sheet/terms.js'
import type { Inspection } from '../../walk/inspect.js'
import { readCsv, type CsvColumn, type CsvMapping, type CsvRead, type CsvTable } from './table.js'

type Key =
  | 'check'
  | 'severity'
  | 'finding'
  | 'note'
  | 'title'
  | 'place'
  | 'remedy'
  | 'state'
  | 'clause'
  | 'raised'
  | 'by'

export const DEFECT_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: 'check', header: 'check id', alias: ['check'], required: true },
  { key: 'severity', header: 'severity' },
  { key: 'finding', header: 'finding' },
  { key: 'note', header: 'note' },
  { key: 'title', header: 'defect' },
  { key: 'place', header: 'place' },
  { key: 'remedy', header: 'remedy' },
  { key: 'state', header: 'state' },
  { key: 'clause', header: 'clause' },
  { key: 'raised', header: 'raised (RFC 3339)' },
  { key: 'by', header: 'raised by' },
]

export function defectsOut({ defects, checks, at }: Inspection): CsvTable {
  const rows = defects.map((defect) => ({
    check: defect.checkId,
    severity: defect.severity,
    finding: defect.finding,
    note: defect.raised.body.note ?? '',
    title: defect.title,
    place: defect.place,
    remedy: defect.remedy,
    state: defect.state,
    clause: checks[at.byId.get(defect.checkId) ?? -1]?.check.requirement.clause ?? '',
    raised: defect.raised.at,
    by: defect.raised.by.name,
  }))
  return { columns: DEFECT_COLUMNS, rows }
}

/** Defects of a file, to be raised on the checks that they name; what a row leaves open is as the sheet says it. Ids come from outside. */
export function defectsIn(
  rows: readonly Record<string, string | undefined>[],
  mapping: CsvMapping,
  { inspection, newId }: { inspection: Inspection; newId: () => string },
): CsvRead<EntryBodies['defect-raised']> {
  return readCsv(rows, DEFECT_COLUMNS, mapping, (cells, fault) => {
    const judged = inspection.checks[inspection.at.byId.get(cells.check) ?? -1]
    if (!judged) return fault('check', `no check is called “${cells.check}”`)
    const { check, outcome } = judged
    const proposed = outcome.verdict === 'does-not-conform' ? outcome.defect : undefined
    const severity = cells.severity || check.requirement.severity
    if (!isSeverity(severity)) return fault('severity', `must be one of ${SEVERITIES.join(', ')}`)
    const finding = cells.finding || proposed?.finding
    if (!finding) return fault('finding', 'is missing: nothing that was read there fails')
    return {
      defectId: newId(),
      checkId: check.id,
      severity,
      title: cells.title || check.title,
      place: check.place,
      finding,
      remedy: cells.remedy || check.requirement.remedy,
      ...(cells.note && { note: cells.note }),
    }
  })
}

const isSeverity = (text: string): text is Severity => (SEVERITIES as readonly string[]).includes(text)
