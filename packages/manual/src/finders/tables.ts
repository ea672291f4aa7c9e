import { printedFigures, printedUnit, type PrintedFigure, type PrintHabits } from '@plumb-mark/core'
import type { Table, TableField, TableRow } from '../layout/document.js'
import { wait } from './others.js'
import { byDimension, type Surroundings } from './prose.js'
import { COLOUR } from './lamps.js'
import { UNIT_OF_SETTING } from './settings.js'
import { factOf, type Fact, type Spot } from './spot.js'

/** What a table is about, by its caption, its heads and its heading. */
export type TableSort =
  'settings' | 'indicators' | 'alarms' | 'steps' | 'errata' | 'letters' | 'figures' | 'aside'

const innermost = (table: Table) => table.titles.at(-1) ?? ''

export function sortOf(table: Table): TableSort {
  const heads = table.heads.join(' | ')
  const around = `${table.caption} ${innermost(table)}`
  const first = table.heads[0] ?? ''
  const texts = table.rows.map(({ fields }) => fields[0]?.text ?? '')
  const corrects = /\b(?:errat|correct|corrigend|amend|addend|slip|misprint)/i.test(around)
  if (
    (corrects && /\b(?:old|was)\b/i.test(heads) && /\b(?:new|is|now)\b/i.test(heads)) ||
    (/\b(?:printed|wrong|instead of|as printed)\b/i.test(heads) &&
      /\b(?:correct|right|read|new|should)\b/i.test(heads))
  )
    return 'errata'
  if (/^letter|symbol|sign$/i.test(first) && texts.every((text) => /^[A-Za-z]$/.test(text))) return 'letters'
  if (
    /\b(?:qty|quantity|pieces|part no|p\/n|art\.? no|order no)\b/i.test(heads) &&
    !/\b(?:mass|weight)\b/i.test(heads)
  )
    return 'aside'
  if (
    /\b(?:efficienc|spare|changes?|history|example|revision)/i.test(`${around}`) ||
    /\b(?:version|since issue|issue)\b/i.test(heads)
  )
    return 'aside'
  if (
    /\b(?:lamp|light|led|colou?r|rhythm|blink|glow|ring|bar|strip of light)\b/i.test(
      `${first} ${table.heads[1] ?? ''}`,
    ) &&
    table.heads.length <= 4 &&
    hasColours(table)
  )
    return 'indicators'
  const models = table.heads.filter((head) => /^\p{Lu}[\p{L}-]+ \d/u.test(head)).length
  if (models > 1 || /\b(?:specifications?|technical data|ratings)\b/i.test(around)) return 'figures'
  if (
    /\b(?:settings?|set|parameter|menu|entry|adjust\w*|altered|changed in|options?)\b/i.test(
      `${heads} ${around}`,
    )
  )
    return 'settings'
  if (table.heads.some((head) => DEFAULTS.test(head))) return 'settings'
  const isAction = !/\b(?:meaning|fault|error|reason|description|explanation|cause|reads|message)/i.test(
    table.heads[1] ?? '',
  )
  if (/^(?:step|no\.?|#|nr\.?)?$/i.test(first) && isCounting(texts) && table.heads.length === 2 && isAction)
    return 'steps'
  const isCode = /\b(?:codes?|no\.?|numbers?|sign|fault|error|event|message|alarm)\b/i.test(first)
  if (
    (looksLikeCodes(texts) || (isCode && texts.length === 1 && /\d/.test(texts[0]!))) &&
    table.heads.length >= 2 &&
    !hasFigures(table)
  )
    return 'alarms'
  if (hasColours(table) && /\b(?:lamp|light|led|indicat|signal)/i.test(`${heads} ${around}`))
    return 'indicators'
  return 'figures'
}

const hasColours = ({ rows }: Table) =>
  rows.length > 0 &&
  rows.filter(({ fields }) =>
    COLOUR.test(
      fields
        .slice(0, 2)
        .map(({ text }) => text)
        .join(' '),
    ),
  ).length >=
    0.7 * rows.length
const looksLikeCodes = (texts: readonly string[]) =>
  texts.length >= 2 &&
  texts.filter((text) =>
    /^(?:[A-Z]{0,3}[- ]?\d{1,4}[A-Za-z]?|[A-Z][a-z] ?\d{1,3}|[A-Z]\d{1,4}|0x[\dA-F]+)$/.test(text),
  ).length >=
    0.8 * texts.length
const hasFigures = ({ rows }: Table) =>
  rows.filter(({ fields }) => fields.slice(1).some(({ text }) => /^[−–-]?\d[\d.,]*$/.test(text))).length >
  0.5 * rows.length
const isCounting = (texts: readonly string[]) =>
  texts.length >= 3 && texts.every((text, i) => Number.parseInt(text, 10) === i + 1)

export function factsOfTable(table: Table, around: Surroundings): Fact[] {
  switch (sortOf(table)) {
    case 'settings':
      return table.rows.flatMap((row) => settingOf(table, row, around))
    case 'indicators':
      return table.rows.flatMap((row) => indicatorOf(table, row, around))
    case 'alarms':
      return table.rows.flatMap((row) => alarmOf(table, row, around))
    case 'figures':
      return table.rows.flatMap((row) => figuresOf(table, row, around))
    case 'steps':
      return table.rows.flatMap((row) => waitsOf(table, row, around))
    case 'errata':
    case 'letters':
    case 'aside':
      return []
  }
}

/** A step that is told in a table may hold a wait, as one in running text does. */
function waitsOf(table: Table, row: TableRow, around: Surroundings): Fact[] {
  const field = row.fields.at(-1)!
  return printedFigures(field.text, around.habits)
    .filter(({ dimension }) => dimension === 'time')
    .flatMap((figure) => {
      const spot = spotIn(table, row, field, figure, around)
      delete spot.label
      return wait({
        ...spot,
        lead: field.text.slice(0, figure.at),
        sentence: field.text,
        clausePart: field.text,
      })
    })
}

const rowText = ({ fields }: TableRow) =>
  fields
    .map(({ text }) => text)
    .filter((text) => !/^[–—-]?$/.test(text))
    .join(' | ')
const headOf = (table: Table, field: TableField) =>
  [...new Set(table.heads.slice(field.from, field.to + 1))].join(' ')

function spotIn(
  table: Table,
  row: TableRow,
  field: TableField,
  figure: PrintedFigure,
  { device, isPicture, models }: Surroundings,
  model?: string,
): Spot {
  const head = headOf(table, field)
  const label = labelOf(table, row, field)
  const whose = model ?? models.namedIn(label)
  const { page } = field.piece
  return {
    figure,
    lead: `${row.part} ${label} ${head} `,
    tail: field.text.slice(figure.end),
    clausePart: `${label} ${head}`,
    sentence: rowText(row),
    paragraph: '',
    before: '',
    label,
    head,
    caption: table.caption,
    titles: table.titles,
    clause: table.clause,
    page,
    box: field.cell,
    marks: [...field.marks, ...(row.fields[0]?.marks ?? [])],
    placeAt: () => ({ page, box: field.cell }),
    device,
    fromPicture: isPicture(page),
    ...(whose !== undefined && { model: whose }),
  }
}

/** What names a row: its fields before the first figure. */
function labelOf(_table: Table, row: TableRow, field: TableField): string {
  const before = row.fields.filter(
    ({ from, text }) =>
      from < field.from &&
      (from === 0 ? /\p{L}/u : /\p{L}{2}/u).test(text) &&
      !/^\W*\d/.test(text) &&
      !/^(?:hex|cross|blade|T)\s?\d*$/i.test(text),
  )
  return before.map(({ text }) => text).join(' ')
}

const UNIT_IN_HEAD =
  /\(([^()]+)\)|\bin ([^\s()]+)(?:\s*(?:min\.?|max\.?|from|to|least|most|width|height|depth))?$|,\s*([^\s,()]+)$/i

/** The unit that the head of a column names: “Torque in Nm”, “Strip (mm)”, “Packed, mm”. */
export function unitOfHead(head: string) {
  const named = UNIT_IN_HEAD.exec(head)
  const word = named?.slice(1).find((part) => part !== undefined)
  return word ? printedUnit(word) : undefined
}

const LOW = /\b(?:from|min\.?|minimum|least|low|lower|lowest|smallest)$/i
const HIGH = /\b(?:to|max\.?|maximum|most|high|upper|higher|highest|largest|greatest)$/i
const bareHead = (head: string) =>
  head
    .replace(/\s*\(.*?\)\s*$/, '')
    .replace(/\s+(?:unit|in \S+)$/i, '')
    .trim()

/** The figures of a row: two columns that are the ends of one range come as one. */
function figuresOf(table: Table, row: TableRow, around: Surroundings): Fact[] {
  const facts: Fact[] = []
  const unitColumn = table.heads.findIndex((head) => /^unit$/i.test(head))
  const unitOfRow =
    unitColumn < 0 ? undefined : printedUnit(row.fields.find(({ from }) => from === unitColumn)?.text ?? '')
  for (let i = 0; i < row.fields.length; i++) {
    const field = row.fields[i]!
    if (DEFAULTS.test(headOf(table, field)) || /\bcarton|packed\b/i.test(headOf(table, field))) continue
    const next = row.fields[i + 1]
    const ends = next && rangeOf(table, row, [field, next], unitOfRow, around.habits)
    if (ends) {
      facts.push(...byDimension(spotIn(table, row, field, ends, around, modelOf(table, row, field, around))))
      i++
      continue
    }
    const assume =
      unitOfRow ??
      unitOfHead(headOf(table, field)) ??
      unitOfLabel(table, row, field) ??
      unitMeant(labelOf(table, row, field))
    for (const figure of printedFigures(field.text, {
      ...around.habits,
      ...(assume && { assume: { dimension: assume.dimension, unit: assume.word } }),
    })) {
      if (figure.dimension === 'count') continue
      const bounded = withHead(figure, table, field)
      facts.push(
        ...byDimension(spotIn(table, row, field, bounded, around, modelOf(table, row, field, around))),
      )
    }
  }
  return facts
}

/** “Start voltage (V)”: the label itself names the unit of a bare figure. */
function unitOfLabel(table: Table, row: TableRow, field: TableField) {
  const label = labelOf(table, row, field)
  return label === '' ? undefined : unitOfHead(label)
}

/** A rating whose unit nobody printed beside it is in the plain one. */
function unitMeant(label: string) {
  const word = RATED.find(([words]) => words.test(label))?.[1]
  return word === undefined ? undefined : printedUnit(word)
}
const RATED: readonly (readonly [RegExp, string])[] = [
  [/\bvolt(?:age|s)\b/i, 'V'],
  [/\bcurrent\b/i, 'A'],
  [/\bfrequency\b/i, 'Hz'],
  [/\bpower\b/i, 'W'],
]

/** A column of least or greatest values makes a single figure a bound. */
function withHead(figure: PrintedFigure, table: Table, field: TableField): PrintedFigure {
  if (figure.value === undefined || field.to > field.from || figure.product) return figure
  const head = bareHead(headOf(table, field))
  const { value, ...rest } = figure
  // Alone in a pair of columns it is the figure itself, where the other end was left out on purpose.
  if (
    /\b(?:longest|greatest|largest|max(?:\.|imum)?|most)\b/i.test(head) &&
    /\brun|length|distance|max\.?$/i.test(head)
  )
    return { ...rest, max: value }
  if (/\b(?:max\.|maximum)$/i.test(head)) return { ...rest, max: value }
  if (/\b(?:min\.|minimum)$/i.test(head)) return { ...rest, min: value }
  return figure
}

export const DEFAULTS =
  /\b(?:factory|default|delivered|delivery|preset|pre-set|as shipped|set to|works setting|initial|ex works)\b/i

/** A pair of fields under “from” and “to”. */
function rangeOf(
  table: Table,
  row: TableRow,
  [low, high]: readonly [TableField, TableField],
  unitOfRow: ReturnType<typeof printedUnit>,
  habits: PrintHabits,
): PrintedFigure | undefined {
  if (low.to !== low.from || high.to !== high.from) return undefined
  const [from, to] = [headOf(table, low), headOf(table, high)]
  if (!LOW.test(bareHead(from)) || !HIGH.test(bareHead(to))) return undefined
  const unit =
    unitOfRow ?? unitOfHead(from) ?? unitOfHead(to) ?? ownUnit(high.text) ?? unitOfLabel(table, row, low)
  const assume = unit ? { assume: { dimension: unit.dimension, unit: unit.word } } : {}
  const [a] = printedFigures(low.text, { ...habits, ...assume })
  const [b] = printedFigures(high.text, { ...habits, ...assume })
  const [min, max] = [a?.value ?? a?.min, b?.value ?? b?.max]
  if (!a || !b || min === undefined || max === undefined) return undefined
  return {
    dimension: b.dimension,
    unit: b.unit,
    min,
    max,
    at: 0,
    end: high.text.length,
    text: `${low.text} … ${high.text}`,
  }
}
const ownUnit = (text: string) => printedUnit(text.replace(/^[−–-]?\d[\d.,]*\s*/, ''))

/** Whose column or row it is, where a table tells models apart. */
function modelOf(
  table: Table,
  row: TableRow,
  field: TableField,
  { models }: Surroundings,
): string | undefined {
  const byColumn = table.heads.slice(field.from, field.to + 1).map((head) => models.namedIn(head))
  if (byColumn.some((model) => model !== undefined)) return mine(byColumn)
  return models.namedIn(row.fields[0]?.text ?? '')
}
/** A field that several models share is of each; that of the model in hand counts. */
function mine(models: readonly (string | undefined)[]): string | undefined {
  const named = models.filter((model) => model !== undefined)
  return named.length > 1 ? named.join(' | ') : named[0]
}

/** “EN 50549”, “VDE-AR-N 4105”: the number belongs to a name, of a grid code or a standard. */
const NAMED = /(?<![\p{L}\d])\p{Lu}{2,}(?:[- ]\p{Lu}+)*[- ]\d{3}/u

function settingOf(table: Table, row: TableRow, around: Surroundings): Fact[] {
  const [label, ...rest] = row.fields
  if (!label || !/\p{L}/u.test(label.text)) return []
  const values = rest.filter(
    (field) => !DEFAULTS.test(headOf(table, field)) && !/^unit$/i.test(headOf(table, field)),
  )
  const unitColumn = table.heads.findIndex((head) => /^unit$/i.test(head))
  const unit =
    unitColumn < 0 ? undefined : printedUnit(row.fields.find(({ from }) => from === unitColumn)?.text ?? '')
  const explained = values.find(({ text }) => /\p{L}{3}.*\s\p{L}{2}/u.test(text) && !/^\W*\d/.test(text))
  const name = explained && label.text.length <= 4 ? `${label.text}, ${explained.text}` : label.text
  for (let i = 0; i < values.length; i++) {
    const field = values[i]!
    const pair = values[i + 1] && rangeOf(table, row, [field, values[i + 1]!], unit, around.habits)
    const assume = unit ?? unitOfHead(headOf(table, field)) ?? unitOfHead(label.text)
    const [figure] = pair
      ? [pair]
      : printedFigures(field.text, {
          ...around.habits,
          assume: assume
            ? { dimension: assume.dimension, unit: assume.word }
            : { dimension: 'count', unit: '' },
        })
    if (!figure || NAMED.test(field.text)) continue
    const spot = spotIn(table, row, field, figure, around)
    return [factOf(spot, 'setting', name, UNIT_OF_SETTING[figure.dimension] ?? '')]
  }
  return []
}

function indicatorOf(table: Table, row: TableRow, around: Surroundings): Fact[] {
  const meaning = row.fields.findIndex(
    ({ text, from }) =>
      /\b(?:mean|tell|sense|state|what)/i.test(table.heads[from] ?? '') && !COLOUR.test(text.slice(0, 12)),
  )
  const at = meaning > 0 ? meaning : row.fields.length - 1
  const signs = row.fields.slice(0, at).map(({ text }) => text)
  const field = row.fields[at]
  if (!field || signs.length === 0 || !COLOUR.test(signs.join(' '))) return []
  const spot = spotIn(table, row, field, { dimension: 'count', unit: '', at: 0, end: 0, text: '' }, around)
  return [{ ...factOf(spot, 'indicator', signs.join(', '), ''), text: field.text }]
}

function alarmOf(table: Table, row: TableRow, around: Surroundings): Fact[] {
  const [code, ...rest] = row.fields
  const meaning =
    rest.find(({ from }) =>
      /\b(?:mean|reads|text|message|fault|what|cause|sense)/i.test(table.heads[from] ?? ''),
    ) ??
    rest.find(({ text }) => text.includes(' ')) ??
    rest[0]
  if (!code || !meaning || !/\d/.test(code.text)) return []
  const spot = spotIn(table, row, meaning, { dimension: 'count', unit: '', at: 0, end: 0, text: '' }, around)
  return [{ ...factOf(spot, 'alarm', code.text, ''), text: meaning.text }]
}
