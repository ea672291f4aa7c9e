import { placeId, placeWords, readPlace } from '../ids/place-id.js'
import { placesOf, type PlaneBuilt } from '../array/places.js'
import { NOTHING_BUILT } from '../as-built/as-built.js'
import { MODULE, Site, devices, plane, row, sheet, string } from '../requirements/site.testing.js'
import { arrayDrawing } from './array.js'
import { safeVoltageGrowth } from '../array/safe-voltage-growth.js'
import { devicesFor, readSerialTable, withSerials } from '../entering/serial-table.js'

const PLANE: PlaneBuilt = {
  id: 'a-b.c',
  label: 'P',
  unitId: 'u',
  rows: 2,
  columns: 3,
  orientation: 'portrait',
  gap: 20,
  empty: ['a-b.c.r1c2'],
}

describe('places', () => {
  it('are named so that they can be read back, whatever the plane is called', () =>
    expect(readPlace(placeId('a-b.c', 2, 13))).toEqual({
      id: 'a-b.c.r2c13',
      planeId: 'a-b.c',
      row: 2,
      column: 13,
    }))
  it('without a module are none', () =>
    expect(placesOf(PLANE).map(({ id }) => id)).toEqual([
      'a-b.c.r1c1',
      'a-b.c.r1c3',
      'a-b.c.r2c1',
      'a-b.c.r2c2',
      'a-b.c.r2c3',
    ]))
  it('are said as people count', () =>
    expect([placeWords('p.r2c5'), placeWords('nonsense')]).toEqual(['row 2, place 5', 'nonsense']))
})

describe('the map', () => {
  const drawn = (...more: object[]) =>
    arrayDrawing(
      new Site()
        .unit(MODULE)
        .unit(sheet('I', 'string-inverter', []))
        .write(plane(1, 4), ...(more as never[])).inspection,
    )
  it('is to scale: modules beside each other with their gap', () => {
    const { planes, w, h } = drawn()
    expect([w, h]).toEqual([4 * 1000 + 3 * 20, 1700])
    expect(planes[0]!.places.map(({ x }) => x)).toEqual([0, 1020, 2040, 3060])
  })
  it('turns modules that lie on their side', () =>
    expect(
      drawn({ kind: 'plane-built', body: { ...plane(1, 4).body, orientation: 'landscape' } }).planes[0],
    ).toMatchObject({ moduleW: 1700, moduleH: 1000 }))
  it('numbers the modules of a string in walking order', () =>
    expect(
      drawn(string([...row(3)].reverse())).planes[0]!.places.map(({ string: n, order }) => [n, order]),
    ).toEqual([
      [0, 3],
      [0, 2],
      [0, 1],
      [undefined, undefined],
    ]))
  it('draws planes of an upright roof beneath each other, and none over another', () => {
    const planes = Array.from({ length: 4 }, (_, i) => ({
      kind: 'plane-built',
      body: { ...plane(2, 10).body, id: `q${i}` },
    }))
    const all = drawn(...planes).planes
    for (const one of all)
      for (const other of all)
        if (one !== other)
          expect(
            one.x < other.x + other.w &&
              other.x < one.x + one.w &&
              one.y < other.y + other.h &&
              other.y < one.y + one.h,
          ).toBe(false)
  })
})

describe('a serial list', () => {
  const array = {
    ...NOTHING_BUILT.array,
    devices: [1, 2].map((i) => ({
      id: `b${i}`,
      unitId: 'u',
      at: `p.r1c${i}`,
      feeds: [],
      idlePorts: 0,
      cappedPorts: 0,
    })),
  }
  it('puts each serial on its device, and tells only what changed', () => {
    const table = readSerialTable([{ place: 'p.r1c1', serial: ' SN1 ' }], array)
    expect(table).toEqual({ ok: true, rows: [{ place: 'p.r1c1', serial: 'SN1' }] })
    expect(
      withSerials(array, [{ place: 'p.r1c1', serial: 'SN1' }]).map(({ id, serial }) => [id, serial]),
    ).toEqual([['b1', 'SN1']])
  })
  it('with a fault names every row of it, as a spreadsheet counts, and is not taken', () => {
    expect(
      readSerialTable(
        [
          { place: 'p.r1c1', serial: 'A' },
          { place: 'p.r9c9', serial: 'B' },
          { place: 'p.r1c1', serial: 'C' },
          { place: 'p.r1c2' },
        ],
        array,
      ),
    ).toEqual({
      ok: false,
      faults: [
        { row: 3, reason: 'no device on the map at p.r9c9' },
        { row: 4, reason: 'p.r1c1 stands here twice' },
        { row: 5, reason: 'no serial for p.r1c2' },
      ],
    })
  })
  it('without rows says what it should have', () =>
    expect(readSerialTable([], array)).toMatchObject({ ok: false, faults: [{ row: 1 }] }))
})

it('the safe voltage points at the first unit that did not raise it, however many follow', () => {
  const grown = (readings: number[]) =>
    safeVoltageGrowth({ perUnit: 1, perUnitTolerance: 0.1, readings, uncertainty: 0 }).gapAt
  expect([grown([1, 2, 3]), grown([0.1, 1]), grown([1, 2, 2, 3]), grown([1, 1.4])]).toEqual([
    undefined,
    1,
    3,
    2,
  ])
})

it('a listener is held to the devices that it hears, not to those of another kind', () => {
  const listener = sheet('L', 'gateway', [{ id: 'm', kind: 'serial-map', hears: 'small-inverter' }])
  const named = (unitId: string, at: number, serial: string) => ({
    kind: 'devices-fitted' as const,
    body: {
      devices: [
        { id: serial, unitId, at: `p.r1c${at}`, feeds: [`p.r1c${at}`], idlePorts: 0, cappedPorts: 0, serial },
      ],
    },
  })
  const site = new Site()
    .unit(MODULE)
    .unit(sheet('S', 'small-inverter', []))
    .unit(sheet('E', 'module-electronics', []))
    .unit(listener)
    .write(plane(1, 3), named('S', 1, 'S1'), named('S', 2, 'S2'), named('E', 3, 'E3'), {
      kind: 'serials-reported',
      body: { unitId: 'L', serials: ['S1'] },
    })
  expect(arrayDrawing(site.inspection).planes[0]!.places.map(({ heard }) => heard)).toEqual([
    'heard',
    'silent',
    undefined,
  ])
})

it('a device whose module is on another map place keeps its own place', () => {
  const { planes } = arrayDrawing(
    new Site()
      .unit(MODULE)
      .unit(sheet('E', 'module-electronics', []))
      .write(plane(1, 3), devices('E', 2)).inspection,
  )
  expect(planes[0]!.places.map(({ device }) => device?.id)).toEqual(['b1', 'b2', undefined])
})

it.each([
  [1, ['p.r1c1', 'p.r1c2', 'p.r1c3', 'p.r2c1', 'p.r2c2', 'p.r2c3'], 0],
  [2, ['p.r1c1', 'p.r1c3', 'p.r2c1', 'p.r2c3'], 2],
] as const)(
  'devices for %s modules each stand along the rows, and what is left over is an idle port',
  (each, places, idle) => {
    let n = 0
    const fitted = devicesFor(placesOf({ ...PLANE, id: 'p', empty: [] }), {
      unitId: 'u',
      each,
      newId: () => `b${n++}`,
    })
    expect(fitted.map(({ at }) => at)).toEqual(places)
    expect(fitted.reduce((sum, { idlePorts }) => sum + idlePorts!, 0)).toBe(idle)
    expect(fitted.flatMap(({ feeds }) => feeds)).toHaveLength(6)
  },
)
