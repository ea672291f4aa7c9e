// The reading of nameplates: drawn plates with light, blur, tilt and scratches, by a seed; serials right, wrong and not proposed.
import { createCanvas, GlobalFonts } from '@napi-rs/canvas'
import { createRequire } from 'node:module'
import { readPlate } from '../packages/manual/dist/index.js'
import { nodeReader } from '../packages/manual/dist/node.js'
import { ms, table } from './reference.mjs'

const load = createRequire(import.meta.url)
const font = (name, file) => GlobalFonts.registerFromPath(load.resolve(file), name)
font('Plate', '@expo-google-fonts/barlow/500Medium/Barlow_500Medium.ttf')

function chance(seed) {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}

const LABELS = ['Serial no.', 'S/N', 'Serial', 'Ser. No', 'SN:']
const MAKERS = ['Aldervane', 'Thrumcap', 'Cobblewick', 'Sorrelight']

/** One plate as a telephone sees it: `serial` and `model` are what stands on it. */
export function drawnPlate(seed) {
  const any = chance(seed)
  const of = (list) => list[Math.floor(any() * list.length)]
  const digits = (n) => Array.from({ length: n }, () => Math.floor(any() * 10)).join('')
  const letters = (n) => Array.from({ length: n }, () => of([...'ABCDEFGHJKLMNPRSTUVWXYZ'])).join('')
  const serial = of([
    () => `${letters(2)}-${digits(4)}-${digits(6)}`,
    () => `${digits(12)}`,
    () => `${letters(3)}${digits(8)}`,
  ])()
  const model = `${letters(2)}-${digits(1)}T`
  const [width, height] = [1280, 860]
  const canvas = createCanvas(width, height)
  const c = canvas.getContext('2d')
  c.fillStyle = `hsl(${any() * 360} 12% ${25 + any() * 30}%)`
  c.fillRect(0, 0, width, height)
  c.save()
  c.translate(width / 2, height / 2)
  c.rotate(((any() * 30 - 15) * Math.PI) / 180)
  const dark = any() < 0.25
  const [paper, ink] = dark ? ['#26292c', '#d9dde0'] : [of(['#e6e6e2', '#d4d8da', '#f3f1ea']), '#15181a']
  c.fillStyle = paper
  c.fillRect(-460, -250, 920, 500)
  c.fillStyle = ink
  const line = (text, x, y, size) => {
    c.font = `${size}px Plate`
    c.fillText(text, x, y)
  }
  line(of(MAKERS), -430, -190, 54)
  line(`Model: ${model}`, -430, -110, 38)
  line(`Greatest DC voltage ${of([600, 800, 1000])} V`, -430, -50, 32)
  line(`Rated power ${of([3, 5, 8])} kW`, -430, 0, 32)
  line(`Mass ${of([18, 24, 31])} kg`, -430, 50, 32)
  line(`${of(LABELS)} ${serial}`, -430, 130, 40)
  line('IP65  Class I  Made for trial', -430, 200, 26)
  for (let i = 0; i < Math.floor(any() * 5); i++) {
    c.strokeStyle = `rgb(128 128 128 / ${0.3 + any() * 0.4})`
    c.lineWidth = 1 + any() * 2
    c.beginPath()
    c.moveTo(-460 + any() * 920, -250 + any() * 500)
    c.lineTo(-460 + any() * 920, -250 + any() * 500)
    c.stroke()
  }
  c.restore()
  // A lamp from one side, and a shadow from the other.
  const light = c.createLinearGradient(any() * width, 0, any() * width, height)
  light.addColorStop(0, `rgb(255 255 255 / ${any() * 0.45})`)
  light.addColorStop(1, `rgb(0 0 0 / ${any() * 0.5})`)
  c.fillStyle = light
  c.fillRect(0, 0, width, height)
  const blurred = createCanvas(width, height)
  const b = blurred.getContext('2d')
  b.filter = `blur(${(any() * 2.2).toFixed(2)}px)`
  b.drawImage(canvas, 0, 0)
  const { data } = b.getImageData(0, 0, width, height)
  for (let i = 0; i < data.length; i += 4) {
    const noise = (any() - 0.5) * 24
    for (let j = 0; j < 3; j++) data[i + j] = Math.max(0, Math.min(255, data[i + j] + noise))
  }
  return { serial, model, photo: { width, height, data } }
}

const FIELDS = [
  { id: 'model', label: 'model' },
  { id: 'serial', label: 'serial' },
  { id: 'voltage', label: 'greatest DC voltage' },
]

export async function nameplates(count, seed = 20261130) {
  const recogniser = await (await nodeReader()).startRecogniser()
  const told = { right: 0, wrong: 0, none: 0, slowest: 0, sum: 0, faults: [] }
  for (let i = 0; i < count; i++) {
    const { serial, photo } = drawnPlate(seed + i)
    const began = performance.now()
    const { proposals } = await readPlate(photo, FIELDS, recogniser)
    const ms = performance.now() - began
    told.slowest = Math.max(told.slowest, ms)
    told.sum += ms
    const read = proposals.find(({ id }) => id === 'serial')?.value
    if (read === undefined) told.none++
    else if (read === serial) told.right++
    else {
      told.wrong++
      told.faults.push(`${serial} read as ${read}`)
    }
  }
  await recogniser.end()
  return told
}

const COUNT = 200

/** What somebody is offered who holds a telephone before a plate, and how long it takes. */
export async function run() {
  const { right, wrong, none, slowest, sum } = await nameplates(COUNT)
  const share = (count) => `${((100 * count) / COUNT).toFixed(1)} %`
  table([
    [`${COUNT} drawn nameplates: serial right or not proposed`, share(right + none), 'at least 98 %'],
    ['serial proposed and right', share(right), ''],
    ['serial proposed and wrong', share(wrong), 'at most 0.5 %'],
    ['one plate', ms(sum / COUNT), 'under 4 s'],
    ['the slowest plate', ms(slowest), ''],
  ])
}
