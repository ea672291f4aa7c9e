import type { InstrumentId } from '../ids/ids.js'
import type { Instrument } from '../instrument/instrument.js'
import { num, object, type Read } from '../shape/shape.js'
import { measuredOn, photoSetUpShape, photoTape, type ReadOff } from '../wall/photo-tape.js'
import type { PhotoRef } from './photo-ref.js'

const pixel = object({ px: num(), py: num() })

/** A length that was read off a photo, so that it can be worked out again: how the photo was made a tape, and the two ends. */
export const photoReadingShape = object({ setUp: photoSetUpShape, from: pixel, to: pixel })
export type PhotoReading = Read<typeof photoReadingShape>

/** The length of a reading off a photo, mm; undefined where the photo measures nothing, or not there. */
export function lengthOffPhoto({ setUp, from, to }: PhotoReading): ReadOff | undefined {
  const tape = photoTape(setUp)
  const read = tape.usable ? measuredOn(setUp, tape, from, to) : undefined
  return read?.ok ? read.length : undefined
}

/** A photo as the instrument of one reading; what it is good for was settled by its check length, on the day that it was read. */
export const photoInstrument = (photo: PhotoRef, uncertainty: number, day: string): Instrument => ({
  id: idOfPhoto(photo),
  name: 'photo',
  kind: 'photo',
  serial: photo.sha256.slice(0, 12),
  calibratedUntil: day,
  accuracy: [{ dimension: 'length', percent: 0, plus: uncertainty }],
})

/** A photo that measures goes by its own name among the instruments. */
const idOfPhoto = ({ id }: PhotoRef): InstrumentId => id as string
