// npm run bench -- [--write] [light|core|electrical|job|web|tablet|report|manual|nameplate|hand|first-week|devices|many|load ...]: prints what was measured on this machine,
// beside a reference loop; --write puts it into the README.
import { parseArgs } from 'node:util'
import { prepare } from '../scripts/shared.mjs'
import { SECTIONS, writeFigures } from './readme.mjs'
import { ms, referenceLoop, takePrinted } from './reference.mjs'

const { values, positionals: wanted } = parseArgs({
  options: { write: { type: 'boolean', default: false } },
  allowPositionals: true,
})
prepare()
const sections = SECTIONS.filter((name) => wanted.length === 0 || wanted.includes(name))
console.log(`Node ${process.version}`)
for (const name of sections) {
  // Beside every section, since a shared machine is not the same for an hour.
  const loop = referenceLoop()
  console.log(`\n${name}, reference loop of 10 million steps: ${ms(loop)}`)
  await (await import(`./${name}.mjs`)).run()
  const day = new Date().toISOString().slice(0, 10)
  const rows = takePrinted()
  if (values.write && rows.length > 0) await writeFigures(name, rows, { loop, day })
}
