import { listedChecks, readingTable, sheetName, worst, type Inspection, type Stage } from '@plumb-mark/core'
import { orDash, type Block } from '../block.js'
import { instruments, read } from './strings.js'

const TABLED: Partial<Record<Stage, string>> = {
  'place-and-mount': 'Where it hangs',
  roof: 'On the roof',
  earthing: 'Earth continuity',
  dc: 'Terminals of the DC side',
  ac: 'Terminals and voltages of the AC side',
  battery: 'Terminals of the batteries',
  meter: 'Terminals of the meter',
  commission: 'Running',
  'close-up': 'Covers',
}

/** Readings of equal things, one row a thing: terminals with torque, strip and size, bonds, voltages. Strings have a table of their own. */
export function readingTests({ checks }: Inspection): Block[] {
  return (Object.keys(TABLED) as Stage[]).flatMap((stage): Block[] => {
    const here = checks.filter(
      ({ check, outcome }) =>
        check.stage === stage &&
        check.ask.kind === 'reading' &&
        !check.subject.string &&
        outcome.verdict !== 'not-applicable',
    )
    const tables = listedChecks(here, 'requirement').flatMap((item): Block[] => {
      if (item.kind === 'heading') return []
      const group =
        item.kind === 'group'
          ? item.group
          : {
              key: item.key,
              together: 'reading' as const,
              title: item.judged.check.requirement.title,
              checks: [item.judged],
              verdict: item.judged.outcome.verdict,
            }
      const table = readingTable(group)
      const { sheet } = group.checks[0]!.check
      return [
        {
          kind: 'table',
          columns: [
            { head: sheetName(sheet), share: 1.4 },
            ...table.columns.map(({ title }) => ({ head: title })),
            { head: 'instruments', share: 1.4 },
            { head: 'verdict', share: 1.2 },
          ],
          rows: table.rows.map(({ label, cells }) => {
            const there = cells.flatMap((cell) => cell ?? [])
            return [
              label,
              ...cells.map(read),
              orDash(instruments(there)),
              { verdict: worst(there.map(({ outcome }) => outcome.verdict)) },
            ]
          }),
        },
      ]
    })
    return tables.length > 0 ? [{ kind: 'heading', text: TABLED[stage]! }, ...tables] : []
  })
}
