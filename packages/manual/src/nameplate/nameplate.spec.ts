import { createCanvas } from '@napi-rs/canvas'
import { nodeReader } from '../node.js'
import type { SeenWord } from '../source/scan.js'
import { flattened, greyOf, inked, inverted, turned } from './grey.js'
import { agreed, isDoubtful, lineOf, modelOn, serialOn } from './plate.js'
import { readPlate } from './read-plate.js'
import { skewOf } from './skew.js'

/** Lines of a plate as they were seen. */
const seen = (...lines: string[]): SeenWord[] =>
  lines.flatMap((line, i) =>
    line.split(' ').map((text, j) => ({
      text,
      x0: 100 * j,
      x1: 100 * j + 80,
      top: 40 * i,
      bottom: 40 * i + 30,
      baseline: 40 * i + 30,
      height: 30,
      line: i,
    })),
  )

describe('what stands on a plate', () => {
  it.each([
    ['Serial no. AV-2409-118734', 'AV-2409-118734'],
    ['S/N 443351436388', '443351436388'],
    ['SN: TPV32518759', 'TPV32518759'],
    ['Ser. No 0852 4617 3751', '085246173751'],
    ['Serial AV-2409-118734 Made for trial', 'AV-2409-118734'],
  ])('%s is a serial', (line, serial) => expect(serialOn(seen('Aldervane', line))?.value).toBe(serial))

  it('a label alone has its serial in the line below', () =>
    expect(serialOn(seen('Serial number', 'AV-2409-118734'))?.value).toBe('AV-2409-118734'))

  it.each([
    ['a word', ['Serial inverter']],
    ['too short a number', ['S/N 12']],
    ['two that both say so', ['S/N 443351436388', 'Serial 085246173751']],
    ['no label at all', ['443351436388']],
  ])('%s is none', (_what, lines) => expect(serialOn(seen(...lines))).toBeUndefined())

  it.each([
    ['AV-2409-118734', false],
    ['443351436388', false],
    ['TPV32518759', false],
    ['RYG24344983', true],
    ['1187O4', true],
    ['AB-12S4-9', true],
  ])('%s may be read otherwise: %s', (serial, doubtful) => expect(isDoubtful(serial)).toBe(doubtful))

  it('model and ratings stand behind their labels', () => {
    const words = seen('Model: AH-8T', 'Greatest DC voltage 1000 V', 'Usable energy 10 kWh')
    expect(modelOn(words)?.value).toBe('AH-8T')
    expect(lineOf('usable energy', words)?.value).toBe('10 kWh')
    expect(lineOf('greatest DC voltage', words)?.value).toBe('1000 V')
    expect(lineOf('greatest AC current', words)).toBeUndefined()
  })

  it('only what two readings say alike counts, and none otherwise', () => {
    const line = (value: string, sure = 90) => ({
      label: '',
      value,
      sure,
      box: { x0: 0, x1: 1, top: 0, bottom: 1 },
    })
    expect(agreed([line('A-1'), line('A-1', 20)])).toBeUndefined()
    expect(agreed([line('A-1'), line('A-1', 20), line('A-1')])?.value).toBe('A-1')
    expect(agreed([line('A-1'), line('B-1')])).toBeUndefined()
    expect(agreed([line('A-1'), undefined])).toBeUndefined()
    expect(agreed([line('A-1'), undefined, line('a 1')])?.value).toBe('A-1')
    expect(agreed([line('A-1'), line('A-1'), line('B-1')])).toBeUndefined()
  })
})

/** A plate in a photo: turned, lit from one side, dark on light or the other way round. */
function photoOf(lines: readonly string[], { tilt = 0, light = 0, dark = false } = {}) {
  const [width, height] = [1100, 700]
  const canvas = createCanvas(width, height)
  const c = canvas.getContext('2d')
  c.fillStyle = '#6b6f73'
  c.fillRect(0, 0, width, height)
  c.translate(width / 2, height / 2)
  c.rotate((tilt * Math.PI) / 180)
  c.fillStyle = dark ? '#26292c' : '#e6e6e2'
  c.fillRect(-420, -220, 840, 440)
  c.fillStyle = dark ? '#e6e6e2' : '#15181a'
  c.font = '38px sans-serif'
  lines.forEach((line, i) => c.fillText(line, -390, -140 + 70 * i))
  c.resetTransform()
  const lamp = c.createLinearGradient(0, 0, width, 0)
  lamp.addColorStop(0, 'rgb(0 0 0 / 0)')
  lamp.addColorStop(1, `rgb(0 0 0 / ${light})`)
  c.fillStyle = lamp
  c.fillRect(0, 0, width, height)
  return { width, height, data: c.getImageData(0, 0, width, height).data }
}
const LINES = [
  'Aldervane',
  'Model: AH-8T',
  'Greatest DC voltage 1000 V',
  'Mass 31 kg',
  'Serial no. AV-2409-118734',
]

describe('the photo of a plate', () => {
  it.each([-14, -3.4, 0, 6, 15])('held at %d° it is set upright', (tilt) => {
    const flat = flattened(greyOf(photoOf(LINES, { tilt, light: 0.5 }), 1100))
    expect(Math.abs(skewOf(flat) - tilt)).toBeLessThan(0.5)
  })

  it('a shadow over a part of it takes no ink away and makes none', () => {
    const share = (light: number) => {
      const { data } = inked(flattened(greyOf(photoOf(LINES, { light }), 1100)))
      return data.filter((value) => value === 0).length / data.length
    }
    expect(share(0.6) / share(0)).toBeGreaterThan(0.75)
    expect(share(0.6) / share(0)).toBeLessThan(1.1)
  })

  it('turned there and back it is what it was, and twice inverted too', () => {
    const grey = greyOf(photoOf(LINES), 300)
    expect(turned(grey, 0).data.subarray(1000, 1100)).toEqual(grey.data.subarray(1000, 1100))
    expect(inverted(inverted(grey))).toEqual(grey)
  })

  const FIELDS = ['model', 'serial', 'greatest DC voltage'].map((label) => ({ id: label, label }))
  it('is read into the fields that are asked for; what may be read otherwise is not proposed', async () => {
    const recogniser = await (await nodeReader()).startRecogniser()
    const read = async (lines: readonly string[], how: object, code?: string) => {
      const { proposals } = await readPlate(photoOf(lines, how), FIELDS, recogniser, code)
      return Object.fromEntries(proposals.map(({ id, value }) => [id, value]))
    }
    expect(await read(LINES, { tilt: 9, light: 0.4 })).toEqual({
      model: 'AH-8T',
      serial: 'AV-2409-118734',
      'greatest DC voltage': '1000 V',
    })
    expect(await read(LINES, { tilt: -5, dark: true })).toMatchObject({ serial: 'AV-2409-118734' })
    const doubtful = [...LINES.slice(0, 4), 'Serial no. RYG24344983']
    expect(await read(doubtful, {})).not.toHaveProperty('serial')
    expect(await read(doubtful, {}, 'RYG24344983')).toMatchObject({ serial: 'RYG24344983' })
    expect(await read(['A poem', 'about the sea'], {})).toEqual({})
    await recogniser.end()
  }, 60_000)
})
