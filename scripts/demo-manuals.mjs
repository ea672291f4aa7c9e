// Manuals of the demo’s inverter and battery, set from their sample sheets, with their cut-outs; the sheets are told where each demand stands.
// `node scripts/demo-manuals.mjs` after a sheet has changed.
import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import pdfmake from 'pdfmake'
import { parse } from 'yaml'
import { clippingsText } from '@plumb-mark/core'
import { cutOuts, openPdf, readPage } from '@plumb-mark/manual'
import { nodeCuttingTable, nodeReader } from '@plumb-mark/manual/node'
import { at } from './shared.mjs'

const load = createRequire(import.meta.url)
const barlow = (name) => load.resolve(`@expo-google-fonts/barlow/${name}/Barlow_${name}.ttf`)
const FONTS = { Barlow: { normal: barlow('400Regular'), bold: barlow('600SemiBold') } }
pdfmake.setFonts(FONTS)
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path) => Object.values(FONTS.Barlow).includes(path))

/** What a chapter is called by the stage that most of it is about. */
const CHAPTER = {
  identify: 'Unpacking',
  'place-and-mount': 'Place and mounting',
  roof: 'Modules',
  earthing: 'Earthing',
  dc: 'DC side',
  battery: 'Battery side',
  ac: 'AC side',
  meter: 'Meter',
  'power-up': 'Order of powering up',
  commission: 'Settings and messages',
  'close-up': 'Closing up',
}
/** Behind which chapter the table of terminals stands. */
const TERMINALS_BEFORE = ['dc', 'battery', 'ac']

const span = ({ min, max }) => (min && max ? `${min} to ${max}` : min ? `at least ${min}` : `at most ${max}`)

/** What a requirement says, in the words of a manual; what has no figures is a sentence to be observed. */
function words(requirement) {
  const { kind, title } = requirement
  if (kind === 'limits' && !requirement.window) return [`${title}: ${span(requirement)}.`]
  if (kind === 'clearance') {
    const { clear, neighbour, keepOut = [], base } = requirement
    return [
      `Keep ${clear.left} clear to the left and ${clear.right} to the right, at least ${clear.top} above the unit and at least ${clear.bottom} below it.`,
      ...(neighbour?.distance ? [`Between two units leave ${neighbour.distance}.`] : []),
      ...keepOut.map(({ from, distance }) => `From a ${from} stay at least ${distance} away.`),
      ...(base ? [`The lower edge sits between ${base.min} and ${base.max} above the floor.`] : []),
    ]
  }
  if (kind === 'fixings')
    return [
      `Fix the bracket with ${requirement.count} screws; the holes have a diameter of ${span(requirement.diameter)} and are drilled ${requirement.depth.min} deep or deeper.`,
    ]
  if (kind === 'earth-size')
    return [`The protective conductor has a cross-section of at least ${requirement.minimum}.`]
  if (kind === 'string-limits')
    return [
      `A string has ${requirement.minCount} to ${requirement.maxCount} modules and at most ${requirement.maxPower}.`,
    ]
  if (kind === 'protection' && requirement.device)
    return [`A breaker of ${span(requirement.device)} protects the unit.`]
  if (kind === 'gland')
    return requirement.glands.map(({ label, without }) => `The ${label} seals on cables of ${span(without)}.`)
  if (kind === 'tracker-window') return [`The tracker works from ${requirement.min} to ${requirement.max}.`]
  if (requirement.statement) return [requirement.statement]
  return requirement.question
    ? [`${title}. ${requirement.question.replace(/^Is |^Are |^Was |^Were |^Does |^Do /, 'To be seen: ')}`]
    : []
}

const table = (head, rows) => ({
  table: { headerRows: 1, body: [head.map((text) => ({ text, bold: true })), ...rows] },
  layout: 'lightHorizontalLines',
  margin: [0, 4, 0, 8],
})

function blocks(requirement) {
  const { kind } = requirement
  if (kind === 'ordered-steps')
    return [
      {
        ol: requirement.steps.map(
          ({ label, wait }) => `${capital(label)}${wait ? `, then wait ${wait}` : ''}.`,
        ),
      },
    ]
  if (kind === 'settings')
    return [
      table(
        ['Setting', 'Allowed'],
        requirement.settings
          .filter(({ rule }) => rule)
          .map(({ label, rule, unit = '' }) => [label, ruleWords(rule, unit)]),
      ),
    ]
  if (kind === 'indicator')
    return [
      table(
        ['Lamp', 'Meaning'],
        requirement.patterns.map(({ colour, rhythm, means }) => [`${colour}, ${rhythm}`, means]),
      ),
    ]
  if (kind === 'alarm-codes')
    return [
      table(
        ['Code', 'Meaning', 'What to do'],
        requirement.codes.map(({ id, means, next }) => [id, means, next]),
      ),
    ]
  const text = words(requirement)
  return [{ text: text.length > 0 ? text.join(' ') : `${requirement.title}. ${requirement.remedy}` }]
}
const capital = (text) => text.charAt(0).toUpperCase() + text.slice(1)
const ruleWords = ({ equals, oneOf, min, max }, unit) =>
  equals !== undefined
    ? `${equals} ${unit}`.trim()
    : oneOf
      ? oneOf.join(' or ')
      : min === undefined
        ? `at most ${max} ${unit}`.trim()
        : max === undefined
          ? `at least ${min} ${unit}`.trim()
          : `${min} to ${max} ${unit}`.trim()

const HEADING = { fontSize: 12.5, bold: true, margin: [0, 10, 0, 2], headlineLevel: 2 }

/** Demands by the first figure of their clause, in the order of the clauses. */
function chaptersOf({ requirements }) {
  const parts = ({ clause }) => clause.split('.').map(Number)
  const ordered = [...requirements].sort((a, b) => parts(a)[0] - parts(b)[0] || parts(a)[1] - parts(b)[1])
  const chapters = new Map()
  for (const one of ordered) {
    const [number] = parts(one)
    chapters.set(number, [...(chapters.get(number) ?? []), one])
  }
  return chapters
}

function manual(sheet) {
  const content = [
    { text: `${sheet.maker} ${sheet.model}`, fontSize: 30, bold: true, margin: [0, 150, 0, 0] },
    { text: sheet.title, fontSize: 16 },
    { text: `${sheet.source}. Sample: an invented unit of an invented maker.`, margin: [0, 20, 0, 0] },
  ]
  content.push(
    { text: '0 About this manual', fontSize: 18, bold: true, margin: [0, 18, 0, 4], pageBreak: 'before' },
    ...about(sheet),
  )
  let wantsTerminals = true
  for (const [number, own] of chaptersOf(sheet)) {
    const stage = own[0].stage
    content.push({ text: `${number} ${CHAPTER[stage]}`, fontSize: 18, bold: true, margin: [0, 18, 0, 4] })
    if (wantsTerminals && TERMINALS_BEFORE.includes(stage)) {
      content.push({ text: `${number}.0 Terminals`, ...HEADING }, ...terminals(sheet))
      wantsTerminals = false
    }
    own.forEach((requirement, i) => {
      const { clause, title } = requirement
      // Several demands of one clause stand under its number, each with a title of its own.
      content.push({ text: own[i - 1]?.clause === clause ? title : `${clause} ${title}`, ...HEADING })
      content.push(...blocks(requirement))
    })
  }
  return {
    info: { title: `${sheet.maker} ${sheet.model}`, author: 'Plumb Mark samples' },
    pageSize: 'A4',
    pageMargins: [60, 70, 60, 60],
    defaultStyle: { font: 'Barlow', fontSize: 10.5, lineHeight: 1.15 },
    header: (page) =>
      page > 1 ? { text: `${sheet.maker} ${sheet.model}`, fontSize: 8, margin: [60, 30, 60, 0] } : '',
    footer: (page) =>
      page > 1 ? { text: String(page), alignment: 'right', fontSize: 8, margin: [60, 20, 60, 0] } : '',
    content,
  }
}

const about = ({ mass, size, ratings = [], equipment = [] }) => [
  {
    text: `The work is for qualified people. Wear ${equipment.join(', ')}. Local codes come before this manual.`,
  },
  table(
    ['Property', 'Value'],
    [
      ...ratings.map(({ name, value }) => [capital(name), value]),
      ['Mass', mass],
      [
        'Width × height × depth',
        `${size.width.replace(' mm', '')} × ${size.height.replace(' mm', '')} × ${size.depth}`,
      ],
    ],
  ),
]

const terminals = ({ terminals: all }) => [
  table(
    ['Terminal', 'Conductor', 'Strip length', 'Torque'],
    all.map(({ label, conductor, strip, torque }) => [
      label,
      conductor ? span(conductor) : '–',
      strip ? span(strip) : '–',
      torque ? span(torque) : 'spring clamp',
    ]),
  ),
]

/** Where each demand stands: from its title down to the next one, in points from the upper left corner. */
function placesOf(sheet, pages) {
  const lines = pages.flatMap(({ number, items }) => items.map((item) => ({ ...item, page: number })))
  const isTitle = ({ bold, size }) => bold && size > 12
  return new Map(
    sheet.requirements.map(({ id, clause, title }) => {
      const at = lines.findIndex(
        (line) => isTitle(line) && (line.text === `${clause} ${title}` || line.text === title),
      )
      if (at < 0) throw new Error(`${id} is not found in the manual of ${sheet.model}`)
      const page = lines[at].page
      const body = lines.slice(at + 1)
      const end = body.findIndex((line) => line.page !== page || isTitle(line))
      const own = body.slice(0, end < 0 ? undefined : end).filter(({ baseline }) => baseline < FOOT)
      const bottom = Math.max(lines[at].baseline, ...own.map(({ baseline }) => baseline))
      const right = Math.max(...[lines[at], ...own].map(({ x, width }) => x + width))
      const box = [lines[at].x, lines[at].baseline - lines[at].size, right, bottom + 3]
      return [id, { page, box: box.map((edge) => Math.round(edge * 10) / 10) }]
    }),
  )
}
/** Below it stands the number of the page. */
const FOOT = 780

/** The sheet's own file with the places of its demands and the name of its manual: line by line, since it is written by hand. */
function withPlaces(source, places, named) {
  let id
  return source
    .split('\n')
    .filter((line) => !/^(?:manual:| {4}printed:)/.test(line))
    .flatMap((line) => {
      id = /^ {2}- id: (\S+)/.exec(line)?.[1] ?? id
      if (/^source:/.test(line)) return [line, `manual: ${named}`]
      if (!/^ {4}clause:/.test(line) || !places.has(id)) return [line]
      const { page, box } = places.get(id)
      return [line, `    printed: { page: ${page}, box: [${box.join(', ')}] }`]
    })
    .join('\n')
}

const digestOf = (content) => createHash('sha256').update(content).digest('hex')
const reader = await nodeReader()
const cuttingTable = await nodeCuttingTable()
mkdirSync(at('samples', 'manuals'), { recursive: true })
/** The edition that has not been read yet: a sample for whoever wants to try it. */
const UNREAD = 'aldervane-ah-8t-d'

for (const name of ['aldervane-ah-8t-c', 'thrumcap-tb-10-b', UNREAD]) {
  const file = at('samples', 'sheets', `${name}.yaml`)
  const source = readFileSync(file, 'utf8')
  const sheet = parse(source)
  const pdf = await pdfmake.createPdf(manual(sheet)).getBuffer()
  writeFileSync(at('samples', 'manuals', `${name}.pdf`), pdf)
  if (name === UNREAD) continue
  const { document, close } = await openPdf(reader.pdf, new Uint8Array(pdf))
  const pages = []
  for (let number = 1; number <= document.numPages; number++)
    pages.push(await readPage(reader.pdf, document, number))
  const places = placesOf(sheet, pages)
  const clippings = clippingsText(digestOf(pdf), await cutOuts(document, [...places.values()], cuttingTable))
  await close()
  writeFileSync(at('samples', 'manuals', `${name}.clippings.json`), clippings)
  const named = `{ digest: ${digestOf(pdf)}, title: "${sheet.source}", pages: ${pages.length}, clippings: ${digestOf(clippings)} }`
  writeFileSync(file, withPlaces(source, places, named))
  console.log(
    `${name}: ${pages.length} pages, ${Math.round(pdf.length / 1024)} kB, cut-outs ${Math.round(clippings.length / 1024)} kB`,
  )
}
