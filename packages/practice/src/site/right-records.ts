import {
  limitOf,
  railMarks as marks,
  type Answer,
  type AnswerOf,
  type Check,
  type FormName,
  type Requirement,
} from '@plumb-mark/core'
import { as, figure } from './asked.js'
import { shown } from './instruments.js'
import { rightFields } from './right-fields.js'
import type { Site } from './site.js'

type RecordAsk = Extract<Check['ask'], { kind: 'record' }>
type AskOf<F extends FormName> = Extract<RecordAsk, { form: F }>

/** What is written down of several parts where everything is as it should be. */
export const rightRecord = (check: Check, ask: RecordAsk, site: Site): Answer =>
  (BY_FORM[ask.form] as (check: Check, ask: RecordAsk, site: Site) => Answer)(check, ask, site)

const QUARTER_HOUR = 16
const MODULE_WIDTH = 1134

const BY_FORM: { [F in FormName]: (check: Check, ask: AskOf<F>, site: Site) => AnswerOf<F> } = {
  choice: ({ requirement }) => ({ chosen: rightChoice(requirement) }),
  fields: (check, ask, site) => ({ values: rightFields(check, ask.fields, site) }),
  series: (check, ask, { chance }) => ({
    values: seriesOf(check, ask).map((value) => figure(shown(value, ask.dimension, chance))),
  }),
  order: (_check, { items, passes }) => ({
    done: Array.from({ length: passes }, () => items.map(({ id }) => id)).flat(),
  }),
  steps: (_check, { steps }) => ({
    done: steps.map(({ id }, i) => ({
      id,
      at: new Date(Date.UTC(2026, 5, 1, 0, QUARTER_HOUR * i)).toISOString(),
    })),
  }),
  trace(check, { channel }, { chance }) {
    const test = as(check, 'trace-test')
    const { record, within } = test
    return {
      trace: { id: 't', sha256: 'f', samples: 80, startedAt: '2026-06-01T12:00:00Z', source: 'live' },
      channel,
      eventAt: 10,
      end: 10 + record,
      by: limitOf(test),
      found: {
        settledAt: 10 + within * chance.between(0, 0.99),
        secondsOver: within / 2,
        peak: 6000,
        seen: {
          unit: test.watch.dimension === 'power' ? 'W' : 'V',
          from: 0,
          widestGap: Math.min(1, within / 2),
          before: { least: 0, most: 9000 },
          ever: { least: 0, most: 9000 },
        },
      },
    }
  },
  switches: (check) => ({
    positions: Object.fromEntries(
      as(check, 'switch-bank').switches.map(({ id, position }) => [id, position]),
    ),
  }),
  photos: (_check, { wanted }) => ({
    taken: Object.fromEntries(wanted.map(({ id }) => [id, { id: `p-${id}`, sha256: `f-${id}` }])),
  }),
  statement: () => ({ agreed: true }),
  chain(check) {
    const { ports, leads } = as(check, 'data-chain')
    const boxes = [...new Set(ports.map(({ box }) => box))]
    const port = (box: string, direction: 'in' | 'out') =>
      ports.find((one) => one.box === box && one.direction === direction)!.id
    return {
      leads: boxes
        .slice(1)
        .map((box, i) => ({ from: port(boxes[i]!, 'out'), to: port(box, 'in'), lead: leads[0]! })),
      terminators: [port(boxes.at(-1)!, 'out')],
    }
  },
  bus(check) {
    const { terminators, shield } = as(check, 'bus')
    return {
      devices: ['Inverter', 'Meter'].map((name, i) => ({
        name,
        address: i + 1,
        terminated: terminators === 'both-ends' || (terminators === 'far-end' && i === 1),
      })),
      cable: 'twisted-pair',
      polarity: 'a-to-a',
      shield: shield[0]!,
    }
  },
}

function rightChoice(requirement: Requirement): string {
  switch (requirement.kind) {
    case 'listed':
      return requirement.allowed[0]!
    case 'indicator':
      return requirement.patterns.find(({ good }) => good)!.id
    case 'arrow-convention':
      return requirement.means === 'to-loads' ? 'loads' : 'grid'
    default:
      return 'none'
  }
}

/** Along the rail, or with one device more each time. */
function seriesOf(check: Check, { labels }: AskOf<'series'>): readonly number[] {
  if (check.requirement.kind === 'rail-marks') {
    const { columns, gap } = check.subject.plane!
    const { firstOffset = 0 } = as(check, 'rail-marks')
    return marks({ moduleWidth: MODULE_WIDTH, gap, count: columns, firstOffset }).marks
  }
  const { perUnit } = as(check, 'safe-voltage')
  return labels.map((_, i) => (i + 1) * perUnit)
}
