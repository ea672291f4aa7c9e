import { pastedBlock } from './pasted-block.js'

const pasted = (text: string) =>
  pastedBlock({ clipboardData: { getData: () => text }, preventDefault() {} } as never)

it.each([
  [
    '401\t20\n402\t30\n',
    [
      ['401', '20'],
      ['402', '30'],
    ],
  ],
  // A comma may be the decimal mark.
  ['401,5\n402,3', [['401,5'], ['402,3']]],
  [
    '401;20\n402;30',
    [
      ['401', '20'],
      ['402', '30'],
    ],
  ],
  // What is empty in front keeps its place.
  [
    '\t20\n402\t30',
    [
      ['', '20'],
      ['402', '30'],
    ],
  ],
])('%j is a block of cells', async (text, block) => expect(await pasted(text)).toEqual(block))

it('a text of one cell is pasted as ever', async () => {
  expect(await pasted('401,5')).toBeUndefined()
  expect(await pasted('401\n')).toBeUndefined()
})
