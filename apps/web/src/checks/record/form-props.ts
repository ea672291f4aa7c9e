import type { AnswerOf, Form, FormName, Defect } from '@plumb-mark/core'

/** What every form of an answer takes: what is asked, what is answered so far, and where the next state goes. */
export interface FormProps<F extends FormName> {
  form: Extract<Form, { form: F }>
  answer: AnswerOf<F> | undefined
  onChange: (answer: AnswerOf<F> | undefined) => void
  /** Stop defects that forbid what the form is about. */
  held?: readonly Defect[]
}
