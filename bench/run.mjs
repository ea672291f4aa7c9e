// npm run bench [-- core|electrical|job|web|report|hand|devices|many|load ...]: prints what was measured on this machine, beside a reference loop.
import { build, install } from '../scripts/shared.mjs'
import { ms, referenceLoop } from './reference.mjs'

install()
build()
const wanted = process.argv.slice(2)
const sections = ['core', 'electrical', 'job', 'web', 'report', 'hand', 'devices', 'many', 'load'].filter(
  (name) => wanted.length === 0 || wanted.includes(name),
)
console.log(`Node ${process.version}, reference loop of 10 million steps: ${ms(referenceLoop())}\n`)
for (const name of sections) {
  console.log(`${name}`)
  await (await import(`./${name}.mjs`)).run()
  console.log('')
}
