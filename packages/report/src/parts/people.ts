import { accuracyWords, inForce, outOfCalibration, type Inspection, type Instrument } from '@plumb-mark/core'
import { figure, quiet, type Block } from '../block.js'
import { sayingOf, type ReportRecord } from '../record.js'

/** Who wrote how much into the record, and when. */
export function people({ inspection }: ReportRecord): Block[] {
  const { when } = sayingOf(inspection)
  const found = new Map<
    string,
    { name: string; role: string; entries: number; first: string; last: string }
  >()
  for (const { by, at } of inspection.state.entered) {
    const person = found.get(by.id) ?? {
      name: by.name,
      role: by.role,
      entries: 0,
      first: at,
      last: at,
    }
    person.entries++
    if (at < person.first) person.first = at
    if (at > person.last) person.last = at
    found.set(by.id, person)
  }
  const { handedOver } = inspection.state
  return [
    {
      kind: 'table',
      columns: [
        { head: 'person', share: 1.4 },
        { head: 'as' },
        { head: 'entries', share: 0.7 },
        { head: 'first', share: 1.3 },
        { head: 'last', share: 1.3 },
      ],
      rows: [...found.values()].map(({ name, role, entries, first, last }) => [
        name,
        role,
        figure(String(entries)),
        when(first),
        when(last),
      ]),
    },
    ...(handedOver
      ? [
          {
            kind: 'text',
            text: `Received by ${handedOver.body.to}, ${when(handedOver.at)}, handed over by ${handedOver.by.name}. In an emergency call ${handedOver.body.call}.`,
          } as const,
        ]
      : []),
  ]
}

/** The instruments whose readings are in force, as good and as in date as they were then. */
export function instrumentsUsed({ inspection }: ReportRecord): Block[] {
  const used = usedIn(inspection)
  if (used.length === 0) return [{ kind: 'text', text: 'No reading in force was taken with an instrument.' }]
  return [
    {
      kind: 'table',
      columns: [
        { head: 'instrument', share: 1.4 },
        { head: 'serial' },
        { head: 'uncertainty, k = 2', share: 3 },
        { head: 'readings', share: 0.7 },
        { head: 'in calibration until', share: 1.2 },
      ],
      rows: used.map(({ instrument, count, late }) => [
        instrument.name,
        figure(instrument.serial),
        quiet(instrument.accuracy.map(accuracyWords).join('; ')),
        figure(String(count)),
        late
          ? { text: `${instrument.calibratedUntil}: over when ${late} were taken`, as: 'danger' }
          : figure(instrument.calibratedUntil),
      ]),
    },
  ]
}

function usedIn({ checks, state }: Inspection): { instrument: Instrument; count: number; late: number }[] {
  const used = new Map<string, { instrument: Instrument; count: number; late: number }>()
  for (const { history } of checks) {
    const last = inForce(history)
    const instrument = last && 'instrument' in last.body ? last.body.instrument : undefined
    if (!instrument) continue
    const key = `${instrument.id} ${instrument.calibratedUntil}`
    const row = used.get(key) ?? { instrument, count: 0, late: 0 }
    row.count++
    if (outOfCalibration(instrument, last!.at, state.header?.timeZone)) row.late++
    used.set(key, row)
  }
  return [...used.values()]
}
