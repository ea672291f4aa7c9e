import type { Content, TableCell } from 'pdfmake/interfaces.js'
import {
  STAGES,
  STAGE_TITLES,
  inBothSystems,
  joined,
  type System,
  inForce,
  sayEvidence,
  sayWord,
  type JudgedCheck,
  type Inspection,
} from '@plumb-mark/core'
import { QUIET, heads, verdictMark, when } from './look.js'

/** Every check with its reading, limit, arithmetic, clause and verdict, stage by stage. */
export function checkPages({ checks, state }: Inspection): Content[] {
  return STAGES.flatMap((stage) => {
    const here = checks.filter(({ check }) => check.stage === stage)
    return here.length === 0
      ? []
      : [
          { text: STAGE_TITLES[stage], style: 'part', headlineLevel: 1 } as Content,
          table(here, state.header?.units ?? 'metric'),
        ]
  })
}

const COLUMNS = 5

function table(checks: readonly JudgedCheck[], system: System): Content {
  const rows = checks.flatMap((judged) => [row(judged, system), ...pencil(judged, system)])
  // A row of arithmetic belongs to the check above it: no line parts the two.
  const continued = new Set(
    rows.flatMap(([first], i) => (first && typeof first === 'object' && 'colSpan' in first ? [i + 1] : [])),
  )
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: ['*', 112, 108, 84, 62],
      body: [heads('check', 'reading', 'required', 'verdict', 'clause'), ...rows],
    },
    layout: {
      ...QUIET,
      hLineWidth: (i) => (continued.has(i) ? 0 : QUIET.hLineWidth(i)),
      paddingTop: (i) => (continued.has(i) ? 0 : QUIET.paddingTop()),
    },
  }
}

function row({ check, outcome, history }: JudgedCheck, system: System): TableCell[] {
  const reading = readingOf(check, history)
  const finding = 'finding' in outcome ? inBothSystems(outcome.finding, system) : ''
  return [
    { stack: [check.title, { text: check.unit.label, style: 'small' }] },
    {
      stack: [
        { text: reading.value || finding || '–', style: 'figure' },
        ...(reading.how ? [{ text: reading.how, style: 'small' }] : []),
        ...(reading.value && finding ? [{ text: finding, style: 'small' }] : []),
      ],
    },
    inBothSystems(check.required, system),
    verdictMark(outcome.verdict),
    { text: `${check.sheet.model} ${check.sheet.revision}, ${check.requirement.clause}`, style: 'small' },
  ]
}

/** The arithmetic and what goes with it, to be followed with a pencil; a question answered by looking has none. */
function pencil({ check, outcome }: JudgedCheck, system: System): TableCell[][] {
  if (
    !('working' in outcome) ||
    check.ask.kind === 'observation' ||
    outcome.working.length + outcome.notes.length === 0
  )
    return []
  const stack: Content[] = [
    { text: inBothSystems(joined(outcome.working, '  ·  '), system), style: 'working' },
    ...outcome.notes.map((said): Content => ({ text: inBothSystems(said, system), style: 'small' })),
  ]
  return [
    [{ colSpan: COLUMNS, stack, margin: [0, 0, 0, 2] }, ...Array.from({ length: COLUMNS - 1 }, () => '')],
  ]
}

function readingOf(
  check: JudgedCheck['check'],
  history: JudgedCheck['history'],
): { value: string; how: string } {
  const current = inForce(history)
  if (!current) return { value: '', how: '' }
  const instrument = 'instrument' in current.body ? current.body.instrument : undefined
  const word = 'word' in current.body ? current.body.word : undefined
  const by = [instrument?.name, word && sayWord(word), current.by.name].filter(Boolean).join(', ')
  const conditions = current.kind === 'reading' ? current.body.conditions : undefined
  const weather =
    conditions?.cellTemperature === undefined
      ? ''
      : `; cells ${conditions.cellTemperature} °C, ${conditions.irradiance ?? '–'} W/m²`
  return {
    value: sayEvidence(check, current),
    how: `${by}, ${when(current.at)}${weather}`,
  }
}
