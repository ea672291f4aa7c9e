// What a browser loads before anything can be seen, gzip kB, from the built web: fails where it has grown too heavy.
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { pathToFileURL } from 'node:url'
import { at } from './shared.mjs'

const DIST = ['apps', 'web', 'dist']
const STAGES = {
  identify: 'identify/units',
  'place and mount': 'place-and-mount/walls',
  roof: 'roof/roof',
  earthing: 'earthing/bonding-tree',
  dc: 'dc/direct-current',
  ac: 'ac/alternating-current',
  battery: 'battery/battery',
  meter: 'meter/meter',
  'power up': 'power-up/power-up',
  commission: 'commission/commission',
  'close up': 'close-up/close-up',
}
const JOB = ['src/walk/job-frame.tsx', 'src/walk/walk-view.tsx']

/** Every view that is opened by its address, what it may weigh at most, and what it weighs. Charts and recognisers come after it. */
export function light() {
  const manifest = JSON.parse(readFileSync(at(...DIST, '.vite', 'manifest.json'), 'utf8'))
  const kB = (...views) => {
    const files = new Set()
    const visit = (key) => {
      const chunk = manifest[key]
      if (!chunk) throw new Error(`${key} is not in the built web`)
      if (files.has(chunk.file)) return
      files.add(chunk.file)
      chunk.imports?.forEach(visit)
    }
    for (const view of ['index.html', ...views]) visit(view)
    const bytes = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(at(...DIST, file))).length, 0)
    return Math.round(bytes / 1024)
  }
  return [
    { view: 'first load: all that index.html links', kB: kB(), most: 200, goal: 180 },
    { view: 'sign in', kB: kB('src/account/sign-in.tsx'), most: 260, goal: undefined },
    { view: 'list of jobs', kB: kB('src/jobs/jobs-view.tsx'), most: 260, goal: undefined },
    ...Object.entries(STAGES).map(([stage, file]) => ({
      view: `walk at ${stage}, core and its picture included`,
      kB: kB(...JOB, `src/stages/${file}.tsx`),
      most: 400,
      goal: 400,
    })),
  ]
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const heavy = light().filter(({ kB, most }) => kB > most)
  for (const { view, kB, most } of heavy) console.log(`${view}: ${kB} kB, at most ${most} kB`)
  process.exit(heavy.length === 0 ? 0 : 1)
}
