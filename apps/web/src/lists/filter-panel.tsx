import { Box, Button, Grid } from '@chakra-ui/react'
import { SlidersHorizontal } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { TextField } from '../ui/text-field.js'
import type { useListAddress } from './list-address.js'

type Address = ReturnType<typeof useListAddress>

/** One way of narrowing a list: a choice, or text or a day that is typed. */
export type Filter = { name: string; label: string } & (
  { options: readonly Option[]; any: string } | { type: 'text' | 'date' }
)

/** What narrows a list, folded away until it is wanted; how much of it is in force stands on the button. */
export function FilterPanel({
  filters,
  address: { value, ask },
  children,
}: {
  filters: readonly Filter[]
  address: Address
  children?: ReactNode
}) {
  const inForce = filters.filter(({ name }) => value(name) !== '').length
  const [open, setOpen] = useState(false)
  const none = () => ask(Object.fromEntries(filters.map(({ name }) => [name, undefined])))
  return (
    <>
      <Button variant="outline" aria-expanded={open} onClick={() => setOpen(!open)} h="48px">
        <SlidersHorizontal size={18} /> Filter{inForce > 0 ? ` (${inForce})` : ''}
      </Button>
      {open && (
        <Box w="100%" role="group" aria-label="Filter">
          <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="12px" alignItems="end">
            {filters.map((filter) =>
              'options' in filter ? (
                <ChoiceField
                  key={filter.name}
                  label={filter.label}
                  value={value(filter.name)}
                  options={[['', filter.any], ...filter.options]}
                  onChange={(next) => ask({ [filter.name]: next })}
                />
              ) : (
                <TextField
                  key={`${filter.name} ${value(filter.name) === ''}`}
                  label={filter.label}
                  type={filter.type}
                  value={value(filter.name)}
                  onChange={(next) => ask({ [filter.name]: next })}
                />
              ),
            )}
            {inForce > 0 && (
              <Button variant="plain" onClick={none}>
                Clear
              </Button>
            )}
            {children}
          </Grid>
        </Box>
      )}
    </>
  )
}
