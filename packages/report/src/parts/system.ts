import { UNIT_KIND_WORDS, inForce, sheetName, type JudgedCheck } from '@plumb-mark/core'
import { beside, figure, orDash, quiet, type Block, type Cell } from '../block.js'
import type { ReportRecord } from '../record.js'

/** System data and documents: the units with their serials and sheets, the strings with their modules. */
export function system({ inspection }: ReportRecord): Block[] {
  const { state, sheets, around } = inspection
  const strings = around.strings()
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
          orDash(unit.serial),
          serialFound(inspection.checks, unit.id),
          sheet ? beside(sheetName(sheet), sheet.source) : unit.sheetId,
        ]
      }),
    },
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
              `${around.labelOf(unitId)}, ${input}`,
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

/** The serial that was read off the plate, as it was typed; nothing is said of a unit whose sheet asks for none. */
function serialFound(checks: readonly JudgedCheck[], unitId: string): Cell {
  const plate = checks.find(({ check }) => check.unit.id === unitId && check.requirement.kind === 'nameplate')
  if (!plate) return quiet('–')
  const last = inForce(plate.history)
  if (last?.kind !== 'record' || !('values' in last.body.answer) || Array.isArray(last.body.answer.values))
    return quiet('not read')
  const read = last.body.answer.values['serial']?.typed
  return read ? figure(read) : quiet('not read')
}
