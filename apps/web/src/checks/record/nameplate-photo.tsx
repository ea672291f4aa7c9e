import { Box, Button, Grid, Text } from '@chakra-ui/react'
import { Camera, Check } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { isSameOnPlate, type FormField } from '@plumb-mark/core'
import { readNameplate, warmRecogniser, type ReadLine } from '../../data/workers/read-nameplate.js'
import { Problem } from '../../ui/problem.js'
import { Note } from '../../ui/theme/text.js'
import { FileButton } from '../../ui/file-button.js'

type State =
  { at: 'none' } | { at: 'reading' } | { at: 'read'; lines: ReadLine[] } | { at: 'refused'; message: string }

/** Reads the lines of a nameplate off a photo. What was read is proposed beside its cut-out, and taken by a touch. */
export function NameplatePhoto({
  fields,
  onTake,
}: {
  fields: readonly FormField[]
  onTake: (typed: Record<string, string>) => void
}) {
  const [state, setState] = useState<State>({ at: 'none' })
  useEffect(() => {
    // Where it cannot be loaded now, the photo itself will say so.
    if (navigator.onLine) warmRecogniser().catch(() => undefined)
  }, [])
  const read = async (photo: File) => {
    setState({ at: 'reading' })
    try {
      const lines = await readNameplate(
        photo,
        fields.map(({ id, label }) => ({ id, label })),
      )
      setState({ at: 'read', lines })
    } catch (problem) {
      setState({ at: 'refused', message: (problem as Error).message })
    }
  }
  const unread =
    state.at === 'read' ? fields.filter(({ id }) => !state.lines.some((line) => line.id === id)) : []
  return (
    <Box gridColumn="1 / -1">
      <FileButton
        label="Photo of the nameplate"
        accept="image/*"
        camera
        h="50px"
        loading={state.at === 'reading'}
        loadingText="Reading the plate …"
        onFiles={([photo]) => photo && read(photo)}
      >
        <Camera size={20} /> Read the nameplate from a photo
      </FileButton>
      {state.at === 'refused' && <Problem mt="6px">{state.message}</Problem>}
      {state.at === 'read' && (
        <Box mt="8px" role="region" aria-label="Read off the nameplate">
          {state.lines.map((line) => (
            <Line
              key={line.id}
              line={line}
              field={fields.find(({ id }) => id === line.id)!}
              onTake={() => onTake({ [line.id]: line.value })}
            />
          ))}
          {unread.length > 0 && (
            <Note mt="4px">
              Not read with certainty: {unread.map(({ label }) => label).join(', ')}. Type it, or go nearer
              and avoid glare.
            </Note>
          )}
        </Box>
      )}
    </Box>
  )
}

function Line({
  line: { value, picture },
  field,
  onTake,
}: {
  line: ReadLine
  field: FormField
  onTake: () => void
}) {
  const address = useMemo(() => URL.createObjectURL(picture), [picture])
  useEffect(() => () => URL.revokeObjectURL(address), [address])
  const [taken, setTaken] = useState(false)
  const required = String(field.required)
  const differs = required !== '' && !isSameOnPlate(value, required)
  return (
    <Grid
      layerStyle="ruleBelow"
      templateColumns="minmax(0, 1fr) auto"
      alignItems="center"
      gap="12px"
      py="6px"
    >
      <Box minW={0}>
        <img
          src={address}
          alt={`${field.label} on the plate`}
          style={{ maxHeight: '44px', maxWidth: '100%' }}
        />
        <Text fontFamily="mono" fontSize="18px" mt="2px">
          {value}
        </Text>
        <Note color={differs ? 'danger' : 'faint'}>
          {field.label}
          {differs && `: expected ${required}`}
        </Note>
      </Box>
      <Button
        variant={taken ? 'solid' : 'outline'}
        h="48px"
        aria-label={`Take ${field.label} ${value}`}
        onClick={() => (onTake(), setTaken(true))}
      >
        {taken && <Check size={16} />} {taken ? 'Taken' : 'Take'}
      </Button>
    </Grid>
  )
}
