import { Box, Flex, chakra } from '@chakra-ui/react'
import {
  leverNearest,
  leversOf,
  leverValue,
  wouldJustDo,
  type CalculatorName,
  type Lever,
} from '@plumb-mark/core'
import { Note, Small, SmallMono, Strong } from '../ui/theme/text.js'
import { LinkButton } from '../ui/buttons.js'

/** Figures to be moved, with the verdict following, and what would just do. */
export function WhatIf({
  name,
  input,
  onMove,
}: {
  name: CalculatorName
  input: unknown
  /** The figure as it would be typed. */
  onMove: (path: Lever['path'], typed: string) => void
}) {
  const levers = leversOf(name, input).filter((lever) => leverValue(input, lever.path) !== undefined)
  if (levers.length === 0) return null
  return (
    <Box layerStyle="ruleAbove" as="section" aria-label="What if" pt="10px">
      <Strong>What if</Strong>
      {levers.map((lever) => (
        <Slider key={lever.path.join('.')} lever={lever} name={name} input={input} onMove={onMove} />
      ))}
    </Box>
  )
}

function Slider({
  lever,
  name,
  input,
  onMove,
}: {
  lever: Lever
  name: CalculatorName
  input: unknown
  onMove: (path: Lever['path'], typed: string) => void
}) {
  const now = leverValue(input, lever.path)
  const at = lever.values.findIndex((value) => value === leverNearest(lever, now))
  const typed = (value: number | string) =>
    lever.unit && lever.unit !== 'AWG' ? `${value} ${lever.unit}` : String(value)
  const move = (value: number | string) =>
    onMove(lever.path, lever.path.at(-1) === 'size' ? String(value) : typed(value))
  const does = wouldJustDo(name, input, lever)
  const said = typeof now === 'number' ? `${Number(now.toFixed(1))}` : String(now)
  return (
    <Box mt="8px">
      <Flex justify="space-between" gap="10px">
        <Small>{lever.label}</Small>
        <SmallMono>
          {said} {lever.unit}
        </SmallMono>
      </Flex>
      <chakra.input
        type="range"
        w="100%"
        h="44px"
        min={0}
        max={lever.values.length - 1}
        value={at}
        aria-label={lever.label}
        aria-valuetext={`${said} ${lever.unit}`}
        onChange={({ target }) => move(lever.values[Number(target.value)]!)}
      />
      {does.kind === 'none' && <Note>Nothing along this scale would do.</Note>}
      {does.kind === 'range' && (
        <Note>
          Conforms from {typed(does.from)} to {typed(does.to)}.
        </Note>
      )}
      {does.kind === 'nearest' && (
        <LinkButton onClick={() => move(does.value)}>{typed(does.value)} would just do</LinkButton>
      )}
    </Box>
  )
}
