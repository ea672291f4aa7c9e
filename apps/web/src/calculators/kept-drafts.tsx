import { Box, Button, Flex } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useState } from 'react'
import type { CalculatorName } from '@plumb-mark/core'
import { SmallPrint } from '../ui/theme/text.js'
import { TextField } from '../ui/text-field.js'
import { whenHere } from '../data/here-time.js'
import { CATALOGUE } from '../data/calculators/catalogue.js'
import { useRecent } from './recent.js'
import { Cluster } from '../ui/cluster.js'
import { IconButton } from '../ui/buttons.js'

type Draft = Record<string, unknown>

/** Presets under a name, the last few, and the example, to begin with again. */
export function KeptDrafts({
  name,
  draft,
  onTake,
}: {
  name: CalculatorName
  draft: Draft
  onTake: (draft: Draft) => void
}) {
  const { presets, recent, save, remove } = useRecent()
  const [naming, setNaming] = useState<string>()
  const own = presets[name] ?? []
  const lately = recent[name] ?? []
  const keep = () => {
    if (!naming?.trim()) return
    save(name, naming.trim(), draft)
    setNaming(undefined)
  }
  return (
    <Box mt="16px">
      <Cluster gap="6px">
        <Button variant="outline" onClick={() => onTake(CATALOGUE[name].example)}>
          Example
        </Button>
        {own.map((preset) => (
          <Flex key={preset.name}>
            <Button variant="outline" onClick={() => onTake(preset.draft)}>
              {preset.name}
            </Button>
            <IconButton aria-label={`Remove ${preset.name}`} onClick={() => remove(name, preset.name)}>
              <X size={16} />
            </IconButton>
          </Flex>
        ))}
        {naming === undefined ? (
          <Button variant="plain" onClick={() => setNaming('')}>
            Save as a preset
          </Button>
        ) : (
          <Flex
            as="form"
            gap="6px"
            align="end"
            onSubmit={(event: React.FormEvent) => (event.preventDefault(), keep())}
          >
            <TextField label="Name of the preset" value={naming} onChange={setNaming} autoFocus />
            <Button type="submit" disabled={naming.trim() === ''}>
              Save
            </Button>
          </Flex>
        )}
      </Cluster>
      {lately.length > 0 && (
        <Cluster gap="2px 6px" mt="6px">
          <SmallPrint>Lately</SmallPrint>
          {lately.map((one) => (
            <Button key={one.name} variant="plain" onClick={() => onTake(one.draft)}>
              {whenHere(one.name)}
            </Button>
          ))}
        </Cluster>
      )}
    </Box>
  )
}
