import {
  DEFECT_STEP_WORDS,
  SEVERITY_MEANS,
  sayAmendment,
  sayEvidence,
  sheetName,
  type Defect,
  type Inspection,
  type PhotoRef,
} from '@plumb-mark/core'
import { quiet, type Block } from '../block.js'
import { sayingOf, type ReportRecord } from '../record.js'

/** Every defect with its place, clause, remedy, state and history, and the photos before and after. */
export function defects({ inspection }: ReportRecord): Block[] {
  return inspection.defects.map((defect) => ({ kind: 'together', blocks: one(defect, inspection) }))
}

/** The same for who puts them right, with the way to say so. */
export function rework(record: ReportRecord): Block[] {
  const open = record.inspection.defects.filter(({ state }) => state === 'open' || state === 'reworked')
  const blocks = open.map((defect): Block => ({ kind: 'together', blocks: one(defect, record.inspection) }))
  if (open.length === 0) return [{ kind: 'text', text: 'Nothing is to be reworked.' }]
  return record.reworkAddress
    ? [
        {
          kind: 'code',
          address: record.reworkAddress,
          caption: 'Opens the rework of this job: say there what was done, with a photo after it.',
        },
        ...blocks,
      ]
    : blocks
}

function one(defect: Defect, inspection: Inspection): Block[] {
  const { raised, steps, amended, voidSteps, severity, state } = defect
  const { when } = sayingOf(inspection)
  const at = inspection.at.byId.get(defect.checkId)
  const check = at === undefined ? undefined : inspection.checks[at]!.check
  const end =
    state === 'closed'
      ? closedWords(defect, inspection)
      : defect.failedAgain
        ? 'read again after the rework, and failed again'
        : undefined
  const before = raised.body.photos ?? []
  const after = steps.flatMap(({ body }) => body.photos ?? [])
  const shown = (photos: readonly PhotoRef[], label: string) => photos.map((photo) => ({ photo, label }))
  const photos = [...shown(before, 'before'), ...shown(after, 'after')]
  return [
    { kind: 'heading', text: `${defect.title}, ${defect.place}` },
    {
      kind: 'facts',
      rows: [
        ['state', `${severity}, ${state} (${SEVERITY_MEANS[severity]})`],
        ['found', defect.finding],
        ['remedy', defect.remedy],
        ...(owedWords(defect) ? [['to be put right', owedWords(defect)] as const] : []),
        ...(check
          ? [['clause', `${sheetName(check.sheet)}, clause ${check.requirement.clause}`] as const]
          : []),
        [
          'history',
          [
            quiet(`${when(raised.at)}: raised by ${raised.by.name}`),
            ...steps.map((step) => {
              const made = `${DEFECT_STEP_WORDS[step.body.step]} by ${step.by.name}`
              const by = voidSteps.find((one) => one.step === step)?.by
              const without = by ? ` (void: ${DEFECT_STEP_WORDS[by.body.step]} before)` : ''
              return quiet(`${when(step.at)}: ${made}${without}: ${step.body.note}`)
            }),
            ...amended.map((one) => quiet(`${when(one.at)}: ${amendedWords(one)}`)),
            ...(end ? [quiet(end)] : []),
          ],
        ],
      ],
    },
    ...(photos.length > 0 ? [{ kind: 'photos', photos } as const] : []),
  ]
}

/** Who closed a defect, when, and by which reading. What is read off a drawing is closed by the drawing. */
function closedWords({ closedBy, checkId }: Defect, inspection: Inspection): string {
  const at = inspection.at.byId.get(checkId)
  if (!closedBy || at === undefined) return 'what was drawn since conforms: closed'
  const { when } = sayingOf(inspection)
  const found = sayEvidence(inspection.checks[at]!.check, closedBy)
  return `${when(closedBy.at)}: closed by ${closedBy.by.name}, who found ${found}, which conforms`
}

/** “by 2026-06-08, Roof crew” */
const owedWords = ({ due, responsible }: Defect): string =>
  [due && `by ${due}`, responsible].filter(Boolean).join(', ')

/** “amended by Ottilie: severity minor, due 2026-06-08 (the cover is off until Friday)” */
const amendedWords = (one: Defect['amended'][number]): string =>
  `amended by ${one.by.name}: ${sayAmendment(one)}${one.body.reason ? ` (${one.body.reason})` : ''}`
