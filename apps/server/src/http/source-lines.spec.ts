import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { inSources } from './source-lines.js'

const dir = mkdtempSync(join(tmpdir(), 'plumb-mark-lines-'))
afterAll(() => rmSync(dir, { recursive: true }))

/** Line 3 of the bundle, from its first column on, is line 2 of the source, from its fifth on. */
const MAP = { version: 3, sources: ['../src/jobs/jobs.service.ts'], names: [], mappings: ';;AACI' }
const bundle = (name: string, map: string) => {
  writeFileSync(join(dir, `${name}.js.map`), map)
  return join(dir, `${name}.js`)
}

it('a fault in the bundle is logged with the line of its source, by path and by address', () => {
  const file = bundle('main', JSON.stringify(MAP))
  const source = join(dir, '..', 'src', 'jobs', 'jobs.service.ts')
  expect(inSources(`Error: full\n    at keep (file://${file}:3:9)\n    at ${file}:3:1`)).toBe(
    `Error: full\n    at keep (${source}:2:5)\n    at ${source}:2:5`,
  )
})

it.each([
  ['without a map', () => join(dir, 'none.js')],
  ['with a map that is none', () => bundle('broken', '{"version":3,')],
])('%s the stack stays as it is', (_name, file) => {
  const stack = `Error: full\n    at keep (${file()}:3:9)\n    at node:internal/timers:581:17`
  expect(inSources(stack)).toBe(stack)
})
