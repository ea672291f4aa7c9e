import { parse } from 'yaml'
import { sheetSchema } from '@plumb-mark/core'
import { editText } from './apply-change.js'
import { schemaAt, valuesOf } from './schema-at.js'
import { placeInYaml } from './yaml-path.js'

describe('the place of the cursor', () => {
  it.each<[string, string, (string | number)[], boolean, string]>([
    ['a key at the top', 'maker: A\nmo', [], true, 'mo'],
    ['a value at the top', 'kind: hyb', ['kind'], false, 'hyb'],
    ['a key inside', 'size:\n  wid', ['size'], true, 'wid'],
    ['the first key of a list item', 'requirements:\n  - i', ['requirements', 0], true, 'i'],
    [
      'a later key of the second item',
      'requirements:\n  - id: a\n    kind: limits\n  - id: b\n    sta',
      ['requirements', 1],
      true,
      'sta',
    ],
    [
      'a value in an item',
      'requirements:\n  - id: a\n    kind: lim',
      ['requirements', 0, 'kind'],
      false,
      'lim',
    ],
    [
      'a key in a flow map',
      'requirements:\n  - id: a\n    clear: { left: 1, ri',
      ['requirements', 0, 'clear'],
      true,
      'ri',
    ],
    ['a value in a flow map', 'size: { width: 5', ['size', 'width'], false, '5'],
    ['a key back at the top', 'size:\n  width: 1\nreq', [], true, 'req'],
    [
      'a list flush with its key',
      'tools:\n- a\nrequirements:\n- id: x\n  ki',
      ['requirements', 0],
      true,
      'ki',
    ],
  ])('%s', (_where, before, path, atKey, written) =>
    expect(placeInYaml(before)).toEqual({ path, atKey, written }),
  )
})

describe('what the format knows there', () => {
  const schema = sheetSchema()
  it('offers the kinds before one is chosen', () =>
    expect(valuesOf(schemaAt(schema, ['requirements', 0, 'kind'], { requirements: [{}] })!)).toContain(
      'ordered-steps',
    ))
  it('and the fields of the kind that was', () => {
    const fields = (kind: string) =>
      Object.keys(schemaAt(schema, ['requirements', 0], { requirements: [{ kind }] })!.properties!)
    expect(fields('clearance')).toContain('keepOut')
    expect(fields('observation')).not.toContain('keepOut')
  })
  it('words of a closed list, inside an item inside a list', () =>
    expect(valuesOf(schemaAt(schema, ['terminals', 0, 'clamp'], {})!)).toEqual([
      'torque',
      'spring',
      'quarter-turn',
      'crimp',
      'click',
    ]))
  it('nothing where nothing is described', () =>
    expect(schemaAt(schema, ['nonsense', 'deeper'], {})).toBeUndefined())
})

describe('a change in the form', () => {
  const SOURCE = `# our own notes\nmaker: A # the maker\nsize: { width: 1 mm,   height: 2 mm }\ntools: [a,b]\nrequirements:\n  - id: a\n    title: First\n  - id: b\n    title: Second # keep\n`
  const change = (
    edit: (
      data: { size?: object; requirements: { id: string; title: string }[] } & Record<string, unknown>,
    ) => void,
  ) => {
    const [before, after] = [parse(SOURCE), parse(SOURCE)]
    edit(after)
    const text = editText(SOURCE, before, after)
    expect(parse(text)).toEqual(JSON.parse(JSON.stringify(after)))
    return text
  }
  it('writes that one figure, and leaves the notes alone', () =>
    expect(change((data) => (data['maker'] = 'B'))).toBe(SOURCE.replace('maker: A', 'maker: B')))
  it('in a list item too', () =>
    expect(change((data) => (data.requirements[1]!.title = 'Other'))).toBe(SOURCE.replace('Second', 'Other')))
  it('puts a word that YAML would read as something else in quotes', () =>
    expect(change((data) => (data['maker'] = 'on: off'))).toContain('maker: "on: off" # the maker'))
  it('adds an item at the end', () =>
    expect(change((data) => data.requirements.push({ id: 'c', title: 'Third' }))).toContain('id: c'))
  it('removes one, and a field', () => {
    const text = change((data) => (data.requirements.pop(), delete data.size))
    expect(text).not.toMatch(/size|Second/)
    expect(text).toContain('# our own notes')
  })
  it('nothing changed writes nothing', () => expect(change(() => undefined)).toBe(SOURCE))
})
