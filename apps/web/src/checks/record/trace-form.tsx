import { Note } from '../../ui/theme/text.js'
import type { FormProps } from './form-props.js'

/** A trace is recorded, read from a file or typed in the picture, where it can be seen as it grows. */
export function TraceForm({ form: { channel, event }, answer }: FormProps<'trace'>) {
  return (
    <Note>
      {answer
        ? `${answer.trace.samples} samples of ${answer.channel} are kept. Try it again in the picture.`
        : `Record ${channel} in the picture, with the moment at which ${event}.`}
    </Note>
  )
}
