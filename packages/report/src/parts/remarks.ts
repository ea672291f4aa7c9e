import { remarkedOn, secondReadingOpen } from '@plumb-mark/core'
import { quiet, type Block } from '../block.js'
import { sayingOf, type ReportRecord, type Saying } from '../record.js'

/** What the reviewer wanted answered before the signature, each with its answer, and the word of the second reader. */
export function remarks({ inspection }: ReportRecord): Block[] {
  const { state } = inspection
  const { when } = sayingOf(inspection)
  const about = (remark: (typeof state.remarks)[number]): string => {
    const { check, defect } = remarkedOn(remark, inspection)
    const thing = check ?? defect
    return thing ? `${thing.title}, ${thing.place}` : 'the job'
  }
  const table: Block[] =
    state.remarks.length === 0
      ? []
      : [
          {
            kind: 'table',
            columns: [
              { head: 'about', share: 1.4 },
              { head: 'remark', share: 2 },
              { head: 'answer', share: 2 },
            ],
            rows: state.remarks.map((remark) => [
              about(remark),
              { line: [remark.text, quiet(` · ${remark.by.name}, ${when(remark.at)}`)] },
              remark.answered
                ? {
                    line: [
                      remark.answered.text,
                      quiet(` · ${remark.answered.by.name}, ${when(remark.answered.at)}`),
                    ],
                  }
                : { text: 'not answered', as: 'danger' },
            ]),
          },
        ]
  return [...table, ...secondReading(inspection.state, when)]
}

function secondReading(state: ReportRecord['inspection']['state'], when: Saying['when']): Block[] {
  const { secondReader } = state
  if (!secondReader) return []
  const { person, askedBy, read } = secondReader
  if (read && !secondReadingOpen(state))
    return [
      {
        kind: 'text',
        text: `Read by ${person.name} as second reader, ${when(read.at)}: ${read.body.statement}`,
      },
    ]
  return [
    {
      kind: 'text',
      as: 'danger',
      text: `${person.name} was asked by ${askedBy.name} to read this record before it is signed, and has not read what stands in it now.`,
    },
  ]
}
