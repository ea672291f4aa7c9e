import { Terminals } from '../terminals.js'
import { Glands } from './glands.js'
import { OneLine } from './one-line.js'

/** Who feeds what, the glands, and the terminals of the AC side. */
export function AlternatingCurrent() {
  return (
    <>
      <OneLine />
      <Glands />
      <Terminals side="ac" />
    </>
  )
}
