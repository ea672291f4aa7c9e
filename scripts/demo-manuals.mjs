// Manuals of the demo’s inverter and battery, set from their sample sheets: `node scripts/demo-manuals.mjs` after a sheet has changed.
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import pdfmake from 'pdfmake'
import { parse } from 'yaml'
import { at } from './shared.mjs'

const load = createRequire(import.meta.url)
const barlow = (name) => load.resolve(`@expo-google-fonts/barlow/${name}/Barlow_${name}.ttf`)
const FONTS = { Barlow: { normal: barlow('400Regular'), bold: barlow('600SemiBold') } }
pdfmake.setFonts(FONTS)
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path) => Object.values(FONTS.Barlow).includes(path))

const CHAPTERS = [
  ['1', 'About this manual', []],
  ['2', 'Unpacking', ['identify']],
  ['3', 'Place and mounting', ['place-and-mount']],
  ['4', 'Roof', ['roof']],
  ['5', 'Earthing', ['earthing']],
  ['6', 'DC side', ['dc', 'battery']],
  ['7', 'AC side', ['ac']],
  ['8', 'Order of powering up', ['power-up']],
  ['9', 'Settings and messages', ['commission']],
  ['10', 'Closing up', ['close-up']],
]

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
  return text.length > 0 ? [{ text: text.join(' ') }] : []
}
const capital = (text) => text.charAt(0).toUpperCase() + text.slice(1)
const ruleWords = ({ equals, oneOf, min, max }, unit) =>
  equals !== undefined
    ? `${equals} ${unit}`.trim()
    : oneOf
      ? oneOf.join(' or ')
      : `${min ?? ''} – ${max ?? ''} ${unit}`.trim()

function manual(sheet) {
  const content = [
    { text: `${sheet.maker} ${sheet.model}`, fontSize: 30, bold: true, margin: [0, 150, 0, 0] },
    { text: sheet.title, fontSize: 16 },
    { text: `${sheet.source}. Sample: an invented unit of an invented maker.`, margin: [0, 20, 0, 0] },
  ]
  for (const [number, title, stages] of CHAPTERS) {
    const own = sheet.requirements.filter(({ stage }) => stages.includes(stage))
    const parts = own
      .map((requirement) => [requirement, blocks(requirement)])
      .filter(([, made]) => made.length > 0)
    if (number !== '1' && parts.length === 0) continue
    content.push({
      text: `${number} ${title}`,
      fontSize: 18,
      bold: true,
      margin: [0, 18, 0, 4],
      ...(number === '1' && { pageBreak: 'before' }),
    })
    if (number === '1') content.push(...about(sheet))
    if (number === '7' || (number === '6' && sheet.kind === 'battery'))
      content.push(...terminals(sheet, number))
    parts.forEach(([requirement, made], i) => {
      content.push(
        {
          text: `${number}.${i + 1} ${requirement.title}`,
          fontSize: 12.5,
          bold: true,
          margin: [0, 10, 0, 2],
        },
        ...made,
      )
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

for (const name of ['aldervane-ah-8t-d', 'thrumcap-tb-10-b']) {
  const sheet = parse(readFileSync(at('samples', 'sheets', `${name}.yaml`), 'utf8'))
  const file = at('apps', 'web', 'public', 'samples', `${sheet.maker}-${sheet.model}.pdf`.toLowerCase())
  writeFileSync(file, await pdfmake.createPdf(manual(sheet)).getBuffer())
  console.log(file)
}
