import {
  VERDICT_WORDS,
  byBadness,
  fold,
  inspect,
  isOpen,
  sheetsById,
  type Inspection,
  type JudgedCheck,
} from '@plumb-mark/core'
import { fileArgument, inspectionIn } from './input.js'
import type { Command } from './command.js'

/** `check <file>`: judges an exported inspection. */
export const check: Command = async (args) => {
  const { file, json } = fileArgument(args)
  const {
    record: { entries, sheets },
  } = await inspectionIn(file)
  const inspection = inspect(fold(entries), sheetsById(sheets))
  console.log(json ? JSON.stringify(asData(inspection), null, 2) : asText(inspection))
  return inspection.verdict === 'conforms' && !inspection.defects.some(isOpen) ? 0 : 1
}

function asData({ state, checks, defects, verdict }: Inspection) {
  return {
    job: state.header,
    verdict,
    checks: checks.map(({ check: { id, stage, title, place, required, sheet, requirement }, outcome }) => ({
      id,
      stage,
      title,
      place,
      required,
      sheet: { maker: sheet.maker, model: sheet.model, revision: sheet.revision, clause: requirement.clause },
      ...outcome,
    })),
    defects: defects.map(({ id, checkId, severity, state: at, title, place, finding, remedy }) => ({
      id,
      checkId,
      severity,
      state: at,
      title,
      place,
      finding,
      remedy,
    })),
  }
}

function asText({ state, checks, defects, verdict }: Inspection): string {
  const sorted = [...checks].sort((a, b) => byBadness(a.outcome.verdict, b.outcome.verdict))
  return [
    `${state.header?.number ?? '(no number)'}  ${state.header?.title ?? ''}: ${VERDICT_WORDS[verdict]}`,
    '',
    ...sorted.map(line),
    '',
    ...(defects.length === 0
      ? ['no defects']
      : defects.map(
          (defect) =>
            `${defect.state.padEnd(10)} ${defect.severity.padEnd(6)} ${defect.title}, ${defect.place}: ${defect.finding}`,
        )),
  ].join('\n')
}

function line({ check: { title, unit, required, sheet, requirement }, outcome }: JudgedCheck): string {
  const finding = 'finding' in outcome ? `: ${outcome.finding}` : ''
  return `${VERDICT_WORDS[outcome.verdict].padEnd(17)} ${unit.label}, ${title}${finding} (${required}; ${sheet.model} rev ${sheet.revision}, clause ${requirement.clause})`
}
