import sharp from 'sharp'
import { asText, asUint, joined, textAt } from './bytes.js'
import { rebuiltPhoto, tellsNoMore } from './rebuilt-photo.js'

const FORMATS = ['jpeg', 'png', 'webp'] as const
type Format = (typeof FORMATS)[number]
/** The place as a person, a camera and a converter write it. */
const PLACE = 'Fallowmere 54.2092 N'
const GPS = {
  IFD0: { Copyright: PLACE, ImageDescription: PLACE.repeat(600), Software: 'camera' },
  IFD2: { DateTimeOriginal: '2026:06:01 10:30:00', UserComment: PLACE },
  IFD3: {
    GPSLatitudeRef: 'N',
    GPSLatitude: '54/1 12/1 33/1',
    GPSLongitudeRef: 'W',
    GPSLongitude: '2/1 0/1 5/1',
    GPSAreaInformation: PLACE,
  },
}
/** 54° as a rational number, little-endian. */
const LATITUDE = '\x36\0\0\0\x01\0\0\0'
const plain = () => sharp({ create: { width: 60, height: 40, channels: 3, background: '#c8b68a' } })
const made = async (format: Format, exif: object = GPS, orientation = 1) =>
  new Uint8Array(await plain().withMetadata({ orientation }).withExifMerge(exif)[format]().toBuffer())
const pixels = async (picture: Uint8Array) => (await sharp(picture).raw().toBuffer()).toString('base64')
const exifOf = async (picture: Uint8Array) => (await sharp(picture).metadata()).exif?.toString('latin1') ?? ''
const holds = (picture: Uint8Array, words: string) =>
  Buffer.from(picture).includes(Buffer.from(words, 'latin1'))
const rebuilt = (picture: Uint8Array, wish = {}) => rebuiltPhoto(picture, wish)!

describe.each(FORMATS)('a %s', (format) => {
  it('keeps its pixels and tells nothing of the place, in whatever field it stood', async () => {
    const picture = await made(format)
    const clean = rebuilt(picture)
    expect(await pixels(clean)).toBe(await pixels(picture))
    expect([holds(clean, LATITUDE), holds(clean, 'Fallowmere'), holds(clean, '2026:06')]).toEqual([
      false,
      false,
      false,
    ])
    expect(tellsNoMore(clean)).toBe(true)
    expect(tellsNoMore(picture)).toBe(false)
  })
  it.each([2, 3, 6, 8])('keeps its turn (%i)', async (orientation) => {
    const clean = rebuilt(await made(format, GPS, orientation))
    expect((await sharp(clean).metadata()).orientation).toBe(orientation)
    expect(tellsNoMore(clean)).toBe(true)
  })
  it('keeps its colour profile', async () => {
    const picture = new Uint8Array(await plain().withIccProfile('p3')[format]().toBuffer())
    const { icc } = await sharp(picture).metadata()
    expect((await sharp(rebuilt(picture)).metadata()).icc).toEqual(icc)
  })
  it('keeps time and place, and nothing beside them, where the job asks for them', async () => {
    const clean = rebuilt(await made(format, GPS, 6), { tellsPlace: true })
    const said = await exifOf(clean)
    expect([
      said.includes(LATITUDE),
      said.includes('2026:06:01 10:30:00'),
      said.includes('Fallowmere'),
    ]).toEqual([true, true, false])
    expect((await sharp(clean).metadata()).orientation).toBe(6)
    expect([tellsNoMore(clean, { tellsPlace: true }), tellsNoMore(clean)]).toEqual([true, false])
  })
  it('loses what was hung on behind its end', async () => {
    const picture = joined([await made(format, {}), asText(PLACE)])
    expect(holds(rebuilt(picture), 'Fallowmere')).toBe(false)
  })
  it('loses a packet of XMP, which may repeat the place', async () => {
    const xmp = `<x:xmpmeta xmlns:x="adobe:ns:meta/"><r exif:GPSLatitude="${PLACE}"/></x:xmpmeta>`
    const clean = rebuilt(new Uint8Array(await plain().withXmp(xmp)[format]().toBuffer()))
    expect(holds(clean, 'Fallowmere')).toBe(false)
  })
  it('never throws, and what comes out comes out again the same', async () => {
    const picture = await made(format)
    let seed = 7
    const next = (below: number) => (seed = (seed * 48271) % 2147483647) % below
    for (let i = 0; i < 1500; i++) {
      const broken = picture.slice(0, next(4) ? picture.length : next(picture.length))
      for (let k = 0; k < 3; k++) broken[next(Math.min(broken.length, 900))] = next(256)
      const once = rebuiltPhoto(broken)
      if (once && Buffer.compare(rebuiltPhoto(once) ?? new Uint8Array(), once) !== 0)
        throw new Error(`another one at ${i}`)
    }
  })
})

describe('blocks that nobody listed', () => {
  const segment = (marker: number, text: string) =>
    joined([Uint8Array.of(0xff, marker), asUint(text.length + 2, 2), asText(text)])
  const pngChunk = (kind: string, text: string) =>
    joined([asUint(text.length, 4), asText(kind), asText(text), new Uint8Array(4)])
  const after = (picture: Uint8Array, at: number, ...parts: Uint8Array[]) =>
    joined([picture.subarray(0, at), ...parts, picture.subarray(at)])
  it.each([
    ['a comment', segment(0xfe, PLACE)],
    ['IPTC', segment(0xed, `Photoshop 3.0\0${PLACE}`)],
    ['a second packet', segment(0xe1, `http://ns.adobe.com/xmp/extension/\0${PLACE}`)],
    ['an index of further pictures', segment(0xe2, `MPF\0${PLACE}`)],
    ['a maker’s own block', segment(0xe7, PLACE)],
    ['filling before Exif', joined([Uint8Array.of(0xff, 0xff, 0xff), segment(0xe1, `Exif\0\0${PLACE}`)])],
  ])('of a JPEG are gone: %s', async (_what, block) => {
    const picture = after(await made('jpeg', {}), 2, block)
    const clean = rebuilt(picture)
    expect(holds(clean, 'Fallowmere')).toBe(false)
    expect(await pixels(clean)).toBe(await pixels(picture))
  })
  it('a second picture behind the first, as phones with several lenses write it, is gone with its place', async () => {
    const [first, second] = [await made('jpeg', {}), await made('jpeg')]
    const clean = rebuilt(joined([first, second]))
    expect([holds(clean, LATITUDE), clean.length < first.length + 50]).toEqual([false, true])
  })
  it('the small picture inside Exif, with a directory of its own, is gone', async () => {
    const small = joined([
      asText('II*\0'),
      asUint(8, 4, true),
      asUint(0, 2, true),
      asUint(14, 4, true),
      asText(PLACE),
    ])
    const block = segment(0xe1, `Exif\0\0${textAt(small, 0, small.length)}`)
    expect(holds(rebuilt(after(await made('jpeg', {}), 2, block)), 'Fallowmere')).toBe(false)
  })
  it.each([
    ['tEXt', `Comment\0${PLACE}`],
    ['zTXt', `Raw profile type exif\0\0${PLACE}`],
    ['iTXt', `XML:com.adobe.xmp\0\0\0\0\0${PLACE}`],
    ['tIME', PLACE],
    ['prVt', PLACE],
  ])('of a PNG are gone: %s', async (kind, text) => {
    const picture = after(await made('png', {}), 33, pngChunk(kind, text))
    const clean = rebuilt(picture)
    expect(holds(clean, 'Fallowmere')).toBe(false)
    expect(await pixels(clean)).toBe(await pixels(await made('png', {})))
  })
  it('the name of a colour profile is no place for words', async () => {
    const picture = new Uint8Array(await plain().withIccProfile('p3').png().toBuffer())
    const at = Buffer.from(picture).indexOf('iCCP')
    const length = new DataView(picture.buffer, picture.byteOffset).getUint32(at - 4)
    const content = picture.slice(at + 4, at + 4 + length)
    const named = joined([asText(PLACE), content.subarray(content.indexOf(0))])
    const other = joined([
      picture.subarray(0, at - 4),
      asUint(named.length, 4),
      asText('iCCP'),
      named,
      new Uint8Array(4),
      picture.subarray(at + 8 + length),
    ])
    const clean = rebuilt(other)
    expect(holds(clean, 'Fallowmere')).toBe(false)
    expect((await sharp(clean).metadata()).icc).toBeDefined()
  })
})

it('a progressive picture with restarts keeps every scan', async () => {
  const noise = Buffer.from(Array.from({ length: 90 * 70 * 3 }, (_, i) => (i * 7919) % 256))
  const picture = new Uint8Array(
    await sharp(noise, { raw: { width: 90, height: 70, channels: 3 } })
      .jpeg({ progressive: true })
      .toBuffer(),
  )
  expect(await pixels(rebuilt(picture))).toBe(await pixels(picture))
})

it('what is no picture is none', () => {
  for (const bytes of [
    new Uint8Array(0),
    asText('<svg/>'),
    Uint8Array.of(0xff, 0xd8, 0xff),
    asText('GIF89a'),
  ])
    expect(rebuiltPhoto(bytes)).toBeUndefined()
})
