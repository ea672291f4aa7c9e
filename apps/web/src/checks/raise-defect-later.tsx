import { Suspense, lazy, type ComponentProps } from 'react'
import { Note } from '../ui/theme/text.js'

/** Its form comes with a library of its own: it is fetched when the first check fails. */
const RaiseDefect = lazy(() =>
  import('./raise-defect.js').then(({ RaiseDefect: form }) => ({ default: form })),
)

/** The defect that a failed check offers, once its form is here. */
export const RaiseDefectLater = (props: ComponentProps<typeof RaiseDefect>) => (
  <Suspense fallback={<Note>The defect that this makes is coming …</Note>}>
    <RaiseDefect {...props} />
  </Suspense>
)
