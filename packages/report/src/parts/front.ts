import {
  CLOCK_TOLERANCE,
  ENTERED_WORDS,
  countWords,
  fingerprint,
  isLeft,
  isOpen,
  type Inspection,
  type Verdict,
} from '@plumb-mark/core'
import { figure, orDash, strong, type Block, type Cell } from '../block.js'
import { sayingOf, type ReportRecord } from '../record.js'

/** What was inspected, by whom, and how it stands: readable without turning the page. */
export function front({ inspection, broken }: ReportRecord): Block[] {
  const { state } = inspection
  const { header, seal } = state
  const { when, zone } = sayingOf(inspection)
  const standing: Cell =
    broken.length > 0
      ? { text: `BROKEN: this record is not what was sealed (${broken[0]})`, as: 'danger' }
      : seal
        ? strong(`signed and sealed by ${seal.by.name}, licence ${seal.body.licence}, ${when(seal.at)}`)
        : { text: 'not signed: this is a working copy', as: 'danger' }
  return [
    { kind: 'verdict', verdict: inspection.verdict, text: inWords(inspection) },
    {
      kind: 'facts',
      rows: [
        ['job', orDash(header?.number)],
        ['site', orDash(header?.site)],
        ['customer', orDash(header?.customer)],
        [
          'rules',
          `${header?.school === 'nec' ? 'NEC-style' : 'IEC-style'}; readings ${header?.rule === 'simple' ? 'accepted inside the limit' : 'accepted only clear of the instrument’s uncertainty'}`,
        ],
        ['state', standing],
        ['fingerprint', figure(fingerprint(state.head?.hash ?? ''))],
        ['times', zone === 'UTC' ? 'in UTC' : `as on the clocks of the site (${zone})`],
      ],
    },
    { kind: 'text', text: counted(inspection) },
    ...mustBeDone(inspection),
    ...clock(inspection),
    ...scope(inspection),
  ]
}

const IN_WORDS = {
  conforms: 'What was inspected conforms to the makers’ sheets named here.',
  'does-not-conform': 'It does not conform: what is listed here must be put right.',
  'not-proven': 'It is not proven: some readings do not show enough to say that it conforms.',
  'not-inspected': 'It is not inspected to the end.',
  'not-applicable': 'Nothing was asked of it.',
} satisfies Record<Verdict, string>

const inWords = ({ verdict }: Inspection): string => IN_WORDS[verdict]

function counted({ checks, defects }: Inspection): string {
  const raised =
    defects.length === 0
      ? 'No defects were raised.'
      : `Defects raised: ${defects.length}, open: ${defects.filter(isOpen).length}.`
  return `${checks.length} checks: ${countWords(checks.map(({ outcome }) => outcome.verdict))}. ${raised}`
}

const MOST_LISTED = 12

/** What is still wrong and what to do about it, the gravest first. */
function mustBeDone({ defects, checks }: Inspection): Block[] {
  const open = defects
    .filter(isOpen)
    .sort((a, b) => GRAVITY.indexOf(a.severity) - GRAVITY.indexOf(b.severity))
  const left = checks.filter(
    (judged) => isLeft(judged) && judged.outcome.verdict !== 'does-not-conform',
  ).length
  const failing = checks.filter(({ outcome }) => outcome.verdict === 'does-not-conform').length
  if (open.length + left + failing === 0) return []
  const more = open.length - MOST_LISTED
  const rest = [
    ...(more > 0 ? [`and ${more} more, in the part “Defects”`] : []),
    ...(failing > 0 && open.length === 0
      ? [`${failing} checks fail and no defect is raised for them yet`]
      : []),
    ...(left > 0 ? [`${left} checks are not inspected or not proven yet`] : []),
  ]
  return [
    { kind: 'heading', text: 'What must be done' },
    {
      kind: 'list',
      items: [
        ...open
          .slice(0, MOST_LISTED)
          .map(({ severity, title, place, remedy }) => `${severity}: ${title}, ${place}. ${remedy}`),
        ...rest,
      ],
    },
  ]
}
const GRAVITY = ['stop', 'major', 'minor', 'note']

/** Clocks that were off by more than the record lets pass without a word. */
function clock({ state: { entered } }: Inspection): Block[] {
  const off = entered.filter(
    ({ at, said }) => said !== undefined && Math.abs(Date.parse(said) - Date.parse(at)) > CLOCK_TOLERANCE,
  ).length
  if (off === 0) return []
  const words = off === 1 ? '1 entry was' : `${off} entries were`
  return [
    {
      kind: 'text',
      as: 'quiet',
      text: `${words} made on a device whose clock was off; the times here are corrected.`,
    },
  ]
}

/** What lies outside of the job: not inspected here, and never conforming. */
function scope({ state: { header } }: Inspection): Block[] {
  if (!header?.scope || header.scope.outside.length === 0) return []
  return [
    { kind: 'heading', text: 'Outside the scope of this inspection, and not inspected here' },
    { kind: 'list', items: header.scope.outside.map((one) => ENTERED_WORDS[one]) },
    { kind: 'text', as: 'quiet', text: `Why: ${header.scope.reason}` },
  ]
}
