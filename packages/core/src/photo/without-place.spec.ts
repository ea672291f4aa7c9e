import sharp from 'sharp'
import { withoutPlace } from './without-place.js'

const GPS = {
  IFD0: { Copyright: 'Ilse Brandt', Software: 'camera' },
  IFD3: {
    GPSLatitudeRef: 'N',
    GPSLatitude: '54/1 12/1 33/1',
    GPSLongitudeRef: 'W',
    GPSLongitude: '2/1 0/1 5/1',
  },
}
const plain = () => sharp({ create: { width: 40, height: 30, channels: 3, background: '#c8b68a' } })
const bytesOf = async (format: 'jpeg' | 'png' | 'webp', exif: object) =>
  new Uint8Array(await plain().withExif(exif)[format]().toBuffer())
const exifOf = async (picture: Uint8Array) => (await sharp(picture).metadata()).exif?.toString('latin1') ?? ''
const pixels = (picture: Uint8Array) => sharp(picture).raw().toBuffer()
/** 54° as a rational number, little-endian, as cameras write it. */
const LATITUDE = '\x36\0\0\0\x01\0\0\0'

it.each(['jpeg', 'png', 'webp'] as const)('a %s keeps its picture and loses its place', async (format) => {
  const picture = await bytesOf(format, GPS)
  expect(await exifOf(picture)).toContain(LATITUDE)
  const cleaned = withoutPlace(picture)
  expect(await exifOf(cleaned)).not.toContain(LATITUDE)
  expect(await pixels(cleaned)).toEqual(await pixels(picture))
  expect(withoutPlace(cleaned)).toBe(cleaned)
})

it('what else the camera says stays', async () => {
  expect(await exifOf(withoutPlace(await bytesOf('jpeg', GPS)))).toContain('Ilse Brandt')
})

it('a packet of XMP, which may repeat the place, is left out', async () => {
  const xmp = '<x:xmpmeta xmlns:x="adobe:ns:meta/"><r exif:GPSLatitude="54,12N"/></x:xmpmeta>'
  for (const format of ['jpeg', 'png', 'webp'] as const) {
    const picture = new Uint8Array(await plain().withXmp(xmp)[format]().toBuffer())
    const cleaned = withoutPlace(picture)
    expect(Buffer.from(cleaned).includes('GPSLatitude')).toBe(false)
    expect(await pixels(cleaned)).toEqual(await pixels(picture))
  }
})

it('a picture that tells no place is the very same, and no bytes make it throw', async () => {
  const picture = await bytesOf('jpeg', { IFD0: GPS.IFD0 })
  expect(withoutPlace(picture)).toBe(picture)
  const located = await bytesOf('jpeg', GPS)
  let seed = 7
  const next = (below: number) => (seed = (seed * 48271) % 2147483647) % below
  for (let i = 0; i < 2000; i++) {
    const broken = located.slice(0, next(4) ? located.length : next(located.length))
    for (let k = 0; k < 3; k++) broken[next(Math.min(broken.length, 400))] = next(256)
    expect(() => withoutPlace(broken)).not.toThrow()
  }
})
