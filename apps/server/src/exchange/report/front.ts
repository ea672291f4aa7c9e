import type { Content } from 'pdfmake/interfaces.js'
import {
  CLOCK_TOLERANCE,
  ENTERED_WORDS,
  VERDICT_WORDS,
  fingerprint,
  isOpen,
  sheetName,
  type Inspection,
  type Scope,
  type Verdict,
} from '@plumb-mark/core'
import type { Reported } from './reported.js'
import { ACCENT, FAINT, DANGER, QUIET, heads } from './look.js'

const PLUMB = `<svg viewBox="0 0 24 60" width="20" height="50"><g fill="none" stroke="#22211d" stroke-width="1.4"><path d="M12 0 V34"/><path d="M6 34 H18 L12 58 Z" fill="#a9853a" stroke="#6d5313"/></g></svg>`

/** Clocks that were off by more than the record lets pass without a word. */
function clockLines({ entered }: Inspection['state']): Content[] {
  const off = entered.filter(
    ({ at, said }) => said !== undefined && Math.abs(Date.parse(said) - Date.parse(at)) > CLOCK_TOLERANCE,
  ).length
  if (off === 0) return []
  const words = off === 1 ? '1 entry was' : `${off} entries were`
  return [
    { text: `${words} made on a device whose clock was off; the times here are corrected.`, style: 'small' },
  ]
}

/** What lies outside of the job: not inspected here, and never conforming. */
function scopeLines(scope: Scope | undefined): Content[] {
  if (!scope || scope.outside.length === 0) return []
  return [
    { text: 'Outside the scope of this inspection, and not inspected here', style: 'part' },
    { ul: scope.outside.map((one) => ENTERED_WORDS[one]) },
    { text: `Why: ${scope.reason}`, style: 'small', margin: [0, 4, 0, 0] },
  ]
}

/** What was inspected, by whom, and how it stands: readable without turning the page. */
export function frontPage({ inspection, broken }: Pick<Reported, 'inspection' | 'broken'>): Content {
  const { state } = inspection
  const { header, seal } = state
  return [
    {
      columns: [
        { svg: PLUMB, width: 32 },
        {
          stack: [
            { text: 'Inspection record', color: FAINT },
            { text: header?.title ?? '', style: 'title' },
          ],
          margin: [0, 6, 0, 0],
        },
      ],
      margin: [0, 0, 0, 16],
    },
    {
      table: {
        widths: [90, '*'],
        body: [
          [{ text: 'job', style: 'label' }, header?.number ?? ''],
          [{ text: 'site', style: 'label' }, header?.site ?? ''],
          [{ text: 'customer', style: 'label' }, header?.customer ?? ''],
          [
            { text: 'rules', style: 'label' },
            `${header?.school === 'nec' ? 'NEC-style' : 'IEC-style'}; readings ${header?.rule === 'simple' ? 'accepted inside the limit' : 'accepted only clear of the instrument’s uncertainty'}`,
          ],
          [
            { text: 'state', style: 'label' },
            broken.length > 0
              ? {
                  text: `BROKEN: this record is not what was sealed (${broken[0]})`,
                  color: DANGER,
                  bold: true,
                }
              : seal
                ? {
                    text: `signed and sealed by ${seal.by.name}, licence ${seal.body.licence}`,
                    color: ACCENT,
                    bold: true,
                  }
                : { text: 'not signed: this is a working copy', color: DANGER, bold: true },
          ],
          [
            { text: 'fingerprint', style: 'label' },
            { text: fingerprint(state.head?.hash ?? ''), style: 'figure' },
          ],
        ],
      },
      layout: QUIET,
    },
    { text: summary(inspection), margin: [0, 14, 0, 0], fontSize: 11 },
    ...clockLines(state),
    ...scopeLines(header?.scope),
    { text: 'Units and sheets', style: 'part' },
    unitTable(inspection),
    {
      text: 'The checks compare what was built with the makers’ sheets named here. The local code, the authority and a licensed person decide. Only qualified people open, measure or change live equipment.',
      style: 'small',
      margin: [0, 18, 0, 0],
    },
  ]
}

function summary({ checks, defects }: Inspection): string {
  const count = (verdict: Verdict) => checks.filter(({ outcome }) => outcome.verdict === verdict).length
  const parts = (['does-not-conform', 'not-proven', 'not-inspected', 'conforms', 'not-applicable'] as const)
    .filter((verdict) => count(verdict) > 0)
    .map((verdict) => `${count(verdict)} ${VERDICT_WORDS[verdict]}`)
  return `${checks.length} checks: ${parts.join(', ')}. ${defects.length === 0 ? 'No defects were raised.' : `${defects.length} defects were raised, ${defects.filter(isOpen).length} are open.`}`
}

function unitTable({ state, sheets }: Inspection): Content {
  const rows = state.asBuilt.units.map(({ label, serial, sheetId }) => {
    const sheet = sheets.get(sheetId)
    return [
      label,
      { text: serial ?? '–', style: 'figure' },
      sheet ? `${sheetName(sheet)}` : sheetId,
      sheet?.source ?? '',
    ]
  })
  return {
    table: {
      headerRows: 1,
      widths: [90, 95, '*', '*'],
      body: [heads('unit', 'serial', 'sheet', 'source document'), ...rows],
    },
    layout: QUIET,
  }
}
