import { chakra } from '@chakra-ui/react'
import { CircleHelp } from 'lucide-react'
import { useEffect } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'

/** The help of the screen at hand, by touch or by its key. */
export function HelpLink() {
  const { pathname } = useLocation()
  const go = useNavigate()
  const to = `/help?at=${encodeURIComponent(pathname)}`
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = (event.target as HTMLElement).closest?.('input, textarea, select, [contenteditable]')
      // The walk has a list of its keys under the same one.
      if (event.key !== '?' || isTyping || /\/walk(\/|$)/.test(pathname)) return
      void go(to)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [go, pathname, to])
  return (
    <chakra.div
      asChild
      color="accent"
      minH="44px"
      minW="44px"
      display="inline-flex"
      alignItems="center"
      justifyContent="center"
    >
      <Link to={to} aria-label="Help" title="Help">
        <CircleHelp size={19} />
      </Link>
    </chakra.div>
  )
}
