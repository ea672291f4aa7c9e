import { Box, Button, Grid, Input, Text } from '@chakra-ui/react'
import { ScanLine } from 'lucide-react'
import { useState } from 'react'
import { habitsFor, parseQuantity, type FormField } from '@plumb-mark/core'
import { useMessageText } from '../../job/message-text.js'
import { Field } from '../../ui/field.js'
import { AsFound } from '../../ui/as-found.js'
import { useDecimal, type DecimalMark } from '../../data/preferences.js'
import type { FormProps } from './form-props.js'
import { lazyPart } from '../../ui/lazy-part.js'
import { Scanner } from '../../ui/lazy-scanner.js'

const NameplatePhoto = lazyPart(async () => (await import('./nameplate-photo.js')).NameplatePhoto)
const TripFile = lazyPart(async () => (await import('./trip-file.js')).TripFile)

/** Several things read together, what is expected beside what was found. */
export function FieldsForm({ form, answer, onChange }: FormProps<'fields'>) {
  const { fields } = form
  const onPlate = fields.filter((field) => field.onPlate)
  const decimal = useDecimal()
  const [texts, setTexts] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(answer?.values ?? {}).map(([id, { typed }]) => [id, typed])),
  )
  const saying = useMessageText()
  const [scanning, setScanning] = useState<string>()
  const type = (field: FormField, text: string) => fill({ [field.id]: text })
  const fill = (typed: Record<string, string>) => {
    const next = { ...texts, ...typed }
    setTexts(next)
    const values = Object.fromEntries(fields.flatMap((one) => valueOf(one, next[one.id] ?? '', decimal)))
    onChange(Object.keys(values).length > 0 ? { values } : undefined)
  }
  return (
    <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="12px" alignItems="start">
      {form.trips && (
        <Box gridColumn="1 / -1">
          <TripFile form={form} onRead={fill} />
        </Box>
      )}
      {onPlate.length > 0 && <NameplatePhoto fields={onPlate} onTake={fill} />}
      {fields.map((field) => (
        <Box key={field.id}>
          <Field
            label={field.label}
            problem={problemOf(field, texts[field.id] ?? '', decimal)}
            hint={field.required && <Text as="span">expected {saying(field.required)}</Text>}
          >
            {(ids) =>
              field.options ? (
                <AsFound
                  {...ids}
                  value={texts[field.id] ?? ''}
                  options={field.options}
                  onChange={(text) => type(field, text)}
                />
              ) : (
                <Box display="flex" gap="6px">
                  <Input
                    {...ids}
                    value={texts[field.id] ?? ''}
                    onChange={(event) => type(field, event.target.value)}
                    fontFamily="mono"
                    h="50px"
                    fontSize="18px"
                    autoComplete="off"
                    autoCapitalize={field.scan ? 'characters' : 'off'}
                  />
                  {field.scan && (
                    <Button
                      variant="outline"
                      h="50px"
                      px="12px"
                      onClick={() => setScanning(field.id)}
                      aria-label={`Scan ${field.label}`}
                    >
                      <ScanLine size={20} />
                    </Button>
                  )}
                </Box>
              )
            }
          </Field>
        </Box>
      ))}
      {scanning && (
        <Scanner
          title={fields.find(({ id }) => id === scanning)!.label}
          onClose={() => setScanning(undefined)}
          onCode={(code) => {
            type(
              fields.find(({ id }) => id === scanning)!,
              code,
            )
            setScanning(undefined)
          }}
        />
      )}
    </Grid>
  )
}

function valueOf(
  { id, dimension, unit, signed }: FormField,
  text: string,
  decimal: DecimalMark,
): [string, { typed: string; value?: number }][] {
  if (text.trim() === '') return []
  if (!dimension) return [[id, { typed: text.trim() }]]
  const parsed = parseQuantity(text, dimension, { ...habitsFor({ dimension, unit, signed }), decimal })
  return parsed.ok && parsed.quantity.relation === '='
    ? [[id, { typed: parsed.quantity.typed, value: parsed.quantity.value }]]
    : []
}

function problemOf(
  { dimension, unit, signed }: FormField,
  text: string,
  decimal: DecimalMark,
): string | undefined {
  if (!dimension || text.trim() === '') return undefined
  const parsed = parseQuantity(text, dimension, { ...habitsFor({ dimension, unit, signed }), decimal })
  return parsed.ok
    ? parsed.quantity.relation === '='
      ? undefined
      : 'a figure without < or > is needed'
    : parsed.problem.message
}
