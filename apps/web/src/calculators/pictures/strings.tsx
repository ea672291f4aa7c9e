import { Stack, chakra } from '@chakra-ui/react'
import { HYPOTHESIS_WORDS, formatNumber, stringBand, type Hypothesis, type Verdict } from '@plumb-mark/core'
import { VerdictShape, verdictColour } from '../../ui/verdict-mark.js'
import type { PictureProps } from '../../ui/drawings/props.js'
import { SmallMono, Strong } from '../../ui/theme/text.js'
import { shape } from '../../ui/drawings/shape.js'
import { Numbered } from '../../ui/list.js'

const W = 600

/** Where each story of the string would read, and where this one does. The more probable a story, the taller its line. */
export function StringStories({ input, result }: PictureProps) {
  const stories = result.hypotheses as Hypothesis[]
  const read = input.measured.voc as number
  const all = [...stories.map(({ voltage }) => voltage), read].filter((volt) => volt >= 0 || read < 0)
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const x = (volt: number) => 30 + ((volt - low) / Math.max(1, high - low)) * (W - 60)
  const shown = stories.filter(({ voltage }) => voltage >= 0 || read < 0)
  const band = stringBand(result.expected, input.measured.uncertainty, input.modelUncertainty)
  return (
    <Stack gap="10px">
      <chakra.svg
        viewBox={`0 0 ${W} 150`}
        w="100%"
        maxW="680px"
        role="img"
        aria-label={`Read ${formatNumber(read, 1)} V, expected ${formatNumber(result.expected, 1)} V`}
      >
        <shape.rect
          x={x(result.expected - band)}
          y={30}
          width={Math.max(2, x(result.expected + band) - x(result.expected - band))}
          height={86}
          fill="accentWash"
          stroke="accent"
        />
        <shape.line x1={10} x2={W - 10} y1={116} y2={116} stroke="text" strokeWidth="2px" />
        {shown.map(({ id, voltage, probability }) => (
          <shape.line
            key={id}
            x1={x(voltage)}
            x2={x(voltage)}
            y1={116}
            y2={116 - 10 - 70 * probability}
            stroke={id === 'as-designed' ? 'accent' : 'faint'}
            strokeWidth="5px"
          />
        ))}
        <shape.path d={`M${x(read)} 112 l-9 -18 h18 z`} fill={verdictColour(result.verdict as Verdict)} />
        <shape.text
          x={x(read)}
          y={22}
          fontSize="16px"
          mono
          textAnchor={x(read) > W - 90 ? 'end' : x(read) < 90 ? 'start' : 'middle'}
          fill={verdictColour(result.verdict as Verdict)}
        >
          read {formatNumber(read, 1)} V
        </shape.text>
        <shape.text
          x={x(result.expected)}
          y={138}
          fontSize="14px"
          mono
          textAnchor={x(result.expected) > W - 110 ? 'end' : 'middle'}
          fill="accent"
        >
          expected {formatNumber(result.expected, 1)} V
        </shape.text>
      </chakra.svg>
      <Numbered aria-label="Explanations, most probable first">
        {stories.slice(0, 4).map(({ id, probability, voltage }) => (
          <chakra.li key={id} pb="4px">
            <Strong as="span">{HYPOTHESIS_WORDS[id].says}</Strong> ({formatNumber(100 * probability, 1)} %,{' '}
            {formatNumber(voltage, 1)} V)
            {id === 'as-designed' ? '' : `: ${HYPOTHESIS_WORDS[id].lookAt}`}
          </chakra.li>
        ))}
      </Numbered>
    </Stack>
  )
}

interface Row {
  id: string
  perModule: number
  differencePercent: number | null
  verdict: Verdict
}

/** Each string's voltage per module beside that of the like strings. */
export function LikeStrings({ result }: PictureProps) {
  const rows = result.strings as Row[]
  const high = Math.max(...rows.map(({ perModule }) => Math.abs(perModule)), 1)
  return (
    <Stack>
      {rows.map(({ id, perModule, differencePercent, verdict }) => (
        <chakra.div
          key={id}
          display="grid"
          gridTemplateColumns="70px 1fr 170px"
          alignItems="center"
          gap="10px"
        >
          <Strong truncate>{id}</Strong>
          <chakra.div h="20px" bg="hair">
            <chakra.div
              h="100%"
              bg={verdictColour(verdict)}
              style={{ width: `${(100 * Math.abs(perModule)) / high}%` }}
            />
          </chakra.div>
          <SmallMono display="flex" gap="6px" alignItems="center">
            <VerdictShape verdict={verdict} size={16} /> {formatNumber(perModule)} V{' '}
            {differencePercent === null
              ? ''
              : `${differencePercent < 0 ? '' : '+'}${formatNumber(differencePercent, 1)} %`}
          </SmallMono>
        </chakra.div>
      ))}
    </Stack>
  )
}
