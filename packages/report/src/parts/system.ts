import { UNIT_KIND_WORDS, serialOf, sheetName, type JobState } from '@plumb-mark/core'
import { beside, figure, orDash, quiet, type Block, type Cell } from '../block.js'
import type { ReportRecord } from '../record.js'

/** System data and documents: the units with their serials and sheets, the strings with their modules. */
export function system({ inspection }: ReportRecord): Block[] {
  const { state, sheets, context } = inspection
  const strings = context.strings()
  return [
    { kind: 'heading', text: 'Units and the sheets that they were held against' },
    {
      kind: 'table',
      columns: [
        { head: 'unit', share: 1.2 },
        { head: 'kind' },
        { head: 'serial ordered', share: 1.25 },
        { head: 'serial found', share: 1.25 },
        { head: 'sheet and its source', share: 3 },
      ],
      rows: state.asBuilt.units.map((unit) => {
        const sheet = sheets.get(unit.sheetId)
        return [
          unit.label,
          sheet ? UNIT_KIND_WORDS[sheet.kind] : '',
          orDash(serialOf(unit, inspection.checks).ordered),
          found(serialOf(unit, inspection.checks).found),
          sheet ? beside(sheetName(sheet), sheet.source) : unit.sheetId,
        ]
      }),
    },
    ...replacedTable(state, context.labelOf),
    ...(strings.length > 0
      ? [
          { kind: 'heading', text: 'Strings' } as const,
          {
            kind: 'table',
            columns: [
              { head: 'string' },
              { head: 'input' },
              { head: 'modules' },
              { head: 'module', share: 1.6 },
              { head: 'Voc of one at STC', share: 1.5 },
              { head: 'coldest morning by' },
            ],
            rows: strings.map(({ label, unitId, input, count, module, coldMethod = 'coefficient' }) => [
              label,
              `${context.labelOf(unitId)}, ${input}`,
              figure(String(count)),
              module.name,
              figure(`${module.voc} V, ${module.vocTempCoeff} %/°C`),
              quiet(`the ${coldMethod}`),
            ]),
          } as const,
        ]
      : []),
  ]
}

const found = (serial: string | undefined): Cell => (serial ? figure(serial) : quiet('not read'))

/** Which unit stood there before, and where it went: the record tells both apart. */
function replacedTable({ replacements }: JobState, labelOf: (id: string) => string): Block[] {
  if (replacements.length === 0) return []
  return [
    { kind: 'heading', text: 'Replaced' },
    {
      kind: 'table',
      columns: [
        { head: 'unit', share: 1.2 },
        { head: 'serial out', share: 1.2 },
        { head: 'serial in', share: 1.2 },
        { head: 'why', share: 1.6 },
        { head: 'where the old one went', share: 1.6 },
        { head: 'by' },
      ],
      rows: replacements.map(({ body, by }) => [
        body.deviceId === undefined ? labelOf(body.unitId) : `${labelOf(body.unitId)}, a device`,
        orDash(body.serialOut),
        figure(body.serialIn),
        body.reason,
        body.whereabouts,
        by.name,
      ]),
    },
  ]
}
