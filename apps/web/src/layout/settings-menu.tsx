import { Box, Stack, chakra } from '@chakra-ui/react'
import { Settings } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Link } from 'react-router'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { prefer, usePreferences, type DecimalMark, type Mode } from '../data/preferences.js'

const DECIMALS: Option<DecimalMark>[] = [
  ['point', 'point, as in 1.5'],
  ['comma', 'comma, as in 1,5'],
]
const MODES: Option<Mode>[] = [
  ['light', 'light, for glare'],
  ['dark', 'dark, for plant rooms'],
]

/** What the owner of this device set once: how figures are typed, and light or dark. */
export function SettingsMenu() {
  const { mode, decimal } = usePreferences()
  const menu = useRef<HTMLDetailsElement>(null)
  useEffect(() => {
    const onPointer = ({ target }: PointerEvent) => {
      if (!menu.current?.contains(target as Node)) menu.current?.removeAttribute('open')
    }
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || !menu.current?.open) return
      // Taken here: the same key would close what is open behind the menu.
      event.preventDefault()
      menu.current.removeAttribute('open')
      menu.current.querySelector('summary')?.focus()
    }
    document.addEventListener('pointerdown', onPointer)
    document.addEventListener('keydown', onKey)
    return () => {
      document.removeEventListener('pointerdown', onPointer)
      document.removeEventListener('keydown', onKey)
    }
  }, [])
  return (
    <chakra.details ref={menu} position="relative">
      <chakra.summary
        aria-label="Settings"
        title="Settings"
        display="inline-flex"
        alignItems="center"
        justifyContent="center"
        minH="44px"
        minW="44px"
        cursor="pointer"
        color="accent"
        listStyleType="none"
        css={{ '&::-webkit-details-marker': { display: 'none' } }}
      >
        <Settings size={19} />
      </chakra.summary>
      <Box layerStyle="card" position="absolute" right={0} zIndex={20} w="240px" boxShadow="md">
        <Stack gap="12px">
          <ChoiceField
            label="Decimal mark"
            value={decimal}
            options={DECIMALS}
            onChange={(chosen) => prefer({ decimal: chosen })}
          />
          <ChoiceField
            label="Appearance"
            value={mode}
            options={MODES}
            onChange={(chosen) => prefer({ mode: chosen })}
          />
          <Link to="/device">On this device</Link>
          <Link to="/password">Your account</Link>
        </Stack>
      </Box>
    </chakra.details>
  )
}
