import { UNIT_KIND_WORDS, isOpen, type Inspection, type UnitKind } from '@plumb-mark/core'
import type { Block } from '../block.js'
import { sayingOf, type ReportRecord } from '../record.js'

/** One page for whoever owns the installation, without the words of the trade. */
export function summary({ inspection, broken }: ReportRecord): Block[] {
  const { header, seal } = inspection.state
  const { day } = sayingOf(inspection)
  const open = inspection.defects.filter(isOpen)
  const [danger, others] = [
    open.filter(({ severity }) => severity === 'stop'),
    open.filter(({ severity }) => severity !== 'stop'),
  ]
  return [
    { kind: 'text', as: 'lead', text: header?.site ?? '' },
    { kind: 'verdict', verdict: inspection.verdict, text: inPlainWords(inspection) },
    { kind: 'text', text: whatIsThere(inspection) },
    ...listOf(
      'Dangerous now: leave it switched off, keep away from it, and call the installer',
      danger.map(plainly),
    ),
    ...listOf('To be put right', others.map(plainly)),
    {
      kind: 'text',
      text:
        broken.length > 0
          ? 'This record is not what was sealed: do not rely on it, and ask the inspector.'
          : seal
            ? `Signed on ${day(seal.at)} by ${seal.by.name}, licence ${seal.body.licence}.`
            : 'Nobody has signed this record yet: it shows how the inspection stands, not how it ends.',
    },
    { kind: 'heading', text: 'What this does and does not tell you' },
    {
      kind: 'list',
      items: [
        'It compares what was built with what the makers ask for, on the day it was looked at.',
        'The local code, the authority and a licensed person decide whether it may run.',
        'Covers stay closed: only qualified people open, measure or change anything.',
        'Modules in daylight are live even when everything is switched off.',
      ],
    },
  ]
}

const plainly = ({ title, place, remedy }: { title: string; place: string; remedy: string }): string =>
  `${title}, ${place}. ${remedy}`

const listOf = (title: string, items: string[]): Block[] =>
  items.length === 0
    ? []
    : [
        { kind: 'heading', text: title },
        { kind: 'list', items },
      ]

function inPlainWords({ verdict }: Inspection): string {
  switch (verdict) {
    case 'conforms':
      return 'Everything that was looked at is as its makers ask.'
    case 'does-not-conform':
      return 'Some of it is not as its makers ask, and must be put right.'
    case 'not-proven':
      return 'Nothing was found wrong, but some of it could not be shown to be right.'
    default:
      return 'It has not all been looked at yet.'
  }
}

/** “2 hybrid inverters, 2 batteries; 4 strings of 47 modules.” */
function whatIsThere({ state: { asBuilt }, sheets, context }: Inspection): string {
  const counts = new Map<UnitKind, number>()
  for (const { sheetId } of asBuilt.units) {
    const kind = sheets.get(sheetId)?.kind
    if (kind && kind !== 'installation') counts.set(kind, (counts.get(kind) ?? 0) + 1)
  }
  const units = [...counts].map(([kind, count]) =>
    count === 1 ? UNIT_KIND_WORDS[kind] : `${count} × ${UNIT_KIND_WORDS[kind]}`,
  )
  const strings = context.strings()
  const modules = strings.reduce((sum, { count }) => sum + count, 0)
  const array = strings.length > 0 ? `; ${strings.length} strings with ${modules} modules` : ''
  return `What was looked at: ${units.join(', ')}${array}.`
}
