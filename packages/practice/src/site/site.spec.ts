import { BadInput, blockers } from '@plumb-mark/core'
import { Chance } from '../chance.js'
import { LIBRARY } from '../made.testing.js'
import { KIT_NAMES, answerAll, cleanSite } from './index.js'

const site = (seed: number, kit = KIT_NAMES[seed % KIT_NAMES.length]!) =>
  cleanSite(new Chance(seed), LIBRARY, { kit })

describe('an installation that is made up', () => {
  it.each(KIT_NAMES)('of %s has nothing proven before anybody looked', (kit) => {
    for (let seed = 1; seed <= 6; seed++) {
      const { checks, verdict } = site(seed, kit).inspection()
      const looked = checks.filter(
        ({ check, outcome }) => check.ask.kind !== 'derived' && outcome.verdict === 'conforms',
      )
      expect([kit, seed, looked.map(({ check }) => check.id)]).toEqual([kit, seed, []])
      expect(verdict).not.toBe('conforms')
    }
  })
  it.each(KIT_NAMES)('of %s, answered as it is, conforms throughout and could be signed', (kit) => {
    for (let seed = 1; seed <= 6; seed++) {
      const clean = site(seed, kit)
      answerAll(clean)
      const inspection = clean.inspection()
      const wrong = inspection.checks.filter(
        ({ outcome }) => outcome.verdict !== 'conforms' && outcome.verdict !== 'not-applicable',
      )
      expect([kit, seed, wrong.map(({ check }) => check.id)]).toEqual([kit, seed, []])
      expect(blockers(inspection)).toEqual([])
    }
  })
  it('is the same for the same seed, to the last figure, and another for another', () => {
    const entries = (seed: number) => JSON.stringify(site(seed, 'hybrid').entries)
    expect(entries(11)).toBe(entries(11))
    expect(new Set([11, 12, 13, 14].map(entries)).size).toBe(4)
  })
  it('hangs everything within its walls, and nothing upon another', () => {
    for (let seed = 1; seed <= 12; seed++)
      for (const { wall, input } of site(seed).inspection().walls) {
        for (const { id, x, y, w, h } of input.items) {
          expect([seed, id, x >= 0, y >= 0]).toEqual([seed, id, true, true])
          expect(wall.width === undefined || x + w <= wall.width + 1e-6).toBe(true)
          const on = input.items.filter(
            (other) =>
              other.id !== id &&
              x < other.x + other.w &&
              other.x < x + w &&
              y < other.y + other.h &&
              other.y < y + h,
          )
          expect([seed, id, on.map((other) => other.id)]).toEqual([seed, id, []])
        }
      }
  })
  it('keeps to what was wished of its size', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const small = cleanSite(new Chance(seed), LIBRARY, { kit: 'hybrid', inverters: 1, batteries: 0 })
      const kinds = small
        .inspection()
        .state.asBuilt.units.map(({ sheetId }) => small.sheets.get(sheetId)!.kind)
      expect(kinds.filter((kind) => kind === 'hybrid-inverter')).toHaveLength(1)
      expect(kinds).not.toContain('battery')
    }
  })
  it('of a library that lacks a sheet is refused, with which', () => {
    const without = new Map([...LIBRARY].filter(([id]) => !id.startsWith('wendlemere')))
    expect(() => cleanSite(new Chance(1), without, { kit: 'hybrid' })).toThrow(BadInput)
    expect(() => cleanSite(new Chance(1), without, { kit: 'hybrid' })).toThrow('wendlemere')
  })
})

describe('a site that is changed by hand', () => {
  it('says whether there was anything to change or to remove', () => {
    const made = site(3, 'hybrid')
    expect(made.change('unit-fitted', 'modules', () => ({ label: 'Panels' }))).toBe(true)
    expect(made.change('unit-fitted', 'nowhere', () => ({ label: 'x' }))).toBe(false)
    expect(made.remove(({ kind }) => kind === 'string-built')).toBe(true)
    expect(made.remove(({ kind }) => kind === 'string-built')).toBe(false)
    expect(made.inspection().context.strings()).toEqual([])
  })
})

describe('chance', () => {
  it('lies within what is asked, and reaches both ends', () => {
    const chance = new Chance(5)
    const seen = new Set(Array.from({ length: 400 }, () => chance.whole(2, 5)))
    expect([...seen].sort()).toEqual([2, 3, 4, 5])
    for (let i = 0; i < 400; i++) {
      const drawn = chance.between(-1, 1)
      expect(drawn >= -1 && drawn < 1).toBe(true)
    }
  })
  it('shuffles without losing or doubling anything', () => {
    const all = Array.from({ length: 30 }, (_, i) => i)
    const shuffled = new Chance(9).shuffled(all)
    expect([...shuffled].sort((a, b) => a - b)).toEqual(all)
    expect(shuffled).not.toEqual(all)
    expect(all[0]).toBe(0)
  })
})
