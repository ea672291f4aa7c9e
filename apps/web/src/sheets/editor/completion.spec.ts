import { CompletionContext } from '@codemirror/autocomplete'
import { EditorState } from '@codemirror/state'
import { completeSheet } from './completion.js'

/** What is offered at the stroke in a text, as by a keypress or, `asked` for, by the shortcut. */
function offered(text: string, asked = false) {
  const pos = text.indexOf('|')
  const found = completeSheet(
    new CompletionContext(EditorState.create({ doc: text.replace('|', '') }), pos, asked),
  )
  return (
    found && { from: found.from, words: found.options.map(({ label }) => label), first: found.options[0] }
  )
}

const HEAD = 'format: plumb-mark-sheet\nversion: 1\nmaker: A\n'
const item = (line: string) => `${HEAD}requirements:\n  - id: a\n    kind: clearance\n    ${line}`

it('offers the fields of the head that are not there yet, the required ones named as such', () => {
  const { words, from, first } = offered(`${HEAD}mo|`)!
  expect(words).toContain('model')
  expect(words).not.toContain('maker')
  expect(from).toBe(HEAD.length)
  expect(first).toMatchObject({ apply: expect.stringMatching(/: $/), detail: expect.any(String) })
})
it('offers the words of a closed list as soon as its field is there', () =>
  expect(offered(`${HEAD}kind: |`)!.words).toContain('hybrid-inverter'))
it('offers the fields of the kind at hand', () => {
  const { words } = offered(item('ke|'))!
  expect(words).toEqual(expect.arrayContaining(['keepOut', 'neighbour']))
  expect(words).not.toContain('question')
})
it('offers what stands in a condition', () =>
  expect(offered(item('when: { pla|'))!.words).toEqual(
    expect.arrayContaining(['placed', 'mounted', 'battery']),
  ))
it('keeps still on an empty line until it is asked', () => {
  expect(offered(`${HEAD}|`)).toBeNull()
  expect(offered(`${HEAD}|`, true)!.words).toContain('model')
})
it('has nothing to offer where nothing is described', () =>
  expect(offered(`${HEAD}nonsense:\n  dee|`)).toBeNull())
it('reads past the line that is being written', () =>
  expect(
    offered(`${HEAD}kind: meter\nrequirements:\n  - id: a\n    kind: bus\n    terminat|\n    stage: meter`)!
      .words,
  ).toContain('terminators'))
