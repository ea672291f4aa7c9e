// npm run campaign -- [--runs N] [--seed N] [--write]: random installations, each with exactly one fault planted, and clean ones between;
// --write puts what was counted into the README.
import { parseArgs } from 'node:util'
import { build, installPackages } from '../scripts/shared.mjs'

const { values } = parseArgs({
  options: {
    runs: { type: 'string', default: '1000' },
    seed: { type: 'string', default: '1' },
    write: { type: 'boolean', default: false },
  },
})
installPackages()
build()
const { campaign } = await import('./campaign.mjs')
const { kinds, planted, missed, clean, signable, alarms, ranked, first, mutated, unmoved, seconds } =
  campaign(Number(values.runs), Number(values.seed), (done, { missed, alarms }) =>
    console.log(`${done} of ${values.runs}: ${missed.length} missed, ${alarms.length} false alarms`),
  )

console.log(
  `${planted} installations with one fault each, of ${kinds.size} kinds, seed ${values.seed}, in ${seconds.toFixed(1)} s`,
)
console.log(`passed as conforms although faulty: ${missed.length}`)
for (const { name, seed } of missed.slice(0, 10)) console.log(`  ${name} (installation ${seed})`)
console.log(`false alarms on ${clean} clean ones: ${alarms.length}`)
for (const { seed, said } of alarms.slice(0, 10)) console.log(`  installation ${seed}: ${said}`)
console.log(`of the clean ones clear to sign: ${signable}`)
console.log(`the planted cause first, where readings tell it apart: ${first} of ${ranked}`)
console.log(`answers of which one part was taken away: ${mutated}, still conforming: ${unmoved.length}`)
for (const said of unmoved.slice(0, 10)) console.log(`  ${said}`)
if (values.write) {
  const { referenceLoop } = await import('../bench/reference.mjs')
  const { writeFigures } = await import('../bench/readme.mjs')
  const rows = [
    [
      `planted, one each in as many installations, seed ${values.seed}`,
      `${planted} of ${kinds.size} kinds`,
      '',
    ],
    ['could have been signed although planted', missed.length, 'none'],
    [`false alarms on ${clean} that are all right`, alarms.length, 'none'],
    ['of these clear to sign', signable, 'half'],
    ['the planted cause named first', `${first} of ${ranked}`, 'at least 98 %'],
    [`still conforming, of ${mutated} answers without one part`, unmoved.length, 'none'],
    ['in all', `${Math.round(seconds)} s`, ''],
  ]
  const day = new Date().toISOString().slice(0, 10)
  await writeFigures('campaign', rows, { loop: referenceLoop(), day })
}
const KINDS_WANTED = 120
if (kinds.size < KINDS_WANTED && Number(values.runs) >= 1000)
  console.log(`only ${kinds.size} kinds of fault came up`)
const found = missed.length + alarms.length + unmoved.length === 0
process.exit(found && first >= 0.98 * ranked && 2 * signable >= clean ? 0 : 1)
