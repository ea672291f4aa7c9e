import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { STAGES, STAGE_TITLES, inForce, sayEvidence, type JudgedCheck, type Inspection } from '@plumb-mark/core'
import { QUIET, heads, verdictMark, when } from './look.js'

/** Every check with its reading, limit, clause and verdict, stage by stage. */
export function checkPages({ checks }: Inspection): Content[] {
  return STAGES.flatMap((stage) => {
    const here = checks.filter(({ check }) => check.stage === stage)
    return here.length === 0 ? [] : [{ text: STAGE_TITLES[stage], style: 'part', headlineLevel: 1 } as Content, table(here)]
  })
}

function table(checks: readonly JudgedCheck[]): Content {
  return {
    table: { headerRows: 1, dontBreakRows: true, widths: ['*', 112, 108, 84, 62], body: [heads('check', 'reading', 'required', 'verdict', 'clause'), ...checks.map(row)] },
    layout: QUIET,
  }
}

function row({ check, outcome, history }: JudgedCheck): TableCell[] {
  const reading = readingOf(check, history)
  const finding = 'finding' in outcome ? outcome.finding : ''
  return [
    { stack: [check.title, { text: check.unit.label, style: 'small' }] },
    { stack: [{ text: reading.value || finding || '–', style: 'figure' }, ...(reading.how ? [{ text: reading.how, style: 'small' }] : []), ...(reading.value && finding ? [{ text: finding, style: 'small' }] : [])] },
    check.required,
    verdictMark(outcome.verdict),
    { text: `${check.sheet.model} ${check.sheet.revision}, ${check.requirement.clause}`, style: 'small' },
  ]
}

function readingOf(check: JudgedCheck['check'], history: JudgedCheck['history']): { value: string; how: string } {
  const current = inForce(history)
  if (!current) return { value: '', how: '' }
  const instrument = 'instrument' in current.body ? current.body.instrument : undefined
  const conditions = current.kind === 'reading' ? current.body.conditions : undefined
  const weather = conditions?.cellTemperature === undefined ? '' : `; cells ${conditions.cellTemperature} °C, ${conditions.irradiance ?? '–'} W/m²`
  return { value: sayEvidence(check, current), how: `${instrument ? `${instrument.name}, ` : ''}${current.by.name}, ${when(current.at)}${weather}` }
}
