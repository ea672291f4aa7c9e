import { People } from '../office/people.js'
import { Note } from '../ui/theme/text.js'

/** People are let in here as they are under Office, with what each role does said once. */
export const FirstPeople = () => (
  <>
    <Note>
      An inspector inspects, an installer reworks what is shared with them, a reviewer signs under a licence,
      and the office keeps people, sheets and instruments. Whoever signs is not who inspected.
    </Note>
    <People />
  </>
)
