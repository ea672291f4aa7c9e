import { ENTRY_ROWS } from '../job/entries/registry.js'
import type { Against } from '../job/entries/entry-kind.js'
import { NOTHING_BUILT } from '../as-built/as-built.js'
import { straightAhead } from '../wall/rendered-photo.testing.js'
import { lengthOffPhoto, photoInstrument } from './photo-reading.js'

const PHOTO = { id: 'p', sha256: 'a'.repeat(64) }
const setUp = straightAhead()
const ends = { from: { px: 1500, py: 1200 }, to: { px: 2300, py: 1200 } }
const { value, uncertainty } = lengthOffPhoto({ setUp, ...ends })!

const against = {
  state: { asBuilt: { ...NOTHING_BUILT, walls: [{ id: 'w' }] } },
  asked: () => ({ kind: 'reading', dimension: 'length', unit: 'mm' }),
} as unknown as Against

const admitted = (more: object) => {
  const body = {
    point: 'u/r/unit',
    typed: '400 mm',
    value,
    unit: 'mm',
    relation: '=' as const,
    instrument: photoInstrument(PHOTO, uncertainty, '2026-06-01'),
    offPhoto: { setUp, ...ends },
    photos: [PHOTO],
    ...more,
  }
  const answer = ENTRY_ROWS.reading.admit(body, against, 'inspector')
  return answer.ok ? 'admitted' : answer.code
}

describe('a reading off a photo', () => {
  it('is what its clicks come to', () => {
    expect(value).toBeCloseTo(400, 6)
    expect(uncertainty).toBeGreaterThan(1)
    expect(admitted({})).toBe('admitted')
    expect(admitted({ value: 410, typed: '410 mm' })).toBe('photo-differs')
  })
  it('is no surer than they are', () =>
    expect(admitted({ instrument: photoInstrument(PHOTO, uncertainty / 2, '2026-06-01') })).toBe(
      'photo-differs',
    ))
  it('shows its photo, and how it was measured', () => {
    expect(admitted({ photos: [] })).toBe('photo-differs')
    expect(admitted({ offPhoto: undefined })).toBe('photo-differs')
  })
  it('needs a check length that agrees', () =>
    expect(admitted({ offPhoto: { setUp: straightAhead(320), ...ends } })).toBe('photo-differs'))
})

describe('a photo of a wall', () => {
  const keep = (check: number) =>
    ENTRY_ROWS['wall-photographed'].admit(
      { wallId: 'w', taken: { photo: PHOTO, setUp: straightAhead(check) } },
      against,
      'inspector',
    )
  it('lies under the elevation once its check length agrees', () => {
    expect(keep(300)).toEqual({ ok: true })
    expect(keep(320)).toMatchObject({ ok: false, code: 'photo-no-tape' })
  })
})
