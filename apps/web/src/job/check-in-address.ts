import { useEffect, useRef } from 'react'
import { useSearchParams } from 'react-router'
import { useFocus } from './focus.js'

/** The field of the address that names a check. */
export const CHECK_FIELD = 'check'

/** The address of a check that is open in its stage. */
export const checkAddress = (jobId: string, stage: string, checkId: string): string =>
  `/jobs/${jobId}/walk/${stage}?${CHECK_FIELD}=${encodeURIComponent(checkId)}`

/** The open check stands in the address, so that a link, the back button and a reload return to it. */
export function useCheckInAddress(): void {
  const [fields, setFields] = useSearchParams()
  const named = fields.get(CHECK_FIELD) ?? undefined
  const { checkId, openCheck } = useFocus()
  const before = useRef(checkId)
  useEffect(() => {
    if (named !== useFocus.getState().checkId) openCheck(named)
  }, [named, openCheck])
  useEffect(() => {
    if (before.current === checkId) return
    before.current = checkId
    if (checkId !== named) setFields(checkId ? { [CHECK_FIELD]: checkId } : {})
    // Only an opened check changes the address; a changed address opens its check above.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [checkId])
}
