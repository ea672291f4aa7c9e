import { readFileSync, readdirSync } from 'node:fs'
import { parse } from 'yaml'
import { readSheet, type Sheet } from '@plumb-mark/core'
import type { Fact } from '../finders/spot.js'
import { openChanges, sheetOf } from '../workbench/make-sheet.js'
import { usualKinds } from '../workbench/usual.js'
import { decide, workbenchOf } from '../workbench/workbench.js'
import { compareEditions } from './compare.js'
import { newEdition, revisionAfter } from './new-edition.js'
import { factsOfSheet } from './sheet-facts.js'

type Data = Record<string, unknown>
const SAMPLES = readdirSync('samples/sheets').map((name): { name: string; data: Data; sheet: Sheet } => {
  const data = parse(readFileSync(`samples/sheets/${name}`, 'utf8')) as Data
  return { name, data, sheet: readSheet(data) }
})
const of = (name: string) => SAMPLES.find((one) => one.name === name)!
const C = of('aldervane-ah-8t-c.yaml')
const facts = factsOfSheet(C.sheet)
const at = (data: unknown, path: readonly (string | number)[]) =>
  path.reduce<unknown>((here, step) => (here as Data)[step], data)
const HEAD = { maker: 'Aldervane', model: 'AH-8T', revision: 'E', date: '2026-11-30', source: 'edition 5' }

/** The sheet's own demands as a manual would say them, some of them changed. */
const manualOf = (change: (fact: Fact) => Fact | undefined) =>
  facts.flatMap(({ fact }, i) => {
    const said = change({ ...fact, page: 1 + (i % 30), clause: `${i}.1` })
    return said ? [said] : []
  })
const allOf = (manual: readonly Fact[]) => new Map(manual.map((fact, i) => [i, fact]))

describe('a sheet as facts', () => {
  it.each(SAMPLES)('each demand of $name stands where it says', ({ data, sheet }) => {
    for (const { at: path, fact } of factsOfSheet(sheet)) {
      expect([path, at(data, path)]).toEqual([path, expect.anything()])
      expect(fact.subject).not.toBe('')
    }
  })

  it('what at least half of the sheets of a kind demand is usual', () => {
    const inverters = SAMPLES.filter(({ sheet }) => sheet.kind === 'hybrid-inverter').map(
      ({ sheet }) => sheet,
    )
    expect(usualKinds(inverters)).toEqual(
      expect.arrayContaining(['clearance', 'torque', 'conductor', 'setting']),
    )
    const modules = SAMPLES.filter(({ sheet }) => sheet.kind === 'module').map(({ sheet }) => sheet)
    expect(usualKinds(modules)).not.toContain('step')
  })
})

describe('a new edition', () => {
  it('that says the same changes no figure, only the places', () => {
    const manual = manualOf((fact) => fact)
    const comparison = compareEditions(manual, facts)
    expect(comparison.gone).toEqual([])
    expect([...comparison.of.values()].every(({ isSame }) => isSame)).toBe(true)
    const made = readSheet(newEdition(C.data, facts, comparison, allOf(manual), [], HEAD))
    const figures = (sheet: Sheet) =>
      factsOfSheet(sheet).map(({ fact: { kind, subject, min, max, value, text } }) => ({
        kind,
        subject,
        min,
        max,
        value,
        text,
      }))
    expect(figures(made)).toEqual(figures(C.sheet))
    expect(made.requirements.map(({ id }) => id)).toEqual(C.sheet.requirements.map(({ id }) => id))
    expect(made).toMatchObject({ revision: 'E', source: 'edition 5' })
  })

  it('a figure that differs is named beside that of before, and takes its place when it is accepted', () => {
    const manual = manualOf((fact) =>
      fact.kind === 'torque' && fact.min !== undefined ? { ...fact, min: fact.min - 0.2 } : fact,
    )
    const comparison = compareEditions(manual, facts)
    const changed = [...comparison.of].filter(([, { isSame }]) => !isSame)
    expect(changed.length).toBeGreaterThan(3)
    expect(changed.every(([i]) => manual[i]!.kind === 'torque')).toBe(true)
    const [number, { before }] = changed[0]!
    const one = newEdition(C.data, facts, comparison, new Map([[number, manual[number]!]]), [], HEAD)
    const again = factsOfSheet(readSheet(one))
    expect(again[before]!.fact.min).toBeCloseTo(facts[before]!.fact.min! - 0.2)
    expect(again.filter((fact, i) => fact.fact.min !== facts[i]!.fact.min)).toHaveLength(1)
  })

  it('what is not found any more stays until a person says that it is not demanded', () => {
    const manual = manualOf((fact) => (fact.kind === 'gland' || fact.kind === 'alarm' ? undefined : fact))
    const comparison = compareEditions(manual, facts)
    expect(new Set(comparison.gone.map((i) => facts[i]!.fact.kind))).toEqual(new Set(['gland', 'alarm']))
    const kept = newEdition(C.data, facts, comparison, allOf(manual), [], HEAD)
    expect(readSheet(kept).requirements).toHaveLength(C.sheet.requirements.length)
    const less = readSheet(newEdition(C.data, facts, comparison, allOf(manual), comparison.gone, HEAD))
    expect(less.requirements.some(({ kind }) => kind === 'gland')).toBe(false)
    expect(factsOfSheet(less).some(({ fact }) => fact.kind === 'alarm')).toBe(false)
    const left = facts.findIndex(({ fact }) => fact.subject === 'left')
    const open = readSheet(newEdition(C.data, facts, comparison, new Map(), [left], HEAD))
    expect(factsOfSheet(open)[left]!.fact).toMatchObject({ subject: 'left', min: 0 })
  })

  it('what is new is added under an id of its own', () => {
    const fresh: Fact = {
      kind: 'humidity',
      subject: 'relative humidity',
      max: 90,
      unit: '%',
      page: 4,
      clause: '3.9',
      text: '',
      box: { x0: 1, top: 2, x1: 3, bottom: 4 },
    }
    const comparison = compareEditions(
      [fresh],
      facts.filter(({ fact }) => fact.kind !== 'humidity'),
    )
    const made = readSheet(newEdition(C.data, facts, comparison, new Map([[0, fresh]]), [], HEAD))
    expect(made.requirements).toHaveLength(C.sheet.requirements.length + 1)
    expect(made.requirements.at(-1)).toMatchObject({ clause: '3.9', printed: { page: 4 }, max: '90 %' })
  })

  it('a figure that a person changed is taken, also where the print says the same as before', () => {
    const manual = manualOf((fact) => fact)
    const comparison = compareEditions(manual, facts)
    const i = manual.findIndex(({ subject }) => subject === 'above')
    const changed = { ...manual[i]!, min: 555 }
    const made = newEdition(C.data, facts, comparison, new Map([[i, changed]]), [], HEAD)
    expect(factsOfSheet(readSheet(made))[i]!.fact).toMatchObject({ subject: 'above', min: 555 })
  })

  it.each([
    ['the hole of the fixings', 'diameter', (sheet: Data) => sheet['diameter'] === undefined],
    ['the lower edge', 'height above the floor', (sheet: Data) => sheet['base'] === undefined],
  ])('%s goes by itself: what stands beside it, and the next demand, stay', (_what, subject, isGone) => {
    const i = facts.findIndex(({ fact }) => fact.subject === subject)
    const made = newEdition(C.data, facts, compareEditions([], facts), new Map(), [i], HEAD)
    const ids = (data: Data) => (data['requirements'] as Data[]).map(({ id }) => id)
    expect(ids(made)).toEqual(ids(C.data))
    const [list, item] = facts[i]!.at
    expect(isGone(at(made, [list!, item!]) as Data)).toBe(true)
    expect(Object.keys(at(made, [list!, item!]) as Data).length).toBeGreaterThan(5)
  })

  it('a wait goes without its step, a step with its wait, and each of several once', () => {
    const steps = facts.flatMap(({ at: path }, i) => (path[2] === 'steps' ? [i] : []))
    const [first] = steps.filter((i) => facts[i]!.fact.kind === 'wait')
    const owner = facts[first!]!.at.slice(0, 3)
    const ofOwner = steps.filter((i) => facts[i]!.at.slice(0, 3).join() === owner.join())
    const count = (data: Data) => (at(data, owner) as Data[]).length
    const without = (gone: readonly number[]) =>
      newEdition(C.data, facts, compareEditions([], facts), new Map(), gone, HEAD)
    const calm = without(ofOwner.filter((i) => facts[i]!.fact.kind === 'wait'))
    expect(count(calm)).toBe(count(C.data))
    expect((at(calm, owner) as Data[]).every((step) => step['wait'] === undefined)).toBe(true)
    const both = ofOwner.filter((i) => facts[i]!.at[3] === facts[first!]!.at[3])
    expect(both).toHaveLength(2)
    expect(count(without(both))).toBe(count(C.data) - 1)
  })

  it('whatever goes, no other demand goes with it', () => {
    const none = compareEditions([], facts)
    const without = (gone: readonly number[]) =>
      (newEdition(C.data, facts, none, new Map(), gone, HEAD)['requirements'] as Data[]).map(({ id }) => id)
    const keptBeside = (touched: ReadonlySet<unknown>) =>
      C.sheet.requirements.flatMap(({ id }, k) => (touched.has(k) ? [] : [id]))
    const ownerOf = (i: number) => (facts[i]!.at[0] === 'requirements' ? facts[i]!.at[1] : undefined)
    for (const [i, { at: path }] of facts.entries())
      expect([path, without([i])]).toEqual([path, expect.arrayContaining(keptBeside(new Set([ownerOf(i)])))])
    const all = facts.map((_, i) => i)
    expect(without(all)).toEqual(expect.arrayContaining(keptBeside(new Set(all.map(ownerOf)))))
  })

  it('of two places that contradict each other the accepted one takes the place of the demand, and none is added', () => {
    const above = facts.find(({ fact }) => fact.subject === 'above')!.fact
    const twice = [400, 450].map((min, k): Fact => ({
      ...above,
      min,
      page: 3 + k,
      clause: `${k}`,
      contradicts: true,
    }))
    const comparison = compareEditions(twice, facts)
    expect([comparison.of.get(0)!.isSame, comparison.of.get(1)!.isSame]).toEqual([true, false])
    const bench = workbenchOf(twice)
    const edition = { data: C.data, facts, comparison, removed: [] }
    expect(openChanges(bench, edition)).toBe(1)
    const decided = decide(bench, 1, { kind: 'accepted' })
    expect(openChanges(decided, edition)).toBe(0)
    const made = readSheet(sheetOf(decided, 'inverter', HEAD, edition))
    expect(made.requirements).toHaveLength(C.sheet.requirements.length)
    expect(factsOfSheet(made).find(({ fact }) => fact.subject === 'above')!.fact.min).toBe(450)
  })

  it('a setting is written in the unit in which the display shows it', () => {
    const i = facts.findIndex(({ fact, shownIn }) => fact.kind === 'setting' && shownIn === 'kW')
    expect(facts[i]!.fact).toMatchObject({ unit: 'W', min: 0, max: 8000 })
    const said = { ...facts[i]!.fact, max: 6000 }
    const comparison = compareEditions([said], facts)
    const made = newEdition(C.data, facts, comparison, allOf([said]), [], HEAD)
    expect(at(made, facts[i]!.at)).toEqual({ min: 0, max: 6 })
  })

  it('a figure that the print gives alone is the bound that a person made of it', () => {
    const i = facts.findIndex(
      ({ fact }) => fact.kind === 'fixing' && fact.min !== undefined && fact.max === undefined,
    )
    const { min, ...rest } = facts[i]!.fact
    const isSame = (value: number) => compareEditions([{ ...rest, value }], facts).of.get(0)!.isSame
    expect([isSame(min!), isSame(min! + 5)]).toEqual([true, false])
  })

  it.each([
    ['C', 'D'],
    ['3', '4'],
    ['2026-04', '2026-04.1'],
    ['Z', 'Z.1'],
  ])('after revision %s comes %s', (now, next) => expect(revisionAfter(now)).toBe(next))

  it('a revision that somebody has written is passed over', () =>
    expect(revisionAfter('C', ['A', 'C', 'D', 'E'])).toBe('F'))
})
