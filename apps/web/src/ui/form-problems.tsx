import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useId,
  useMemo,
  useState,
  type ReactNode,
} from 'react'

const Report = createContext<(field: string, unreadable: boolean) => void>(() => undefined)

/** A form whose fields tell it what they cannot read: while one of them holds something that is no figure, nothing is saved. */
export function FormProblems({ children }: { children: (unreadable: boolean) => ReactNode }) {
  const [fields, setFields] = useState<ReadonlySet<string>>(new Set())
  const report = useCallback(
    (field: string, unreadable: boolean) =>
      setFields((before) => {
        if (before.has(field) === unreadable) return before
        const next = new Set(before)
        if (unreadable) next.add(field)
        else next.delete(field)
        return next
      }),
    [],
  )
  const shown = useMemo(() => children(fields.size > 0), [children, fields])
  return <Report value={report}>{shown}</Report>
}

/** Tells the form around it that this field cannot be read; taken back when it can, or when it goes. */
export function useFormProblem(unreadable: boolean): void {
  const id = useId()
  const report = useContext(Report)
  useEffect(() => {
    report(id, unreadable)
    return () => report(id, false)
  }, [id, report, unreadable])
}
