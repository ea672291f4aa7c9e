import { Box, Grid, Text, chakra } from '@chakra-ui/react'
import { dimensionWords, plural, stageWords, type InstrumentWanted, type Kit } from '@plumb-mark/core'
import { Mono, Note, SmallDanger, SmallPrint, Strong } from '../ui/theme/text.js'
import { Calibration } from '../instruments/instruments-view.js'
import { dayWords } from '../visits/when.js'

const List = chakra('ul', { base: { listStyleType: 'none' } })
const Item = chakra('li', {
  base: {
    display: 'flex',
    gap: '10px',
    py: '7px',
    borderTop: '1px solid',
    borderColor: 'hair',
    lineHeight: 1.3,
  },
})

/** What to bring and what the day must be like, with a box to tick on paper. */
export function KitPart({ kit, day }: { kit: Kit; day: string }) {
  return (
    <Grid
      templateColumns={{ base: '1fr', lg: '1.3fr 1fr' }}
      gap={{ base: '20px', lg: '40px' }}
      mt="20px"
      aria-label="Kit list"
      role="region"
    >
      <Box>
        <Heading>Instruments, for {dayWords(day)}</Heading>
        <List>
          {kit.instruments.map((wanted) => (
            <Wanted key={`${wanted.kind} ${wanted.dimension ?? ''}`} wanted={wanted} day={day} />
          ))}
          {kit.instruments.length === 0 && <Item>No check asks for one yet.</Item>}
        </List>
        <Heading>Tools</Heading>
        <Ticks items={kit.tools} none="No sheet names a tool." />
      </Box>
      <Box>
        <Heading>The day must bring</Heading>
        <List>
          {kit.conditions.map(({ need, words, stages, checks }) => (
            <Item key={need}>
              <Box flex="1">
                <b>{words}</b>
                <Note>
                  {stageWords(stages)}: {plural(checks, 'check')}
                </Note>
              </Box>
            </Item>
          ))}
          {kit.conditions.length === 0 && <Item>Nothing in particular.</Item>}
        </List>
        <Heading>Wear</Heading>
        <Ticks items={kit.equipment} none="No sheet names protective equipment; the local rules hold." />
        <Heading>Lifts</Heading>
        <List>
          {kit.lifts.map(({ name, mass, people, machine }) => (
            <Item key={name}>
              <Box flex="1">{name}</Box>
              <Mono>{mass} kg</Mono>
              <Text
                w="110px"
                textAlign="right"
                fontWeight={people > 1 ? 700 : 400}
                color={people > 1 ? 'danger' : 'text'}
              >
                {machine ? 'by machine' : plural(people, 'person', 'people')}
              </Text>
            </Item>
          ))}
          {kit.lifts.length === 0 && <Item>No sheet gives a mass.</Item>}
        </List>
        {kit.lifts.length > 0 && (
          <SmallPrint mt="4px">
            The local rules on lifting decide; clear the way and agree the words before the lift.
          </SmallPrint>
        )}
      </Box>
    </Grid>
  )
}

const Heading = ({ children }: { children: React.ReactNode }) => (
  <Text as="h2" fontFamily="heading" fontWeight={600} fontSize="21px" mt="10px" mb="2px">
    {children}
  </Text>
)

const Tick = () => (
  <chakra.span
    display="inline-block"
    w="15px"
    h="15px"
    mt="3px"
    border="1.5px solid"
    borderColor="text"
    borderRadius="2px"
    flexShrink={0}
    aria-hidden
  />
)

function Ticks({ items, none }: { items: readonly string[]; none: string }) {
  return (
    <List>
      {items.map((item) => (
        <Item key={item}>
          <Tick />
          {item}
        </Item>
      ))}
      {items.length === 0 && <Item>{none}</Item>}
    </List>
  )
}

function Wanted({
  wanted: { name, range, dimension, checks, fitting },
  day,
}: {
  wanted: InstrumentWanted
  day: string
}) {
  const usable = fitting.filter(({ expired }) => !expired)
  return (
    <Item>
      <Tick />
      <Box flex="1">
        <Strong>
          {name}
          {dimension ? (
            <chakra.span fontWeight={400}>
              {' '}
              for {dimensionWords(dimension)}
              {range ? `, ${range}` : ''}
            </chakra.span>
          ) : (
            ''
          )}
        </Strong>
        {fitting.length === 0 && <SmallDanger>none is kept: hire or buy one</SmallDanger>}
        {(usable.length > 0 ? usable : fitting).map(({ instrument }) => (
          <Box key={instrument.id} display="flex" gap="8px" flexWrap="wrap" fontSize="14px">
            <Text>{instrument.name}</Text>
            <Calibration until={instrument.calibratedUntil} day={day} />
          </Box>
        ))}
      </Box>
      <Note whiteSpace="nowrap">{plural(checks, 'check')}</Note>
    </Item>
  )
}
