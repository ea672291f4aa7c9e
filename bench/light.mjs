import { light } from '../scripts/light.mjs'
import { table } from './reference.mjs'

/** What a browser loads before a view can be seen. */
export async function run() {
  table(light().map(({ view, kB, goal }) => [`${view}, gzip`, `${kB} kB`, goal ? `under ${goal} kB` : '']))
}
